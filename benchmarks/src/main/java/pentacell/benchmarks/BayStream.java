package pentacell.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javafx.animation.AnimationTimer;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.journal.Fact;
import pentacell.core.test.facts.Bench;
import pentacell.core.test.facts.BenchFact;
import pentacell.core.test.facts.Instrument;
import pentacell.desktop.Workbench;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.test.TestStation;
import pentacell.instruments.simulated.StandIn;

/// The bay board with sixteen bays: how late the UI thread is, and how far frames lie apart, while
/// nothing runs and while all sixteen stream their curves.
public final class BayStream extends MeasuredWindow {
    private static final int CHARGERS = 4;
    private static final int SECONDS = 20;

    /// Prints both and their ratio.
    public static void main(String[] arguments) {
        launch(arguments);
    }

    @Override
    void set(Settings settings) {
        settings.put("stand-in-speed", "300");
    }

    @Override
    void measure(Workbench bench) throws IOException {
        Path folder = Files.createTempDirectory("bays");
        UiThread.run(() -> bench.frame().open(folder.resolve("bays.pentacell")));
        UiThread.until(() -> !bench.desk().ledger().fileNameProperty().get().isEmpty());
        UiThread.run(() -> bench.desk().ledger().log("cells and chargers", facts(), () -> {}));
        UiThread.until(
                () -> Bench.of(bench.desk().ledger().state()).instruments().size() == CHARGERS);
        UiThread.run(() -> {
            bench.frame().go(bench.station(TestStation.class));
            bench.station(TestStation.class).showPane("Bays");
        });
        UiThread.until(
                () -> bench.station(TestStation.class).model().canLoad(new CellId("HB21-01")));
        measure("warming up");
        double[] idle = measure("16 bays empty");
        UiThread.run(() -> bench.station(TestStation.class).model().loadAsPlanned(4 * CHARGERS));
        UiThread.until(
                () -> bench.station(TestStation.class).model().sampleCount() > 100 * CHARGERS);
        measure("loading");
        double[] streaming = measure("16 bays streaming");
        System.out.printf(
                Locale.ROOT,
                "streaming / empty: lateness p99 %.1f, frame gap p99 %.2f%n",
                streaming[0] / idle[0],
                streaming[1] / idle[1]);
        System.out.println(
                bench.station(TestStation.class).model().sampleCount() + " samples on the board");
    }

    private static List<Fact> facts() {
        List<Fact> facts = new ArrayList<>();
        facts.add(
                new CatalogueFact.ModelDefined(
                        CellModel.rated(
                                "Quill Q22",
                                CellFormat.parse("18650").orElseThrow(),
                                Chemistry.NMC,
                                2200)));
        for (int i = 1; i <= 8 * CHARGERS; i++) {
            CellId id = new CellId("HB21-%02d".formatted(i));
            facts.add(new CellFact.CellNamed(id, Optional.empty(), Optional.of("Quill Q22")));
            facts.add(new CellFact.VoltageRead(id, 3.62));
        }
        for (char letter = 'A'; letter < 'A' + CHARGERS; letter++) {
            String name = "Charger " + letter;
            facts.add(
                    new BenchFact.InstrumentAdded(
                            new Instrument(
                                    name,
                                    Instrument.simulated(StandIn.FOUR_SLOT.code()),
                                    StandIn.FOUR_SLOT.bays(name))));
        }
        return facts;
    }

    /// How late something told to the UI thread is heard, and the gaps between frames, in ms.
    ///
    /// @return the 99th percentile of both
    private static double[] measure(String what) {
        List<Double> gaps = new ArrayList<>();
        AtomicReference<AnimationTimer> timer = new AtomicReference<>();
        UiThread.run(() -> {
            timer.set(
                    new AnimationTimer() {
                        private long last;

                        @Override
                        public void handle(long now) {
                            if (last != 0) gaps.add((now - last) / 1e6);
                            last = now;
                        }
                    });
            timer.get().start();
        });
        List<Double> late = UiThread.lateness(SECONDS);
        UiThread.run(() -> timer.get().stop());
        double[] lateness = sorted(late);
        double[] frames = sorted(gaps);
        System.out.printf(
                Locale.ROOT,
                "%-18s lateness p99 %.1f ms, worst %.1f ms; frames %d, gap p99 %.1f ms, worst %.1f ms%n",
                what,
                at(lateness, 0.99),
                at(lateness, 1),
                frames.length,
                at(frames, 0.99),
                at(frames, 1));
        return new double[] {at(lateness, 0.99), at(frames, 0.99)};
    }

    private static double[] sorted(List<Double> values) {
        double[] sorted = values.stream().mapToDouble(Double::doubleValue).toArray();
        Arrays.sort(sorted);
        return sorted;
    }

    private static double at(double[] sorted, double share) {
        return sorted.length == 0
                ? Double.NaN
                : sorted[(int) Math.round(share * (sorted.length - 1))];
    }
}
