package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import pentacell.core.conductor.Material;
import pentacell.core.plan.facts.BoardSchool;
import pentacell.core.plan.facts.CellFuse;
import pentacell.core.plan.facts.Wiring;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.NumberField;

/// What a pack is wired with, as it is typed.
final class WiringFields {
    private final ComboBox<Material> strip;
    private final ComboBox<BoardSchool> school;
    private final NumberField stripWidth;
    private final NumberField stripThickness;
    private final NumberField bridges;
    private final NumberField leadArea;
    private final NumberField leadMetres;
    private final NumberField connector;
    private final NumberField fuseWire;
    private final NumberField fuseAmps;

    WiringFields(TypedFields fields) {
        strip = fields.choice("need-strip", List.of(Material.values()));
        strip.setConverter(new EnumWords<>(each -> each.code().replace('-', ' ')));
        school = fields.choice("need-board-school", List.of(BoardSchool.values()));
        school.setConverter(
                new EnumWords<>(each ->
                        switch (each) {
                            case BIGGER_BOARD -> "A larger board or a contactor";
                            case PAST_THE_BOARD -> "Led past it, with an alarm";
                        }));
        stripWidth = fields.number("need-strip-width", "Width / mm", "mm", 0.1, 1000);
        stripThickness = fields.number("need-strip-thickness", "Thickness / mm", "mm", 0.01, 100);
        bridges =
                fields.number("need-bridges", "Bridges", "bridges from group to group", 1, 2000)
                        .whole()
                        .empty("as compact");
        leadArea =
                fields.number("need-lead-area", "Leads / mm²", "mm²", 0.01, 1e4).empty("smallest");
        leadMetres = fields.number("need-lead-metres", "Each / m", "metres", 0.01, 1000);
        connector = fields.number("need-connector", "Connector / A", "amps", 0.1, 1e5);
        fuseWire = fields.number("need-fuse-wire", "Cell fuse, copper wire / mm", "mm", 0.01, 10);
        fuseAmps = fields.number("need-fuse-amps", "or opens at / A", "amps", 0.1, 1000);
    }

    /// What to do about loads above the board; it stands with the board.
    Node school() {
        return school;
    }

    Node section() {
        return TypedFields.section(
                "Strips, leads, fuses",
                TypedFields.field("Strip", strip),
                stripWidth,
                stripThickness,
                bridges,
                leadArea,
                leadMetres,
                connector,
                fuseWire,
                fuseAmps);
    }

    /// The wiring as typed.
    Wiring wiring() {
        Wiring usual = Wiring.USUAL;
        Optional<CellFuse> fuse =
                fuseWire.isBlank()
                        ? fuseAmps.isBlank()
                                ? Optional.empty()
                                : Optional.of(
                                        new CellFuse(
                                                CellFuse.Kind.OPENS_AT_AMPS,
                                                TypedFields.value(fuseAmps, 0)))
                        : Optional.of(
                                new CellFuse(
                                        CellFuse.Kind.COPPER_WIRE, TypedFields.value(fuseWire, 0)));
        return new Wiring(
                strip.getValue(),
                TypedFields.value(stripWidth, usual.stripWidthMillimetres()),
                TypedFields.value(stripThickness, usual.stripThicknessMillimetres()),
                bridges.isBlank()
                        ? OptionalInt.empty()
                        : OptionalInt.of((int) TypedFields.value(bridges, 1)),
                leadArea.typed(),
                TypedFields.value(leadMetres, usual.leadMetres()),
                connector.typed(),
                fuse,
                school.getValue());
    }

    /// Fills the fields.
    void show(Wiring wiring) {
        strip.setValue(wiring.strip());
        stripWidth.show(OptionalDouble.of(wiring.stripWidthMillimetres()));
        stripThickness.show(OptionalDouble.of(wiring.stripThicknessMillimetres()));
        bridges.show(
                wiring.bridges().isPresent() ? String.valueOf(wiring.bridges().getAsInt()) : "");
        leadArea.show(wiring.leadSquareMillimetres());
        leadMetres.show(OptionalDouble.of(wiring.leadMetres()));
        connector.show(wiring.connectorAmps());
        school.setValue(wiring.school());
        fuseWire.show(TypedFields.of(fuse(wiring, CellFuse.Kind.COPPER_WIRE)));
        fuseAmps.show(TypedFields.of(fuse(wiring, CellFuse.Kind.OPENS_AT_AMPS)));
    }

    private static Optional<Double> fuse(Wiring wiring, CellFuse.Kind kind) {
        return wiring.cellFuse().filter(fuse -> fuse.kind() == kind).map(CellFuse::figure);
    }
}
