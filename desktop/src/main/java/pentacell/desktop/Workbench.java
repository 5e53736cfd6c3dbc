package pentacell.desktop;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import pentacell.core.Chapters;
import pentacell.desktop.build.BuildStation;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Frame;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.frame.Station;
import pentacell.desktop.harvest.HarvestStation;
import pentacell.desktop.intake.IntakeStation;
import pentacell.desktop.match.MatchStation;
import pentacell.desktop.plan.PlanStation;
import pentacell.desktop.prove.ProveStation;
import pentacell.desktop.service.ServiceStation;
import pentacell.desktop.stock.StockStation;
import pentacell.desktop.test.TestStation;

/// The whole interface, put together: the desk, its stations, the frame around them.
///
/// @param desk what the stations share
/// @param stations in the order of the work
/// @param frame the window's content
public record Workbench(Desk desk, List<Station> stations, Frame frame) {
    /// The stations, one line each: a new one is added here.
    public static final List<BiFunction<Desk, FileAsk, Station>> STATIONS =
            List.of(
                    HarvestStation::new,
                    IntakeStation::new,
                    TestStation::new,
                    (desk, files) -> new StockStation(desk),
                    PlanStation::new,
                    MatchStation::new,
                    BuildStation::new,
                    ProveStation::new,
                    ServiceStation::new);

    public Workbench {
        stations = List.copyOf(stations);
    }

    /// Puts the program's workbench together; on the UI thread.
    public static Workbench create(FileAsk files, Clock clock, Settings settings) {
        return create(new Desk(clock, settings, Chapters.ALL), STATIONS, files, clock);
    }

    /// Puts a workbench of other stations together; on the UI thread.
    public static Workbench create(
            Desk desk,
            List<BiFunction<Desk, FileAsk, Station>> makers,
            FileAsk files,
            Clock clock) {
        List<Station> stations = new ArrayList<>();
        makers.forEach(maker -> stations.add(maker.apply(desk, files)));
        return new Workbench(desk, stations, new Frame(desk, stations, files, clock));
    }

    /// A station by its type.
    ///
    /// @throws IllegalArgumentException when there is none
    public <S extends Station> S station(Class<S> type) {
        return stations.stream()
                .filter(type::isInstance)
                .map(type::cast)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no " + type));
    }
}
