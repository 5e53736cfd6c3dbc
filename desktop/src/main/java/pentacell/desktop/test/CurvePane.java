package pentacell.desktop.test;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.CellRecord.LifeLineEntry;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TestConditions;
import pentacell.core.cell.TestRun;
import pentacell.core.measure.OpenRun;
import pentacell.core.measure.SampleLog;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.RunWords;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.kit.Wrapping;
import pentacell.workshop.exchange.RunLogFiles;

/// The curve of the selected cell's last run, with those of its sisters behind it, the conditions
/// it was measured under and whatever was odd.
final class CurvePane extends VBox {
    private static final int MOST_SISTERS = 12;

    private final Desk desk;
    private final TestModel model;
    private final Label title = new Label();
    private final Label conditions = new Label();
    private final VBox oddities = new VBox();
    private final ToggleButton overTime = new ToggleButton("Whole run over time");
    private final ToggleButton overCharge = new ToggleButton("Discharge over mAh");
    private final Button csv = new Button("Write CSV");
    private final PlotSurface plot = new PlotSurface(this::paint);
    private Optional<Shown> shown = Optional.empty();
    private Optional<String> asked = Optional.empty();

    /// A run as it is drawn.
    private record Shown(
            CellId cell,
            String run,
            boolean counts,
            SampleLog log,
            Map<String, SampleLog> sisters,
            List<RunFact.CurveOdd> odd) {}

    CurvePane(Desk desk, TestModel model, FileAsk files) {
        this.desk = desk;
        this.model = model;
        setId("curve-pane");
        getStyleClass().add("list-pane");
        title.setId("curve-title");
        title.getStyleClass().add("list-summary");
        Wrapping.on(title);
        conditions.setId("curve-conditions");
        Wrapping.on(conditions);
        oddities.setId("curve-oddities");
        ToggleGroup group = new ToggleGroup();
        overTime.setToggleGroup(group);
        overCharge.setToggleGroup(group);
        overCharge.setSelected(true);
        overTime.setId("curve-over-time");
        overCharge.setId("curve-over-charge");
        group.selectedToggleProperty()
                .subscribe((before, now) -> {
                    if (now == null && before != null) before.setSelected(true);
                    plot.repaint();
                });
        csv.setId("curve-csv");
        csv.setOnAction(pressed ->
                shown.ifPresent(each ->
                        Saving.saveText(
                                desk,
                                files,
                                "Write samples",
                                each.run().replace('#', '-') + ".csv",
                                RunLogFiles.csv(each.log()))));
        ControlRow head = ControlRow.of(title, ControlRow.gap(), overCharge, overTime, csv);
        plot.setId("curve-plot");
        plot.getStyleClass().add("curve-plot");
        VBox.setVgrow(plot, Priority.ALWAYS);
        getChildren().addAll(head, conditions, plot, oddities);
        desk.selection().cellProperty().subscribe(id -> show());
        desk.ledger().stateProperty().subscribe(state -> show());
        sceneProperty()
                .subscribe(scene -> {
                    if (scene != null) show();
                });
    }

    private static Optional<TestRun> lastRun(CellRecord cell) {
        return cell.runs().stream().reduce((before, after) -> after);
    }

    private void show() {
        if (getScene() == null) return;
        Optional<CellRecord> cell = desk.selection().cell();
        Optional<TestRun> last = cell.flatMap(CurvePane::lastRun);
        Optional<String> run = last.map(TestRun::run);
        if (cell.isEmpty() || run.isEmpty()) {
            shown = Optional.empty();
            asked = Optional.empty();
            title.setText(
                    cell.map(each -> each.id() + " was not tested by an instrument yet")
                            .orElse("No cell is selected"));
            conditions.setText(
                    "Choose a tested cell: in a bay, on the hold shelf, or with Ctrl+K.");
            oddities.getChildren().clear();
            csv.setDisable(true);
            plot.repaint();
            return;
        }
        List<String> runs = new ArrayList<>();
        runs.add(run.get());
        for (CellRecord sister : Cells.of(desk.ledger().state()).all().values())
            if (runs.size() <= MOST_SISTERS
                    && sister.model().isPresent()
                    && sister.model().equals(cell.get().model())
                    && !sister.id().equals(cell.get().id()))
                lastRun(sister).filter(TestRun::counts).map(TestRun::run).ifPresent(runs::add);
        asked = run;
        CellRecord now = cell.get();
        model.bench()
                .samples(
                        runs,
                        logs -> {
                            if (asked.equals(run)) show(now, last.orElseThrow(), logs);
                        });
    }

