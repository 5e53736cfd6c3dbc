package pentacell.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.conductor.Allowed;
import pentacell.core.conductor.Conductor;
import pentacell.core.plan.Checked.Verdict;
import pentacell.core.plan.facts.CellFuse;
import pentacell.core.plan.facts.Wiring;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// Strips, leads and fuses of a pack: what they must bear, and what does.
final class WireChecks {
    /// More layers than this are better a busbar (common practice).
    private static final int MOST_LAYERS = 4;

    private WireChecks() {}

    static void write(CheckSheet sheet) {
        strip(sheet);
        double fuse = PackWires.mainFuseAmps(sheet);
        leads(sheet, fuse);
        mainFuse(sheet, fuse);
        cellFuse(sheet);
        connector(sheet, fuse);
    }

    private static void strip(CheckSheet sheet) {
        Wiring wiring = sheet.need.wiring();
        int bridges = PackWires.bridges(wiring, sheet.option.parallel());
        int layers = PackWires.layers(sheet);
        Allowed strip = PackWires.strip(wiring, layers).allowed();
        double allowed = strip.amps();
        double each = sheet.steadyAmps() / bridges;
        String words =
                "%s from group to group, each of %s of %s, %s × %s mm: %s in each bridge"
                        .formatted(
                                Count.of(bridges, "bridge", "bridges"),
                                Count.of(layers, "layer", "layers"),
                                wiring.strip().code().replace('-', ' '),
                                Quantity.COUNT.number(wiring.stripWidthMillimetres(), 0),
                                Quantity.COUNT.number(wiring.stripThicknessMillimetres(), 2),
                                CheckSheet.amps(each));
        boolean isBar = layers > MOST_LAYERS;
        sheet.add(
                new Checked(
                        Check.STRIP,
                        isBar ? Verdict.CAUTION : Verdict.FINE,
                        "≤ " + CheckSheet.amps(allowed),
                        CheckSheet.amps(each),
                        OptionalDouble.of((allowed - each) / allowed),
                        isBar ? words + "; use copper strip, a busbar, or more bridges" : words,
                        strip.rule(),
                        allowed,
                        each));
    }

    private static void leads(CheckSheet sheet, double fuse) {
        Wiring wiring = sheet.need.wiring();
        double area = PackWires.leadSquareMillimetres(sheet);
        Conductor lead = PackWires.lead(area, wiring.leadMetres());
        Allowed carries = lead.allowed();
        double allowed = carries.amps();
        String size =
                "%s mm² of copper (about AWG %s)"
                        .formatted(
                                Quantity.COUNT.number(
                                        area, area < 10 && area != Math.rint(area) ? 1 : 0),
                                PackWires.gauge(area));
        sheet.atMost(
                Check.LEADS,
                Quantity.CURRENT,
                allowed,
                Math.max(sheet.steadyAmps(), fuse),
                Verdict.CAUTION,
                "%s carries %s; the load draws %s continuously, and the fuse of %s opens before the wire burns"
                        .formatted(
                                size,
                                CheckSheet.amps(allowed),
                                CheckSheet.amps(sheet.steadyAmps()),
                                PackWires.rating(fuse)),
                "%s carries %s, too little for a fuse of %s: use thicker leads"
                        .formatted(size, CheckSheet.amps(allowed), PackWires.rating(fuse)),
                carries.rule());
        double drop = 2 * lead.ohms(PackWires.WARM_CELSIUS) * sheet.steadyAmps();
        double share = 100 * drop / sheet.lowestVolts();
        String words =
                "%s in two leads of %s m"
                        .formatted(
                                Quantity.VOLTAGE.text(drop, 2),
                                Quantity.COUNT.number(wiring.leadMetres(), 1));
        sheet.atMost(
                Check.LEAD_DROP,
                Quantity.PERCENT,
                100 * PackWires.MOST_DROP,
                share,
                Verdict.CAUTION,
                words,
                words + ": the device stops sooner; use thicker or shorter leads",
                "ρ·L/A of copper (IEC 60028) at 40 °C; 2 %, common practice");
    }

