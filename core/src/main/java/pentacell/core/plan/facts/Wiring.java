package pentacell.core.plan.facts;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import pentacell.core.conductor.Material;

/// What a pack is to be wired with.
///
/// @param strip what its strips are made of
/// @param stripWidthMillimetres in mm
/// @param stripThicknessMillimetres in mm
/// @param bridges strips side by side from group to group; empty for as many as a compact group has
///   along its side
/// @param leadSquareMillimetres copper of each lead, in mm²; empty for the smallest that does
/// @param leadMetres length of each of the two leads, in m
/// @param connectorAmps what the connector bears, in A, when known
/// @param cellFuse the fuse on each cell, when there is one
/// @param school what to do about loads above the board
public record Wiring(
        Material strip,
        double stripWidthMillimetres,
        double stripThicknessMillimetres,
        OptionalInt bridges,
        OptionalDouble leadSquareMillimetres,
        double leadMetres,
        OptionalDouble connectorAmps,
        Optional<CellFuse> cellFuse,
        BoardSchool school) {
    /// Nickel strip of 0.15 × 8 mm, leads of half a metre (common practice).
    public static final Wiring USUAL =
            new Wiring(
                    Material.NICKEL,
                    8,
                    0.15,
                    OptionalInt.empty(),
                    OptionalDouble.empty(),
                    0.5,
                    OptionalDouble.empty(),
                    Optional.empty(),
                    BoardSchool.BIGGER_BOARD);

    public Wiring {
        Need.requireAmount("a strip's width", stripWidthMillimetres);
        Need.requireAmount("a strip's thickness", stripThicknessMillimetres);
        Need.requireAmount("a lead's length", leadMetres);
        if (bridges.isPresent() && bridges.getAsInt() < 1)
            throw new IllegalArgumentException(
                    "there is at least 1 bridge from group to group, were " + bridges.getAsInt());
        leadSquareMillimetres.ifPresent(area -> Need.requireAmount("a lead's mm²", area));
        connectorAmps.ifPresent(amps -> Need.requireAmount("a connector's amps", amps));
    }
}