    private void show(CellRecord cell, TestRun last, Map<String, SampleLog> logs) {
        String run = last.run();
        Map<String, SampleLog> sisters = new java.util.LinkedHashMap<>(logs);
        SampleLog log = sisters.remove(run);
        if (log == null) return;
        List<RunFact.CurveOdd> odd =
                cell.lifeLine().stream()
                        .filter(LifeLineEntry::isKept)
                        .map(LifeLineEntry::fact)
                        .filter(RunFact.CurveOdd.class::isInstance)
                        .map(RunFact.CurveOdd.class::cast)
                        .filter(each -> each.run().equals(run))
                        .toList();
        shown = Optional.of(new Shown(cell.id(), run, last.counts(), log, sisters, odd));
        csv.setDisable(log.size() == 0);
        title.setText(
                cell.id()
                        + cell.milliampHours().stream()
                                .mapToObj(each -> "  " + Quantity.CAPACITY.text(each))
                                .findFirst()
                                .orElse("")
                        + cell.dcMilliohms().stream()
                                .mapToObj(each -> "  " + Quantity.RESISTANCE.text(each) + " DC")
                                .findFirst()
                                .orElse(""));
        conditions.setText(
                (last.counts() ? "" : "From a stand-in, does not count · ")
                        + words(cell, run)
                        + (sisters.isEmpty()
                                ? ""
                                : " · %d sisters behind".formatted(sisters.size())));
        oddities.getChildren()
                .setAll(
                        odd.stream()
                                .map(each -> {
                                    Label line =
                                            new Label(
                                                    "▲ "
                                                            + clock(each.atSeconds())
                                                            + "  "
                                                            + RunWords.sentence(each));
                                    Wrapping.on(line);
                                    line.getStyleClass().add("caution-notice");
                                    return line;
                                })
                                .toList());
        plot.repaint();
    }

    private static String clock(double seconds) {
        long minutes = Math.round(seconds / 60);
        return "%d:%02d h".formatted(minutes / 60, minutes % 60);
    }

    private static String words(CellRecord cell, String run) {
        Optional<TestConditions> known = cell.conditionsOf(run);
        boolean isRunning = OpenRun.of(cell).stream().anyMatch(open -> open.run().equals(run));
        if (known.isEmpty())
            return isRunning
                    ? "Running; the capacity comes when it is done"
                    : "No capacity came of this run";
        TestConditions each = known.get();
        List<String> parts = new ArrayList<>();
        add(parts, "charged to ", Quantity.VOLTAGE, each.chargeEndVolts());
        add(parts, "until ", Quantity.CURRENT, each.chargeCutoffAmps());
        each.restMinutes().ifPresent(rest -> parts.add("rest " + Quantity.MINUTES.text(rest)));
        add(parts, "discharged at ", Quantity.CURRENT, each.dischargeAmps());
        add(parts, "to ", Quantity.VOLTAGE, each.endVolts());
        add(parts, "can at ", Quantity.TEMPERATURE, each.celsius());
        each.bay().ifPresent(parts::add);
        return String.join(" · ", parts);
    }

    private static void add(
            List<String> parts, String words, Quantity quantity, OptionalDouble value) {
        value.ifPresent(each -> parts.add(words + quantity.text(each)));
    }

    private void paint(Pen pen, double width, double height) {
        pen.fill(Hue.SHEET, 1, 0, 0, width, height);
        if (shown.isEmpty() || shown.get().log().size() < 2) return;
        if (!shown.get().counts()) pen.hatch(Hue.RULE, 9, 0, 0, width, height);
        if (overTime.isSelected()) paintTime(shown.get(), pen, width, height);
        else paintCharge(shown.get(), pen, width, height);
    }

