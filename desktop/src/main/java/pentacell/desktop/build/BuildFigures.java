package pentacell.desktop.build;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.PackCurrents;
import pentacell.core.build.PackToBuild;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.FigureRow;

/// The loudest numbers of the pack that is built.
final class BuildFigures {
    private final FigureRow row = new FigureRow();
    private final Label arrangement = row.loudest("build-arrangement", "Pack");
    private final Label standing = row.figure("build-standing", "Stands");
    private final Label amps = row.figure("build-amps", "Current / A");
    private final Label lost = row.figure("build-lost", "Lost / W");
    private final Label share = row.figure("build-share", "Worst share");
    private final Label size = row.figure("build-size", "Cans / mm");

    Node node() {
        return row.node();
    }

    void show(Optional<PackToBuild> built, Optional<JudgedLayout> shown) {
        arrangement.setText(built.map(each -> each.pack().rules().arrangement()).orElse("–"));
        standing.setText(built.map(each -> each.assembly().standing().words()).orElse("–"));
        Optional<PackCurrents> currents = shown.flatMap(JudgedLayout::currents);
        amps.setText(currents.map(each -> Quantity.CURRENT.number(each.amps())).orElse("–"));
        lost.setText(
                currents.map(each -> Quantity.POWER.number(each.conductorWatts(), 2)).orElse("–"));
        share.setText(
                currents.filter(each -> !Double.isNaN(each.worstShare()))
                        .map(each -> Quantity.RATIO.number(each.worstShare(), 2))
                        .orElse("–"));
        size.setText(
                shown.map(each ->
                                "%s × %s"
                                        .formatted(
                                                Quantity.LENGTH.number(each.lengthMillimetres(), 0),
                                                Quantity.LENGTH.number(each.widthMillimetres(), 0)))
                        .orElse("–"));
    }
}
