package pentacell.desktop.test;

import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.test.TestPlan;
import pentacell.core.test.TestSlot;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Bench;
import pentacell.core.unit.Count;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.kit.Wrapping;
import pentacell.instruments.bench.LiveRun;
import pentacell.reports.TestCalendar;

/// Bays × hours: what runs, what is planned, the hours somebody is there, when it will all be done
/// and what one more charger would change.
final class TimeSheet extends VBox {
    private static final int MOST_DAYS = 10;
    private static final int MOST_SWAPS = 3;
    private static final DateTimeFormatter HOUR =
            DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter WHEN =
            DateTimeFormatter.ofPattern("EEE d MMM, HH:mm", Locale.ENGLISH);

    private final Desk desk;
    private final TestModel model;
    private final Label finish = new Label();
    private final Label more = new Label();
    private final Label hands = new Label();
    private final PlotSurface sheet = new PlotSurface(this::paint);

    TimeSheet(Desk desk, TestModel model, FileAsk files) {
        this.desk = desk;
        this.model = model;
        setId("time-sheet");
        getStyleClass().add("list-pane");
        finish.setId("plan-finish");
        finish.getStyleClass().add("list-summary");
        Wrapping.on(finish);
        more.setId("plan-more");
        Wrapping.on(more);
        hands.setId("plan-hands");
        Wrapping.on(hands);
        sheet.setId("time-sheet-plot");
        sheet.getStyleClass().add("time-sheet-plot");
        VBox.setVgrow(sheet, Priority.ALWAYS);
        Button calendar = new Button("Write calendar");
        calendar.setId("write-calendar");
        calendar.setOnAction(pressed -> writeCalendar(files));
        ControlRow head = ControlRow.of(finish, ControlRow.gap(), calendar);
        getChildren().addAll(head, more, hands, sheet);
        model.changesProperty().subscribe(count -> show());
        sceneProperty()
                .subscribe(scene -> {
                    if (scene != null) show();
                });
    }

    private void show() {
        if (getScene() == null) return;
        sheet.repaint();
        Optional<TestPlan> plan = model.plan();
        if (plan.isEmpty() || plan.get().finish().isEmpty()) {
            int waiting = model.queue().waiting().size();
            finish.setText(
                    waiting == 0
                            ? "Nothing waits for a test"
                            : Count.of(waiting, "cell waits", "cells wait")
                                    + ", but no bay can test them");
            more.setText(
                    waiting == 0
                            ? "A cell comes here with its first voltage."
                            : "Open Bench and add a charger, or see why the ones there are out of use.");
            hands.setText(leftOut());
            return;
        }
        TestPlan shown = plan.get();
        LocalDateTime end = shown.finish().orElseThrow();
        finish.setText("All tested by " + WHEN.format(end));
        Duration over = Duration.between(shown.earliest().orElse(end), end);
        String bound =
                over.toMinutes() <= 1
                        ? "No plan can finish sooner"
                        : "No plan can finish before " + WHEN.format(shown.earliest().orElse(end));
        more.setText(bound + ". " + withMore(end) + shelf(shown) + leftOut());
        hands.setText(swaps(shown));
    }

    /// What to do at the next moments, each said once.
    private String swaps(TestPlan plan) {
        List<TestPlan.Swap> next =
                plan.swaps().stream().filter(each -> each.at().isAfter(model.now())).toList();
        if (next.isEmpty()) return "No more swaps after what is to be loaded now.";
        StringBuilder words = new StringBuilder("Next swaps: ");
        LocalDate day = LocalDate.MIN;
        for (TestPlan.Swap swap : next.subList(0, Math.min(MOST_SWAPS, next.size()))) {
            if (!day.equals(LocalDate.MIN)) words.append("; ");
            boolean sameDay = day.equals(swap.at().toLocalDate());
            words.append(sameDay ? HOUR.format(swap.at()) : WHEN.format(swap.at())).append(' ');
            words.append(what(plan, swap));
            day = swap.at().toLocalDate();
        }
        return words.append(next.size() > MOST_SWAPS ? "; and so on." : ".").toString();
    }

    private static String what(TestPlan plan, TestPlan.Swap swap) {
        if (swap.loads().size() > 2)
            return "load %d bays, from %s into %s on"
                    .formatted(
                            swap.loads().size(),
                            swap.loads().get(0).cell(),
                            swap.loads().get(0).bay());
        return swap.loads().stream()
                .map(load ->
                        plan.before(load)
                                .map(out ->
                                        "%s out of %s, %s in"
                                                .formatted(out, load.bay(), load.cell()))
                                .orElse(load.cell() + " into " + load.bay()))
                .collect(Collectors.joining(" and "));
    }

