package pentacell.desktop.build;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.BuildStep;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.SwapAdvice;
import pentacell.core.build.TrialDrift;
import pentacell.core.build.facts.Assembly;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.journal.Fact;
import pentacell.core.pack.PackFact;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.PackWork;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.When;
import pentacell.desktop.kit.Wrapping;

/// The groups in a rack or clamp kit on the real load, before anything is welded: what drifts, and
/// when the pack is final.
final class TrialPane extends VBox {
    private final BuildModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final TextField reason = new TextField();
    private final Button trial =
            PlainButton.of("Put on trial", "trial-begin", () -> say(PackStanding.TRIAL));
    private final Button make = PlainButton.of("Make it final", "trial-final", this::makeFinal);
    private final Button apart = PlainButton.of("Take it apart", "trial-apart", this::takeApart);
    private final Button other = PlainButton.of("Another at Match", "trial-match", this::atMatch);
    private final Button swap = PlainButton.of("Swap them", "trial-swap", this::swap);
    private final Label advice = Wrapping.on(new Label());
    private Optional<SwapAdvice> advised = Optional.empty();
    private int turn;
    private final FittedTable<TrialDrift.Row> table =
            new FittedTable<>(
                    "trial",
                    "No reading yet. On trial, type one group a line below, such as: g3 3.712");