    private static void paintTime(Shown shown, Pen pen, double width, double height) {
        double em = pen.em();
        SampleLog log = shown.log();
        double hours = log.seconds(log.size() - 1) / 3600;
        Scale time = new Scale(0, hours * 3600, 4 * em, width - 4 * em);
        Scale hourScale = new Scale(0, hours, 4 * em, width - 4 * em);
        Scale volts = new Scale(2.2, 4.4, height - 2.4 * em, 1 * em);
        grid(pen, hourScale, volts, height, "h");
        double most = 0.1;
        for (int i = 0; i < log.size(); i++) most = Math.max(most, Math.abs(log.amps(i)));
        Scale amps = new Scale(-1.1 * most, 1.1 * most, height - 2.4 * em, 1 * em);
        pen.dashes(4, 4);
        pen.line(Hue.RULE, 1, 4 * em, amps.pixel(0), width - 4 * em, amps.pixel(0));
        pen.dashes();
        new Axis(amps, 4, Hue.RULE, 0.9, "A").besides(pen, Hue.ACCENT, width - 3.6 * em);
        CurveLines.amps(log, time, amps, pen, Hue.ACCENT, 1);
        CurveLines.volts(log, time, volts, pen, Hue.MEASURED, 1.8);
        for (RunFact.CurveOdd odd : shown.odd()) {
            double x = time.pixel(odd.atSeconds());
            pen.line(Hue.CAUTION, 2, x, 1 * em, x, height - 2.4 * em);
            pen.text(Hue.CAUTION, 1, true, Anchor.LEFT, x + 0.2 * em, 1.6 * em, "▲");
        }
    }

    private static void paintCharge(Shown shown, Pen pen, double width, double height) {
        double em = pen.em();
        double most = 100;
        for (SampleLog each : shown.sisters().values()) most = Math.max(most, out(each));
        most = Math.max(most, out(shown.log()));
        Scale charge = new Scale(0, 1.03 * most, 4 * em, width - 2 * em);
        Scale volts = new Scale(2.4, 4.3, height - 2.4 * em, 1 * em);
        grid(pen, charge, volts, height, "mAh");
        for (SampleLog each : shown.sisters().values())
            CurveLines.discharge(each, charge, volts, pen, Hue.SECOND, 0.6);
        CurveLines.discharge(shown.log(), charge, volts, pen, Hue.MEASURED, 2.2);
        for (RunFact.CurveOdd odd : shown.odd()) {
            double at = outUntil(shown.log(), odd.atSeconds());
            if (!(at > 0 && at <= most)) continue;
            double x = charge.pixel(at);
            pen.dashes(4, 3);
            pen.line(Hue.CAUTION, 2, x, 1 * em, x, height - 2.4 * em);
            pen.dashes();
            pen.text(Hue.CAUTION, 1, true, Anchor.LEFT, x + 0.2 * em, 1.6 * em, "▲");
        }
    }

    private static double out(SampleLog log) {
        return outUntil(log, Double.POSITIVE_INFINITY);
    }

    private static double outUntil(SampleLog log, double seconds) {
        double sum = 0;
        for (int i = 1; i < log.size() && log.seconds(i) <= seconds; i++)
            if (log.amps(i) < -0.005)
                sum +=
                        -(log.amps(i) + Math.min(0, log.amps(i - 1)))
                                / 2
                                * (log.seconds(i) - log.seconds(i - 1))
                                / 3.6;
        return sum;
    }

    private static void grid(Pen pen, Scale across, Scale volts, double height, String unit) {
        double em = pen.em();
        new Axis(volts, 6, Hue.RULE, 0.9, "V").upright(pen, 4 * em, across.last(), 0.3 * em);
        new Axis(across, 8, Hue.RULE, 0.9, unit)
                .level(pen, height - 2.4 * em, height - 2 * em, height - 1.2 * em);
    }
}
