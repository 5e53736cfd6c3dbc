package pentacell.desktop.frame;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.Assembly;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.cell.Cells;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.prove.facts.Proof;
import pentacell.core.prove.facts.Proofs;
import pentacell.core.service.facts.PackInUse;
import pentacell.core.service.facts.PacksInUse;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;

/// A matched pack on the card: how far it is, what its groups hold, what was logged of it. It shows
/// the pack that the station in hand works on.
public final class PackCard extends VBox {
    private final Desk desk;
    private final Label id = new Label();
    private final Label name = Wrapping.on(new Label());
    private final Label verdict = Wrapping.on(new Label());
    private final Figures figures = new Figures();
    private final VBox lines = new VBox();

    public PackCard(Desk desk) {
        this.desk = desk;
        id.setId("pack-card-id");
        id.getStyleClass().add("card-id");
        name.setId("pack-card-name");
        name.getStyleClass().add("card-origin");
        verdict.setId("pack-card-verdict");
        verdict.getStyleClass().add("card-verdict");
        lines.setId("pack-card-lines");
        lines.getStyleClass().add("reasons");
        new CardContent(this, id, name, verdict, figures, lines);
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
        WhenShown.run(this, desk.selection().thingProperty(), this::show);
    }

    private void show() {
        WorkshopState state = desk.ledger().state();
        Optional<Pack> selected =
                desk.selection()
                        .thingProperty()
                        .get()
                        .filter(CurrentSelection.OfPack.class::isInstance)
                        .map(CurrentSelection.OfPack.class::cast)
                        .flatMap(pack -> Packs.of(state).pack(pack.name()));
        figures.clear();
        lines.getChildren().clear();
        if (selected.isEmpty()) {
            id.setText("–");
            name.setText("");
            verdict.setText("No pack is matched yet: match one first (Ctrl+6).");
            return;
        }
        Pack pack = selected.get();
        Assembly assembly = Assemblies.of(state).assembly(pack.name());
        id.setText(pack.rules().arrangement());
        name.setText(pack.name());
        verdict.setText(assembly.standing().words());
        List<OptionalDouble> groups = pack.milliampHours(Cells.of(state));
        boolean isMeasured =
                !groups.isEmpty() && groups.stream().allMatch(OptionalDouble::isPresent);
        double least = groups.stream().mapToDouble(each -> each.orElse(0)).min().orElse(0);
        double most = groups.stream().mapToDouble(each -> each.orElse(0)).max().orElse(0);
        figures.add("Cells", Quantity.COUNT, pack.cellCount());
        figures.add("Smallest group", Quantity.CHARGE, isMeasured ? least / 1000 : Double.NaN);
        figures.add("Spread", Quantity.CAPACITY, isMeasured ? most - least : Double.NaN);
        // later its cells are in it, and no longer fetched from the stock
        if (assembly.standing() == PackStanding.BUILDING)
            line(
                    pack.picked().size() == pack.cellCount()
                            ? "All its cells are picked."
                            : "%d of %s picked."
                                    .formatted(
                                            pack.picked().size(),
                                            Count.of(pack.cellCount(), "cell", "cells")));
        line(assembly.layout().isPresent() ? "A layout is chosen." : "No layout is chosen yet.");
        if (!assembly.standingReason().isEmpty()) line(assembly.standingReason());
        Proof proof = Proofs.of(state).proof(pack.name());
        int tests = proof.tests().size();
        line(
                tests == 0
                        ? proof.setAside().isEmpty()
                                ? "Not load tested yet."
                                : "Load tested with stand-ins only, which proves nothing."
                        : Count.of(tests, "load test", "load tests") + " logged.");
        PackInUse use = PacksInUse.of(state).pack(pack.name());
        if (use.isKnown())
            line(
                    "In use: %s, %s by hand."
                            .formatted(
                                    Count.of(use.logs().size(), "history", "histories"),
                                    Count.of(use.seen().size(), "reading", "readings")));
    }

    private void line(String sentence) {
        Label line = Wrapping.on(new Label(sentence));
        line.getStyleClass().add("reason");
        lines.getChildren().add(line);
    }
}