    private static void mainFuse(CheckSheet sheet, double fuse) {
        double shorted = sheet.option.fullVolts() / sheet.ohms();
        double least = Math.max(sheet.steadyAmps() / PackWires.FUSE_SHARE, sheet.peakAmps());
        sheet.add(
                new Checked(
                        Check.MAIN_FUSE,
                        Verdict.ADVICE,
                        "≥ " + CheckSheet.amps(least),
                        PackWires.rating(fuse),
                        OptionalDouble.of((fuse - least) / fuse),
                        "a fuse of %s for at least %s DC, right at the pack; a short can draw about %s, which it must be able to break"
                                .formatted(
                                        PackWires.rating(fuse),
                                        PackWires.fuseVolts(sheet.option),
                                        Quantity.CURRENT.text(shorted, 0)),
                        "80 % of a fuse's rating continuously, all of it briefly: common practice",
                        least,
                        fuse));
    }

    private static void cellFuse(CheckSheet sheet) {
        if (sheet.option.parallel() < 2) return;
        FuseWindow window = FuseWindow.of(sheet.option, sheet.cell, sheet.need.chemistry());
        String range =
                "%s to %s"
                        .formatted(
                                CheckSheet.amps(window.leastAmps()),
                                CheckSheet.amps(window.mostAmps()));
        String source =
                "twice the peak of a cell; half of what the group drives into a short, common practice";
        String heater = "; it does not stop a slow heater, whose current is far lower";
        if (!window.isOpen()) {
            sheet.said(
                    Check.CELL_FUSE,
                    Verdict.CAUTION,
                    "none fits",
                    "no fuse tells a peak of %s from a short of this group: more cells in parallel, or none"
                            .formatted(Quantity.CURRENT.text(sheet.option.peakAmps())),
                    source);
            return;
        }
        if (sheet.need.wiring().cellFuse().isEmpty()) {
            List<String> wires = new ArrayList<>();
            for (double wire : window.copperWires()) wires.add(Quantity.COUNT.number(wire, 2));
            sheet.said(
                    Check.CELL_FUSE,
                    Verdict.ADVICE,
                    range,
                    "one that opens at %s%s%s"
                            .formatted(
                                    range,
                                    wires.isEmpty()
                                            ? ""
                                            : "; of bare copper wire: %s mm"
                                                    .formatted(String.join(", ", wires)),
                                    heater),
                    source + "; Preece (1884) for bare wire");
            return;
        }
        CellFuse fuse = sheet.need.wiring().cellFuse().get();
        double opens = FuseWindow.opensAt(fuse);
        boolean isInside = opens >= window.leastAmps() && opens <= window.mostAmps();
        sheet.add(
                new Checked(
                        Check.CELL_FUSE,
                        isInside ? Verdict.FINE : Verdict.CAUTION,
                        range,
                        CheckSheet.amps(opens),
                        OptionalDouble.of(
                                Math.min(
                                        opens / window.leastAmps() - 1,
                                        1 - opens / window.mostAmps())),
                        (isInside
                                                ? "it opens at about %s"
                                                : opens < window.leastAmps()
                                                        ? "it opens at about %s: a peak may do that"
                                                        : "it opens at about %s: a short in the group may not do that")
                                        .formatted(CheckSheet.amps(opens))
                                + heater,
                        source
                                + (fuse.kind() == CellFuse.Kind.COPPER_WIRE
                                        ? "; Preece (1884)"
                                        : ""),
                        window.leastAmps(),
                        opens));
    }

    private static void connector(CheckSheet sheet, double fuse) {
        if (sheet.need.wiring().connectorAmps().isEmpty()) {
            sheet.said(
                    Check.CONNECTOR,
                    Verdict.ADVICE,
                    "",
                    "one rated for %s continuously that cannot be plugged in the wrong way round"
                            .formatted(CheckSheet.amps(sheet.steadyAmps())),
                    CheckSheet.PRACTICE);
            return;
        }
        double rated = sheet.need.wiring().connectorAmps().getAsDouble();
        sheet.atMost(
                Check.CONNECTOR,
                Quantity.CURRENT,
                rated,
                sheet.steadyAmps(),
                Verdict.CAUTION,
                "rated for %s; the load draws %s continuously"
                        .formatted(CheckSheet.amps(rated), CheckSheet.amps(sheet.steadyAmps())),
                "rated for %s, but the load draws %s continuously: it will melt"
                        .formatted(CheckSheet.amps(rated), CheckSheet.amps(sheet.steadyAmps())),
                "the connector, as said");
        if (fuse > rated)
            sheet.said(
                    Check.CONNECTOR,
                    Verdict.ADVICE,
                    PackWires.rating(fuse),
                    "the fuse of %s does not protect this connector"
                            .formatted(PackWires.rating(fuse)),
                    CheckSheet.PRACTICE);
    }
}
