package pentacell.desktop.build;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.BalancePlan;
import pentacell.core.build.JoinCheck;
import pentacell.core.build.JoinCheck.Verdict;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.Balancing;
import pentacell.core.build.facts.Joining;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.Wrapping;

/// Whether what is to be joined may be joined as it rests, what must be brought up or down first,
/// and how long balancing takes.
final class JoiningPane extends VBox {
    private static final double DEFAULT_BRING_AMPS = 0.5;
    private static final double DEFAULT_SUPPLY_AMPS = 5;
    private static final int MOST_BRINGS = 6;

    private final BuildModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final Label bring = Wrapping.on(new Label());
    private final Label hours = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final ComboBox<Joining> joining = new ComboBox<>();
    private final ComboBox<Balancing> balancing = new ComboBox<>();
    private final NumberField supply;
    private final NumberField end;
    private final FittedTable<Row> table =
            new FittedTable<>("joining", "Match a pack first (Ctrl+6).");
    private boolean isFilling;

    /// A line of the table.
    ///
    /// @param read parts of which the voltage is known
    private record Row(String name, int read, int of, Optional<Verdict> verdict) {
        OptionalDouble lowest() {
            return verdict.map(each ->
                            each.flows().stream().mapToDouble(flow -> flow.part().volts()).min())
                    .orElse(OptionalDouble.empty());
        }

        OptionalDouble spreadMillivolts() {
            return verdict.map(each -> OptionalDouble.of(1000 * each.spreadVolts()))
                    .orElse(OptionalDouble.empty());
        }

        OptionalDouble amps() {
            return verdict.map(each -> OptionalDouble.of(each.mostAmps()))
                    .orElse(OptionalDouble.empty());
        }

        OptionalDouble milliampHours() {
            return verdict.map(each ->
                            each.flows().stream()
                                    .mapToDouble(flow -> Math.abs(flow.milliampHours()))
                                    .max())
                    .orElse(OptionalDouble.empty());
        }
    }

