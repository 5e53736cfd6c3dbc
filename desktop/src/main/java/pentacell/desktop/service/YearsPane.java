package pentacell.desktop.service;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.cell.CellFact;
import pentacell.core.journal.Fact;
import pentacell.core.pack.PackFact;
import pentacell.core.service.EndOfLife;
import pentacell.core.service.GroupTrend;
import pentacell.core.service.ServiceDue;
import pentacell.core.service.ServicedPack;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Wrapping;
import pentacell.reports.TestCalendar;

/// How the groups wear, until when they will do, what is due, and what becomes of the cells in the
/// end.
final class YearsPane extends VBox {
    private final ServiceModel model;
    private final FileAsk files;
    private final Label meaning = Wrapping.on(new Label());
    private final Label due = Wrapping.on(new Label());
    private final Label end = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final TrendPicture picture = new TrendPicture();
    private final ReasonField reason = new ReasonField("years-reason");
    private final FittedTable<Row> table =
            new FittedTable<>("years-groups", "No group was tested yet: type retest g2 23.9Ah");

    /// A group with its trend.
    private record Row(int group, GroupTrend trend, double wanted) {
        Optional<GroupTrend.Forecast> under() {
            return trend.under(wanted);
        }
    }

    YearsPane(ServiceModel model, FileAsk files) {
        this.model = model;
        this.files = files;
        setId("years-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("years-meaning");
        meaning.getStyleClass().add("meaning");
        due.setId("years-due");
        end.setId("years-end");
        message.setId("years-message");
        message.getStyleClass().add("match-message");
        table.count("Group", row -> row.group() + 1)
                .count("Tests", row -> row.trend().tests().size())
                .number("First / Ah", row -> ampHours(row.trend().first().ampHours()))
                .number("Last / Ah", row -> ampHours(row.trend().last().ampHours()))
                .number("Change / %", row -> change(row.trend()))
                .number("A year / Ah", row -> aYear(row.trend()))
                .column(
                        "Below what is wanted",
                        row -> row.under().map(each -> ServiceWords.day(each.at())).orElse("–"))
                .inThisOrder();
        table.setPrefHeight(150);
        table.setMinHeight(90);
        table.setMaxHeight(190);
        VBox.setVgrow(picture, Priority.ALWAYS);
        getChildren()
                .addAll(
                        meaning,
                        picture,
                        table,
                        ControlRow.of(
                                due,
                                ControlRow.gap(),
                                PlainButton.of(
                                        "Save the calendar", "years-calendar", this::calendar)),
                        ControlRow.of(
                                end,
                                ControlRow.gap(),
                                reason,
                                PlainButton.of("Take it apart", "years-apart", this::takeApart)),
                        message);
        OnlyWhenSaid.of(due, end, message);
        model.judgedProperty().subscribe(this::show);
    }

    private static String ampHours(double figure) {
        return Quantity.CHARGE.number(figure, 1);
    }

    private static String change(GroupTrend trend) {
        return trend.tests().size() < 2 ? "–" : Quantity.PERCENT.number(trend.changePercent());
    }

    private static String aYear(GroupTrend trend) {
        return trend.tests().size() < 2
                ? "–"
                : Quantity.CHARGE.number(trend.ampHoursAYear())
                        + " ± "
                        + Quantity.CHARGE.number(trend.errorAYear());
    }

    private LocalDate today() {
        return LocalDate.ofInstant(model.desk().now(), ZoneId.systemDefault());
    }

    private void show(Optional<ServiceModel.Judged> judged) {
        Optional<ServicedPack> pack = judged.map(ServiceModel.Judged::pack);
        List<Row> rows =
                pack.map(now ->
                                now.trends().entrySet().stream()
                                        .map(each ->
                                                new Row(
                                                        each.getKey(),
                                                        each.getValue(),
                                                        now.wanted().ampHours()))
                                        .toList())
                        .orElse(List.of());
        table.getItems().setAll(rows);
        picture.show(pack, today());
        meaning.setText(pack.map(now -> meaning(now, rows)).orElse("Match a pack first (Ctrl+6)."));
        due.setText(pack.map(this::due).orElse(""));
        end.setText(judged.map(now -> end(now.end())).orElse(""));
    }

    private static String meaning(ServicedPack pack, List<Row> rows) {
        String share = Quantity.PERCENT.text(100 * ServicedPack.END_SHARE, 0);
        String wanted =
                "%s, %s"
                        .formatted(
                                Quantity.CHARGE.text(pack.wanted().ampHours(), 1),
                                switch (pack.wanted().source()) {
                                    case PLAN -> "what its plan takes";
                                    case SHARE_OF_FIRST ->
                                            pack.trends().isEmpty()
                                                    ? share + " of what its cells held"
                                                    : share + " of what it gave first";
                                });
        if (rows.isEmpty())
            return "No group was tested in use yet; wanted of each is " + wanted + ".";
        Optional<Row> first =
                rows.stream()
                        .filter(row -> row.under().isPresent())
                        .min(Comparator.comparing(row -> row.under().orElseThrow().at()));
        if (first.isEmpty()) {
            Row any = rows.get(0);
            return any.trend().tests().size() < 2
                    ? "One test tells no trend yet; wanted of each group is " + wanted + "."
                    : "No group wears so that it could be told when it will be below "
                            + wanted
                            + ".";
        }
        Row row = first.get();
        GroupTrend.Forecast under = row.under().orElseThrow();
        return "Group %d gave %s on %s, %s %s in %s. On this trend it falls below %s, in about %s (%s)."
                .formatted(
                        row.group() + 1,
                        Quantity.CHARGE.text(row.trend().last().ampHours(), 1),
                        ServiceWords.day(row.trend().last().on()),
                        Quantity.PERCENT.text(Math.abs(row.trend().changePercent())),
                        row.trend().changePercent() < 0 ? "less" : "more",
                        span(row.trend()),
                        wanted,
                        under.at().getYear(),
                        under.latest()
                                .map(each ->
                                        "%d to %d"
                                                .formatted(
                                                        under.earliest().getYear(), each.getYear()))
                                .orElse(under.earliest().getYear() + " at the earliest"));
    }

    /// Months up to two years, then years.
    private static String span(GroupTrend trend) {
        int months = (int) Math.round(12 * trend.years());
        return months < 24
                ? Count.of(months, "month", "months")
                : Quantity.COUNT.number(trend.years(), 1) + " years";
    }

    private String due(ServicedPack pack) {
        List<ServiceDue> all = pack.due();
        if (all.isEmpty()) return "";
        return "Due: "
                + all.stream()
                        .map(each ->
                                "%s %s"
                                        .formatted(
                                                each.kind().words(),
                                                each.at().isAfter(model.desk().now())
                                                        ? "on " + ServiceWords.day(each.at())
                                                        : "now"))
                        .collect(Collectors.joining("; "))
                + ".";
    }

    private static String end(EndOfLife end) {
        Map<String, Long> why =
                end.recycled().stream()
                        .collect(
                                Collectors.groupingBy(
                                        each -> each.recycled().orElse(""), Collectors.counting()));
        return "Taken apart, %s would go back to the stock and %s to the recycle box%s."
                .formatted(
                        Count.of(end.kept().size(), "cell", "cells"),
                        end.recycled().isEmpty() ? "none" : String.valueOf(end.recycled().size()),
                        why.isEmpty() || why.size() > 3
                                ? ""
                                : " (" + String.join("; ", why.keySet()) + ")");
    }

    private void calendar() {
        Optional<ServicedPack> pack = model.judgedProperty().get().map(ServiceModel.Judged::pack);
        List<ServiceDue> all = pack.map(ServicedPack::due).orElse(List.of());
        if (all.isEmpty()) {
            message.setText("Nothing is due for it: log a history or a test first.");
            return;
        }
        message.setText("");
        ZoneId zone = ZoneId.systemDefault();
        String name = model.inHand().name();
        Saving.saveText(
                model.desk(),
                files,
                "Save the calendar",
                "service " + name + ".ics",
                TestCalendar.of(
                        all.stream()
                                .map(each ->
                                        new TestCalendar.Event(
                                                LocalDateTime.ofInstant(each.at(), zone),
                                                name + ": " + each.kind().words(),
                                                ""))
                                .toList(),
                        model.desk().now(),
                        zone));
    }

    /// Cells go back to the stock or to the recycle box; the record of the pack stays.
    private void takeApart() {
        Optional<ServiceModel.Judged> judged = model.judgedProperty().get();
        if (judged.isEmpty()) return;
        if (reason.getText().isBlank()) {
            message.setText("Write why it is taken apart; the reason stays with the pack.");
            return;
        }
        String pack = model.inHand().name();
        List<Fact> facts = new ArrayList<>();
        facts.add(
                new AssemblyFact.StandingSaid(pack, PackStanding.APART, reason.getText().strip()));
        for (EndOfLife.Cell each : judged.get().end().recycled())
            facts.add(
                    new CellFact.CellDecided(
                            each.id(), CellFact.Decision.OUT, each.recycled().orElse("")));
        facts.add(new PackFact.PackDissolved(pack));
        message.setText("");
        reason.clear();
        model.log("Take apart " + pack, facts.toArray(Fact[]::new));
    }
}
