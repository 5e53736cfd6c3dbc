package pentacell.desktop.service;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.JoinCheck;
import pentacell.core.service.CanRepair;
import pentacell.core.service.CanRepair.Replacement;
import pentacell.core.service.ServicedPack;
import pentacell.core.service.facts.PackInUse;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Scrolled;
import pentacell.desktop.kit.Wrapping;

/// What is done with the cans that were found, and the record of what was.
final class CanRepairPane extends VBox {
    private static final String NEAR = Quantity.MILLIVOLTS.text(1000 * JoinCheck.GOOD_VOLTS);

    private final ServiceModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final VBox work = new VBox(10);
    private final FittedTable<PackInUse.Change> changes =
            new FittedTable<>("repair-record", "Nothing was mended yet.");

    CanRepairPane(ServiceModel model) {
        this.model = model;
        setId("repair-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("repair-meaning");
        meaning.getStyleClass().add("meaning");
        work.setId("repair-work");
        Scrolled scroll = new Scrolled(work);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        changes.column("On", change -> ServiceWords.day(change.at()))
                .column("Cell", change -> change.cell().text())
                .column("What", change -> change.replacedBy().isPresent() ? "left" : "joined again")
                .column(
                        "In its place",
                        change -> change.replacedBy().map(each -> each.text()).orElse(""))
                .sentence("Why", PackInUse.Change::reason)
                .inThisOrder();
        changes.setPrefHeight(140);
        changes.setMinHeight(90);
        changes.setMaxHeight(180);
        Label caution =
                Wrapping.on(
                        new Label(
                                "Board unplugged first, main lead off, one joint at a time, the rest of the face covered. Eye protection; no flame near an open cell."));
        caution.getStyleClass().add("caption");
        getChildren().addAll(meaning, caution, scroll, changes);
        model.judgedProperty().subscribe(this::show);
    }

    private void show(Optional<ServiceModel.Judged> judged) {
        List<CanRepair> repairs = judged.map(ServiceModel.Judged::repairs).orElse(List.of());
        changes.getItems().setAll(judged.map(now -> now.pack().use().changes()).orElse(List.of()));
        List<Node> blocks = new ArrayList<>();
        for (CanRepair each : repairs) blocks.add(block(each));
        work.getChildren().setAll(blocks);
        meaning.setText(
                judged.map(now -> meaning(now.pack(), repairs))
                        .orElse("Match a pack first (Ctrl+6)."));
    }

    private static String meaning(ServicedPack pack, List<CanRepair> repairs) {
        if (!repairs.isEmpty())
            return "%s to mend in %s."
                    .formatted(Count.of(repairs.size(), "can", "cans"), pack.built().pack().name());
        if (pack.use().changes().isEmpty()) return "No can was found yet: Search leads to it.";
        return "All that was found is mended; read the groups a day and two days after.";
    }

    private Node block(CanRepair repair) {
        String id = repair.can().cell().text();
        Label what =
                Wrapping.on(
                        new Label(
                                "%s%s, group %d: %s"
                                        .formatted(
                                                repair.can().cell(),
                                                repair.can().spots().isEmpty()
                                                        ? ""
                                                        : " at " + ServiceWords.place(repair.can()),
                                                repair.group() + 1,
                                                repair.way().words())));
        what.setId("repair-" + id);
        what.getStyleClass().add("section");
        Label how = Wrapping.on(new Label(how(repair)));
        how.setId("repair-how-" + id);
        VBox block = new VBox(3, what, how);
        block.getStyleClass().add("finding");
        if (repair.way() == CanRepair.Way.REPLACE) {
            repair.replacement()
                    .ifPresent(each -> {
                        ReasonField reason = new ReasonField("repair-reason-" + id);
                        reason.setText(repair.reason());
                        block.getChildren()
                                .add(
                                        ControlRow.of(
                                                reason,
                                                PlainButton.of(
                                                        "Log %s in its place"
                                                                .formatted(
                                                                        each.swap().coming().id()),
                                                        "replaced-" + id,
                                                        () ->
                                                                model.replaced(
                                                                        repair,
                                                                        reason.getText()
                                                                                .strip()))));
                    });
        } else
            block.getChildren()
                    .add(
                            ControlRow.of(
                                    PlainButton.of(
                                            "Log it as joined",
                                            "joined-" + id,
                                            () -> model.reconnected(repair))));
        return block;
    }

    private static String how(CanRepair repair) {
        String inrush =
                "It reads %s, the busbar %s: %s would flow at first; it can take %s."
                        .formatted(
                                Quantity.VOLTAGE.text(repair.can().read().orElse(repair.volts())),
                                Quantity.VOLTAGE.text(repair.volts()),
                                Quantity.CURRENT.text(Math.abs(repair.inrushAmps()), 1),
                                Quantity.CURRENT.text(repair.allowedAmps(), 1));
        return switch (repair.way()) {
            case RECONNECT -> inrush + " Look at its fuse and joint, make them new.";
            case BRING_FIRST ->
                    "%s %s %s alone first, %s gently, until it rests within %s of %s; then join it."
                            .formatted(
                                    inrush,
                                    repair.milliampHours() > 0 ? "Bring in" : "Take out",
                                    Quantity.CAPACITY.text(Math.abs(repair.milliampHours())),
                                    Quantity.HOURS.text(repair.hours()),
                                    NEAR,
                                    Quantity.VOLTAGE.text(repair.volts()));
            case TEST_FIRST ->
                    inrush
                            + " %s: take it out, test its capacity and hold. Only a cell that holds goes back, brought within %s of the bar."
                                    .formatted(Sentence.begin(repair.reason()), NEAR);
            case REPLACE ->
                    "%s. ".formatted(Sentence.begin(repair.reason()))
                            + out(repair)
                            + repair.replacement()
                                    .map(each -> coming(each, repair.volts()))
                                    .orElse(
                                            " No spare and no cell in stock keeps the rules of the match in its place.");
        };
    }

    private static String out(CanRepair repair) {
        return "Take it out%s, tape its ends, store it outside; it is recycled."
                .formatted(
                        repair.strips() > 0
                                ? ": %s to open"
                                        .formatted(
                                                Count.of(
                                                        repair.strips(), "strip end", "strip ends"))
                                : "");
    }

    private static String coming(Replacement coming, double bar) {
        String from = coming.swap().isSpare() ? "from the spares" : "from the stock";
        String cell =
                " %s %s comes, %s."
                        .formatted(
                                coming.swap().coming().id(),
                                from,
                                Quantity.CAPACITY.text(coming.swap().coming().milliampHours()));
        if (coming.milliampHours().isEmpty())
            return cell
                    + " Read its voltage first; it must rest within %s of %s."
                            .formatted(NEAR, Quantity.VOLTAGE.text(bar));
        double charge = coming.milliampHours().getAsDouble();
        return charge == 0
                ? cell + " It rests within %s already.".formatted(NEAR)
                : cell
                        + " %s %s, %s gently, from %s until it rests within %s of %s."
                                .formatted(
                                        charge > 0 ? "Bring in" : "Take out",
                                        Quantity.CAPACITY.text(Math.abs(charge)),
                                        Quantity.HOURS.text(coming.hours().orElse(0)),
                                        Quantity.VOLTAGE.text(coming.volts().orElse(0)),
                                        NEAR,
                                        Quantity.VOLTAGE.text(bar));
    }
}
