package pentacell.desktop;

import java.time.Clock;
import java.util.List;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Frame;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.frame.Station;
import pentacell.desktop.harvest.HarvestStation;
import pentacell.desktop.intake.IntakeStation;
import pentacell.desktop.match.MatchStation;
import pentacell.desktop.stock.StockStation;
import pentacell.desktop.test.TestStation;

/// The whole interface, put together: the desk, its stations, the frame around them.
///
/// @param desk what the stations share
/// @param harvest the Harvest station
/// @param intake the Intake station
/// @param test the Test station
/// @param stock the Stock station
/// @param match the Match station
/// @param frame the window's content
public record Bench(
        Desk desk,
        HarvestStation harvest,
        IntakeStation intake,
        TestStation test,
        StockStation stock,
        MatchStation match,
        Frame frame) {

    /// Puts a bench together; on the UI thread.
    public static Bench create(FileAsk files, Clock clock, Settings settings) {
        Desk desk = new Desk(clock, settings);
        HarvestStation harvest = new HarvestStation(desk, files);
        IntakeStation intake = new IntakeStation(desk, files);
        TestStation test = new TestStation(desk, files);
        StockStation stock = new StockStation(desk);
        MatchStation match = new MatchStation(desk, files);
        List<Station> stations = List.of(harvest, intake, test, stock, match);
        return new Bench(
                desk,
                harvest,
                intake,
                test,
                stock,
                match,
                new Frame(desk, stations, files, intake::previewImport, clock));
    }
}