    TrialPane(BuildModel model) {
        this.model = model;
        setId("trial-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("trial-meaning");
        meaning.getStyleClass().add("meaning");
        message.setId("trial-message");
        message.getStyleClass().add("match-message");
        reason.setId("trial-reason");
        reason.setPromptText("where and how, or why");
        reason.setPrefColumnCount(24);
        table.count("Group", row -> row.group() + 1)
                .column("", row -> row.isOdd() ? "▲ strays: look at its cells" : "")
                .column("First read", row -> when(row.first().at()))
                .measured(
                        "First / V",
                        Quantity.VOLTAGE,
                        row -> OptionalDouble.of(row.first().volts()))
                .column("Last read", row -> when(row.last().at()))
                .measured(
                        "Last / V", Quantity.VOLTAGE, row -> OptionalDouble.of(row.last().volts()))
                .count("Readings", TrialDrift.Row::readings)
                .measured(
                        "Against the others / mV",
                        Quantity.MILLIVOLTS,
                        row ->
                                row.readings() > 1
                                        ? OptionalDouble.of(1000 * row.againstOthersVolts())
                                        : OptionalDouble.empty())
                .inThisOrder();
        VBox.setVgrow(table, Priority.ALWAYS);
        make.getStyleClass().add("primary");
        getChildren()
                .addAll(
                        meaning,
                        ControlRow.of(
                                new Label("Remark"), reason, trial, make, ControlRow.gap(), apart),
                        message,
                        advised(),
                        table);
        OnlyWhenSaid.of(message);
        model.builtProperty().subscribe(this::show);
    }

    private HBox advised() {
        advice.setId("trial-advice");
        HBox.setHgrow(advice, Priority.ALWAYS);
        HBox row = new HBox(8, advice, swap, other);
        row.setAlignment(Pos.CENTER_LEFT);
        for (Button each : List.of(swap, other)) each.setMinWidth(USE_PREF_SIZE);
        row.visibleProperty().bind(advice.textProperty().isNotEmpty());
        row.managedProperty().bind(row.visibleProperty());
        return row;
    }

    /// Names the cell that should leave a group that strays low, and the one to come.
    private void advise(Optional<TrialDrift.Row> low) {
        int number = ++turn;
        if (low.isEmpty()) {
            advised = Optional.empty();
            advice.setText("");
            return;
        }
        int group = low.get().group();
        String pack = model.packProperty().get();
        WorkshopState state = model.desk().ledger().state();
        JudgedStock judged = model.desk().ledger().judged();
        // the whole stock is looked through
        model.desk()
                .work()
                .lane("trial")
                .run(
                        () -> SwapAdvice.of(state, judged, pack, group, 1).stream().findFirst(),
                        found -> {
                            if (number == turn) showAdvice(group, found);
                        });
    }

    private void showAdvice(int group, Optional<SwapAdvice> found) {
        advised = found;
        swap.setDisable(found.isEmpty());
        advice.setText(
                found.map(each ->
                                "Group %d: %s; by what was measured it has %s then, %s now."
                                        .formatted(
                                                group + 1,
                                                each.sentence(),
                                                Quantity.CHARGE.text(each.groupAmpHoursAfter(), 2),
                                                Quantity.CHARGE.text(each.groupAmpHours(), 2)))
                        .orElse(
                                "Group %d needs another cell, and none in stock keeps the rules of the match."
                                        .formatted(group + 1)));
    }

    /// The layout keeps its places: the new cell stands where the old one stood.
    private void swap() {
        if (advised.isEmpty()) return;
        SwapAdvice now = advised.get();
        String pack = model.packProperty().get();
        model.desk()
                .ledger()
                .log(
                        "Swap %s for %s".formatted(now.leaving(), now.coming().id()),
                        List.of(
                                new PackFact.CellsSwapped(pack, now.leaving(), now.coming().id()),
                                new AssemblyFact.CellPut(
                                        pack, now.leaving(), AssemblyFact.Put.OUT)),
                        () ->
                                model.desk()
                                        .notices()
                                        .say(
                                                "%s is in the place of %s; read the group again after some cycles."
                                                        .formatted(
                                                                now.coming().id(), now.leaving())));
    }

    private void atMatch() {
        model.desk()
                .selection()
                .handOver(new PackWork(model.packProperty().get(), PackWork.Kind.MATCH));
    }

    private static String when(Instant at) {
        return When.DAY.words(at.atZone(ZoneId.systemDefault()));
    }

    private void say(PackStanding standing) {
        String pack = model.packProperty().get();
        message.setText("");
        model.log(
                "%s is %s".formatted(pack, standing.words()),
                List.of(new AssemblyFact.StandingSaid(pack, standing, reason.getText().strip())),
                "%s is %s.".formatted(pack, standing.words()));
        reason.clear();
    }

    /// A pack is final when its work is done; else a reason is wanted.
    private void makeFinal() {
        List<BuildStep> open =
                model
                        .builtProperty()
                        .get()
                        .map(pack -> pack.steps(model.laidOut()))
                        .orElse(List.of())
                        .stream()
                        .filter(step -> !model.assembly().ticked().containsKey(step.code()))
                        .toList();
        if (!open.isEmpty() && reason.getText().isBlank()) {
            message.setText(
                    "%s not ticked yet, the first: %s. To make it final all the same, write why."
                            .formatted(
                                    Count.of(open.size(), "step is", "steps are"),
                                    open.get(0).title()));
            return;
        }
        say(PackStanding.FINAL);
    }

    /// Its cells go back to the stock; the record of it stays.
    private void takeApart() {
        String pack = model.packProperty().get();
        List<Fact> facts = new ArrayList<>();
        facts.add(
                new AssemblyFact.StandingSaid(pack, PackStanding.APART, reason.getText().strip()));
        facts.add(new PackFact.PackDissolved(pack));
        model.desk()
                .ledger()
                .log(
                        "Take apart " + pack,
                        facts,
                        () ->
                                model.desk()
                                        .notices()
                                        .say(
                                                "The cells of “%s” are free again; Ctrl+Z takes that back."
                                                        .formatted(pack)));
    }

    private void show(Optional<PackToBuild> built) {
        Assembly assembly = model.assembly();
        boolean isTrial = assembly.standing() == PackStanding.TRIAL;
        boolean isOpen = isTrial || assembly.standing() == PackStanding.BUILDING;
        trial.setDisable(built.isEmpty() || assembly.standing() != PackStanding.BUILDING);
        make.setDisable(built.isEmpty() || !isOpen);
        apart.setDisable(built.isEmpty() || !isOpen);
        List<TrialDrift.Row> rows =
                built.map(pack ->
                                TrialDrift.of(
                                        assembly.readings(),
                                        pack.groups().size(),
                                        isTrial
                                                ? assembly.standingSince().orElse(Instant.EPOCH)
                                                : Instant.EPOCH))
                        .orElse(List.of());
        table.getItems().setAll(rows);
        advise(
                TrialDrift.oddest(rows)
                        .filter(odd ->
                                built.isPresent() && isTrial && odd.againstOthersVolts() < 0));
        meaning.setText(built.isEmpty() ? "Match a pack first (Ctrl+6)." : meaning(assembly, rows));
    }

    private static String meaning(Assembly assembly, List<TrialDrift.Row> rows) {
        String since =
                assembly.standingSince()
                        .map(at -> " since " + when(at))
                        .orElse("")
                        .concat(
                                assembly.standingReason().isEmpty()
                                        ? ""
                                        : ": " + assembly.standingReason());
        return switch (assembly.standing()) {
            case BUILDING ->
                    "In the making. A trial in a rack, on the real load, shows weak groups before anything is welded.";
            case TRIAL ->
                    TrialDrift.oddest(rows)
                            .map(odd ->
                                    "On trial%s. Group %d strays by %s."
                                            .formatted(
                                                    since,
                                                    odd.group() + 1,
                                                    Quantity.MILLIVOLTS.text(
                                                            1000 * odd.againstOthersVolts())))
                            .orElse(
                                    "On trial%s. %s"
                                            .formatted(
                                                    since,
                                                    rows.stream()
                                                                    .anyMatch(row ->
                                                                            row.readings() > 1)
                                                            ? "No group strays."
                                                            : "Read its groups twice, some cycles apart."));
            case FINAL -> "Final" + since + ".";
            case APART -> "Taken apart" + since + ".";
        };
    }
}