    JoiningPane(BuildModel model) {
        this.model = model;
        setId("joining-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("joining-meaning");
        meaning.getStyleClass().add("meaning");
        bring.setId("joining-bring");
        hours.setId("balance-hours");
        message.setId("joining-message");
        joining.setId("joining-choice");
        joining.getItems().setAll(Joining.values());
        joining.setConverter(new EnumWords<>(Joining::words));
        joining.valueProperty()
                .subscribe(value -> {
                    if (value != null && !isFilling)
                        model.log(
                                "Join " + model.packProperty().get() + ": " + value.words(),
                                List.of(
                                        new AssemblyFact.JoiningChosen(
                                                model.packProperty().get(), value)));
                });
        balancing.setId("balancing-choice");
        balancing.getItems().setAll(Balancing.values());
        balancing.setConverter(new EnumWords<>(Balancing::words));
        balancing
                .valueProperty()
                .subscribe(value -> {
                    if (value != null && !isFilling)
                        model.log(
                                "Balance " + model.packProperty().get() + ": " + value.words(),
                                List.of(
                                        new AssemblyFact.BalancingChosen(
                                                model.packProperty().get(), value)));
                });
        supply =
                field(
                        "balance-amps",
                        "Supply or load / A",
                        DEFAULT_SUPPLY_AMPS,
                        "amps of the supply");
        end = field("balance-end", "Ends at / A", 1, "amps where the charge ends");
        table.column("", Row::name)
                .number("Read", row -> "%d of %d".formatted(row.read(), row.of()))
                .measured("Lowest / V", Quantity.VOLTAGE, Row::lowest)
                .measured("Spread / mV", Quantity.MILLIVOLTS, Row::spreadMillivolts)
                .measured("Flows first / A", Quantity.CURRENT, Row::amps)
                .measured("In all / mAh", Quantity.CAPACITY, Row::milliampHours)
                .sentence("", this::words)
                .inThisOrder();
        for (NumberField each : List.of(supply, end))
            each.field().textProperty().subscribe(text -> showHours());
        VBox.setVgrow(table, Priority.ALWAYS);
        table.setMinHeight(150);
        getChildren()
                .addAll(
                        meaning,
                        table,
                        bring,
                        ControlRow.of(
                                captioned("Joined by", joining),
                                captioned("Balanced by", balancing),
                                supply,
                                end),
                        hours,
                        message);
        OnlyWhenSaid.of(bring, hours, message);
        model.builtProperty().subscribe(this::show);
    }

    private static VBox captioned(String caption, ComboBox<?> box) {
        Label label = new Label(caption);
        label.getStyleClass().add("caption");
        label.setLabelFor(box);
        box.setMinWidth(170);
        return new VBox(label, box);
    }

    private NumberField field(String id, String caption, double value, String expected) {
        NumberField field =
                new NumberField(
                        id,
                        caption,
                        NumberField.plain(value),
                        expected,
                        0.001,
                        1000,
                        message::setText);
        field.setMaxWidth(150);
        return field;
    }

    private void show(Optional<PackToBuild> built) {
        isFilling = true;
        joining.setValue(model.assembly().joining());
        balancing.setValue(model.assembly().balancing());
        isFilling = false;
        List<Row> rows = built.map(JoiningPane::rows).orElse(List.of());
        table.getItems().setAll(rows);
        meaning.setText(built.map(pack -> meaning(pack, rows)).orElse(""));
        bring.setText(bring(rows));
        showHours();
    }

    private static List<Row> rows(PackToBuild pack) {
        List<Row> rows = new ArrayList<>();
        int series = pack.groups().size();
        for (int group = 0; group < series; group++)
            rows.add(
                    row(
                            "Group " + (group + 1),
                            pack.groups().get(group).size(),
                            pack.joiningCells(group)));
        if (series > 1) rows.add(row("Group beside group", series, pack.joiningGroups()));
        return rows;
    }

    private static Row row(String name, int of, Optional<Verdict> verdict) {
        return new Row(name, verdict.map(each -> each.flows().size()).orElse(0), of, verdict);
    }

    private String words(Row row) {
        if (row.verdict().isEmpty()) return "not read yet";
        Verdict verdict = row.verdict().get();
        boolean mayEver = verdict.level() != JoinCheck.Level.NEVER;
        OptionalDouble fuse =
                model.builtProperty()
                        .get()
                        .map(PackToBuild::cellFuseAmps)
                        .orElse(OptionalDouble.empty());
        if (mayEver && fuse.isPresent() && verdict.mostAmpsOfACan() > fuse.getAsDouble())
            return "■ the fuse on a cell would open, at %s"
                    .formatted(Quantity.CURRENT.text(fuse.getAsDouble(), 1));
        Optional<JoinCheck.Flow> tooMuch = verdict.tooMuch();
        if (tooMuch.isPresent() && verdict.mayJoin(false))
            return "▲ %s for a moment is more than %s should take"
                    .formatted(
                            Quantity.CURRENT.text(Math.abs(tooMuch.get().firstAmps())),
                            tooMuch.get().part().id());
        return switch (verdict.level()) {
            case GOOD -> row.read() < row.of() ? "good as far as read" : "join them";
            case MAY -> "may be joined; a little flows";
            case FUSED_ONLY -> "▲ only with a fuse on each";
            case FIRST_EVEN -> "■ even them out first";
            case NEVER ->
                    "■ never join %s: below the end voltage or overcharged"
                            .formatted(
                                    verdict.never().stream()
                                            .map(each -> each.id().text())
                                            .collect(Collectors.joining(", ")));
        };
    }

    private static String meaning(PackToBuild pack, List<Row> rows) {
        List<Row> groups = rows.subList(0, pack.groups().size());
        long unread = groups.stream().filter(row -> row.read() < row.of()).count();
        List<String> not =
                groups.stream()
                        .filter(row ->
                                row.verdict()
                                        .filter(each -> !each.mayJoin(pack.hasCellFuses()))
                                        .isPresent())
                        .map(row -> row.name().replace("Group ", ""))
                        .toList();
        if (rows.stream()
                .flatMap(row -> row.verdict().stream())
                .anyMatch(each -> each.level() == JoinCheck.Level.NEVER))
            return "Cells below the end voltage or overcharged are never joined: test or replace them, then match again.";
        if (!not.isEmpty())
            return "Do not join %s yet: cells more than %s apart."
                    .formatted(
                            not.size() == 1
                                    ? "group " + not.get(0)
                                    : "groups "
                                            + String.join(", ", not.subList(0, not.size() - 1))
                                            + " and "
                                            + not.get(not.size() - 1),
                            Quantity.VOLTAGE.text(
                                    pack.hasCellFuses()
                                            ? JoinCheck.MOST_FUSED_VOLTS
                                            : JoinCheck.MOST_VOLTS,
                                    2));
        if (groups.stream().allMatch(row -> row.read() == 0))
            return "No cell was read since it was tested. Read each at rest, such as: HB03-07 3.68";
        if (unread > 0)
            return "%s still to be read; what was read may be joined."
                    .formatted(
                            Count.of(
                                    groups.stream().mapToInt(row -> row.of() - row.read()).sum(),
                                    "cell is",
                                    "cells are"));
        return "Every group may be joined: no two of its cells are more than %s apart."
                .formatted(
                        Quantity.MILLIVOLTS.text(
                                groups.stream()
                                        .mapToDouble(row -> row.spreadMillivolts().orElse(0))
                                        .max()
                                        .orElse(0)));
    }

    private static String bring(List<Row> rows) {
        List<String> lines = new ArrayList<>();
        for (Row row : rows)
            row.verdict()
                    .ifPresent(verdict ->
                            verdict.bring()
                                    .forEach(each ->
                                            lines.add(
                                                    "%s: from %s to %s, %s, %s at %s."
                                                            .formatted(
                                                                    each.part().id(),
                                                                    Quantity.VOLTAGE.text(
                                                                            each.part().volts()),
                                                                    Quantity.VOLTAGE.text(
                                                                            each.toVolts()),
                                                                    Quantity.CAPACITY.text(
                                                                            Math.abs(
                                                                                    each
                                                                                            .milliampHours())),
                                                                    Quantity.HOURS.text(
                                                                            each.hours(
                                                                                    DEFAULT_BRING_AMPS)),
                                                                    Quantity.CURRENT.text(
                                                                            DEFAULT_BRING_AMPS)))));
        if (lines.isEmpty()) return "";
        int more = lines.size() - MOST_BRINGS;
        return "Bring first, then let them rest an hour and read again:\n"
                + String.join("\n", lines.subList(0, Math.min(MOST_BRINGS, lines.size())))
                + (more > 0 ? "\nand " + Count.of(more, "cell more", "cells more") + "." : "");
    }

    private void showHours() {
        message.setText("");
        Optional<PackToBuild> built = model.builtProperty().get();
        boolean isTop = model.assembly().balancing() == Balancing.TOP;
        boolean isBoard = model.assembly().balancing() == Balancing.BOARD;
        end.setVisible(isTop);
        end.setManaged(isTop);
        supply.setVisible(!isBoard);
        supply.setManaged(!isBoard);
        if (built.isEmpty() || !supply.isUnderstood() || !end.isUnderstood()) {
            hours.setText("");
            return;
        }
        hours.setText(
                hours(
                        built.get(),
                        supply.typed().orElse(DEFAULT_SUPPLY_AMPS),
                        end.typed().orElse(1)));
    }

    private String hours(PackToBuild pack, double amps, double endAmps) {
        List<BalancePlan.Group> groups = pack.toBalance();
        if (groups.size() < pack.groups().size())
            return "How long balancing takes is told when every group was read.";
        double ampHours = groups.stream().mapToDouble(BalancePlan.Group::ampHours).sum();
        return switch (model.assembly().balancing()) {
            case TOP -> {
                if (endAmps >= amps)
                    yield "A top balance ends at less than the supply gives: lower \"Ends at\".";
                OptionalDouble known =
                        BalancePlan.topHours(groups, pack.chemistry(), amps, endAmps);
                yield known.isEmpty()
                        ? "A top balance at %s would take longer than three months."
                                .formatted(Quantity.CURRENT.text(amps))
                        : "Top balance: %s side by side at %s until the current falls to %s: %s."
                                .formatted(
                                        Quantity.CHARGE.text(ampHours),
                                        Quantity.VOLTAGE.text(
                                                pack.chemistry().chargeLimitVolts(), 2),
                                        Quantity.CURRENT.text(endAmps),
                                        time(known.getAsDouble()));
            }
            case BOTTOM ->
                    "Bottom balance: %s side by side until they rest at %s, at %s: %s. Charge it in full view afterwards, groups watched."
                            .formatted(
                                    Quantity.CHARGE.text(ampHours),
                                    Quantity.VOLTAGE.text(pack.chemistry().restingEmptyVolts(), 2),
                                    Quantity.CURRENT.text(amps),
                                    time(BalancePlan.bottomHours(groups, pack.chemistry(), amps)));
            case BOARD ->
                    pack.balancerMilliamps().isEmpty()
                            ? "How long the board takes is told by its balancing current: name the board and its mA under Plan."
                            : "The board's balancer takes %s at its %s, near full only."
                                    .formatted(
                                            time(
                                                    BalancePlan.boardHours(
                                                            groups,
                                                            pack.chemistry(),
                                                            pack.balancerMilliamps()
                                                                    .getAsDouble())),
                                            "%.0f mA"
                                                    .formatted(
                                                            pack.balancerMilliamps()
                                                                    .getAsDouble()));
        };
    }

    private static String time(double hours) {
        return hours < 48
                ? Quantity.HOURS.text(hours)
                : "%s, %s".formatted(Quantity.DAYS.text(hours / 24), Quantity.HOURS.text(hours, 0));
    }
}