    private String withMore(LocalDateTime end) {
        return model.planWithMore()
                .flatMap(TestPlan::finish)
                .map(sooner -> Duration.between(sooner, end))
                .filter(saved -> saved.toMinutes() > 30)
                .map(saved -> "Another four-slot charger: " + words(saved) + " sooner. ")
                .orElse("Another charger would not help. ");
    }

    private static String words(Duration time) {
        long hours = Math.round(time.toMinutes() / 60.0);
        if (hours < 2) return time.toMinutes() + " min";
        return hours < 48 ? hours + " h" : "%d days %d h".formatted(hours / 24, hours % 24);
    }

    private String shelf(TestPlan shown) {
        return shown.shelfFullAt()
                .map(at -> "▲ The hold shelf is full from " + WHEN.format(at) + ".")
                .orElse("");
    }

    private String leftOut() {
        List<String> out = model.bays().stream().filter(model::isOut).map(Bay::name).toList();
        return out.isEmpty()
                ? ""
                : " ▲ Left out: "
                        + String.join(", ", out)
                        + " (set aside, or the instrument does not answer).";
    }

    private void writeCalendar(FileAsk files) {
        Saving.saveText(
                desk,
                files,
                "Write calendar",
                "tests.ics",
                TestCalendar.of(
                        TestEvents.of(model, desk.ledger().state()),
                        desk.now(),
                        java.time.ZoneId.systemDefault()));
    }

    private void paint(Pen pen, double width, double height) {
        double em = pen.em();
        List<Bay> bays = model.bays();
        pen.fill(Hue.SHEET, 1, 0, 0, width, height);
        if (bays.isEmpty()) return;
        LocalDateTime now = model.now();
        LocalDateTime end =
                model.plan()
                        .flatMap(TestPlan::finish)
                        .filter(finish -> finish.isAfter(now.plusHours(12)))
                        .orElse(now.plusHours(12));
        if (end.isAfter(now.plusDays(MOST_DAYS))) end = now.plusDays(MOST_DAYS);
        Scale time = new Scale(0, minutes(now, end), 8.2 * em, width - 0.8 * em);
        double top = TimeAxis.HEIGHT_EM * em;
        double row = Math.min(2.6 * em, (height - top - 0.5 * em) / bays.size());
        new TimeAxis(time, now, end, Bench.of(desk.ledger().state()).hours())
                .draw(pen, top, top + row * bays.size());
        Map<String, LiveRun> runs = model.runs();
        for (int i = 0; i < bays.size(); i++) {
            double y = top + i * row;
            pen.line(Hue.RULE, 1, 0, y + row, width, y + row);
            boolean isOut = model.isOut(bays.get(i));
            pen.narrowText(
                    isOut ? Hue.SECOND : Hue.INK,
                    1,
                    false,
                    Anchor.LEFT,
                    0.5 * em,
                    y + row / 2,
                    bays.get(i).name() + (isOut ? "  ▲" : ""));
            LiveRun run = runs.get(bays.get(i).name());
            if (run != null) {
                double until = model.expectedLeft(run).toMinutes();
                bar(pen, time, 0, until, y, row, run.cell().text(), true);
            }
        }
        for (TestSlot each : model.plan().map(TestPlan::planned).orElse(List.of())) {
            int index = index(bays, each.bay());
            if (index >= 0)
                bar(
                        pen,
                        time,
                        minutes(now, each.loadAt()),
                        minutes(now, each.doneAt()),
                        top + index * row,
                        row,
                        each.cell().text(),
                        false);
        }
    }

    private static double minutes(LocalDateTime from, LocalDateTime until) {
        return Duration.between(from, until).toSeconds() / 60.0;
    }

    private static int index(List<Bay> bays, String name) {
        for (int i = 0; i < bays.size(); i++) if (bays.get(i).name().equals(name)) return i;
        return -1;
    }

    private static void bar(
            Pen pen,
            Scale time,
            double from,
            double until,
            double y,
            double row,
            String text,
            boolean runs) {
        double left = time.pixel(Math.max(0, from));
        double right = Math.min(time.last(), time.pixel(until));
        if (right <= left) return;
        double inset = Math.min(3, row / 6);
        if (runs) pen.fill(Hue.MEASURED, 0.85, left, y + inset, right - left - 1, row - 2 * inset);
        else {
            pen.fill(Hue.SHEET, 1, left, y + inset, right - left - 1, row - 2 * inset);
            pen.fill(Hue.MEASURED, 0.12, left, y + inset, right - left - 1, row - 2 * inset);
            pen.frame(Hue.MEASURED, 1, left, y + inset, right - left - 2, row - 2 * inset - 1);
        }
        if (right - left > 4.2 * pen.em())
            pen.narrowText(
                    runs ? Hue.SHEET : Hue.INK,
                    0.95,
                    runs,
                    Anchor.LEFT,
                    left + 0.35 * pen.em(),
                    y + row / 2,
                    text);
    }
}
