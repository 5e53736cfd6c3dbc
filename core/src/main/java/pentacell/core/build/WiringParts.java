package pentacell.core.build;

import java.util.Optional;
import pentacell.core.conductor.Conductor;
import pentacell.core.conductor.Material;
import pentacell.core.conductor.Section;
import pentacell.core.plan.facts.CellFuse;
import pentacell.core.plan.facts.Wiring;

/// What a pack is wired with.
///
/// @param strip material of strips
/// @param stripSection one layer of them
/// @param leadSquareMillimetres copper of leads and output bars, in mm²
/// @param leadMetres length of each lead, in m
/// @param cellFuseOhms resistance of the fuse on each cell, in Ω; 0 without one
/// @param layerMillimetres height of a layer of cans, which a link from one to the next may have to
///   pass, in mm
public record WiringParts(
        Material strip,
        Section.Strip stripSection,
        double leadSquareMillimetres,
        double leadMetres,
        double cellFuseOhms,
        double layerMillimetres) {
    /// Length of a fuse wire between strip and can, in m (common practice).
    private static final double FUSE_WIRE_METRES = 0.008;

    private static final double WARM_CELSIUS = 40;

    /// As it was planned.
    public static WiringParts of(
            Wiring wiring, double leadSquareMillimetres, double layerMillimetres) {
        return new WiringParts(
                wiring.strip(),
                new Section.Strip(
                        wiring.stripWidthMillimetres(), wiring.stripThicknessMillimetres()),
                leadSquareMillimetres,
                wiring.leadMetres(),
                fuseOhms(wiring.cellFuse()),
                layerMillimetres);
    }

    private static double fuseOhms(Optional<CellFuse> fuse) {
        return fuse.filter(each -> each.kind() == CellFuse.Kind.COPPER_WIRE)
                .map(wire ->
                        new Conductor(
                                        Material.COPPER,
                                        new Section.Round(wire.figure()),
                                        FUSE_WIRE_METRES,
                                        1)
                                .ohms(WARM_CELSIUS))
                .orElse(0.0);
    }

    Conductor strip(double millimetres, int layers) {
        return new Conductor(strip, stripSection, millimetres / 1000, layers);
    }

    Conductor bar(double millimetres) {
        return copper(millimetres / 1000);
    }

    Conductor lead() {
        return copper(leadMetres);
    }

    private Conductor copper(double metres) {
        return new Conductor(Material.COPPER, new Section.Area(leadSquareMillimetres), metres, 1);
    }
}
