package pentacell.core.plan;

import pentacell.core.conductor.Conductor;
import pentacell.core.conductor.Material;
import pentacell.core.conductor.Section;
import pentacell.core.plan.facts.Wiring;
import pentacell.core.unit.Quantity;

/// The sizes that wires, strips and fuses come in, and the smallest that do.
final class PackWires {
    /// A fuse is not loaded above this part of its rating for long (common practice).
    static final double FUSE_SHARE = 0.8;

    /// Voltage that may be lost in the leads, as a share (common practice: 2 to 3 %).
    static final double MOST_DROP = 0.02;

    /// Temperature at which conductors are reckoned, in °C.
    static final double WARM_CELSIUS = 40;

    /// Rated currents that fuses come in, in A (preferred numbers as in IEC 60269 and ISO 8820,
    /// from memory).
    private static final double[] FUSES = {
        1, 2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100, 125, 150, 200, 250, 300, 400, 500,
        630, 800, 1000
    };

    /// Sections that wires come in, in mm² (IEC 60228); thinner ones break off (common practice).
    private static final double[] SECTIONS = {
        1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120, 150, 185, 240, 300
    };

    private static final int THINNEST_GAUGE = 40;
    private static final int THICKEST_GAUGE = -3;
    private static final int MOST_STRIPS = 100;

    private PackWires() {}

    /// A compact group has about as many cells along its side as across.
    static int bridges(Wiring wiring, int parallel) {
        return wiring.bridges().orElse((int) Math.ceil(Math.sqrt(parallel)));
    }

    static Conductor strip(Wiring wiring, int layers) {
        return new Conductor(
                wiring.strip(),
                new Section.Strip(
                        wiring.stripWidthMillimetres(), wiring.stripThicknessMillimetres()),
                1,
                layers);
    }

    /// Layers that the steady current takes in each bridge.
    static int layers(CheckSheet sheet) {
        Wiring wiring = sheet.need.wiring();
        double each = sheet.steadyAmps() / bridges(wiring, sheet.option.parallel());
        int layers = 1;
        while (layers < MOST_STRIPS && strip(wiring, layers).allowed().amps() < each - 1e-9)
            layers++;
        return layers;
    }

    static Conductor lead(double squareMillimetres, double metres) {
        return new Conductor(Material.COPPER, new Section.Area(squareMillimetres), metres, 1);
    }

    /// The smallest fuse that bears the steady current for long, and the peak.
    static double mainFuseAmps(CheckSheet sheet) {
        double least = Math.max(sheet.steadyAmps() / FUSE_SHARE, sheet.peakAmps());
        for (double fuse : FUSES) if (fuse >= least - 1e-9) return fuse;
        return FUSES[FUSES.length - 1];
    }

    /// A fuse's rating as it is written on it.
    static String rating(double amps) {
        return Quantity.CURRENT.text(amps, amps == Math.rint(amps) ? 0 : 1);
    }

    /// The direct voltage that a pack's fuse must be able to break, in whole volts, rounded up.
    static String fuseVolts(PackPlan.Option option) {
        return Quantity.VOLTAGE.text(Math.ceil(option.fullVolts() - 1e-9), 0);
    }

    /// The section of the leads: as said, else the smallest that the fuse protects and that loses
    /// little.
    static double leadSquareMillimetres(CheckSheet sheet) {
        Wiring wiring = sheet.need.wiring();
        if (wiring.leadSquareMillimetres().isPresent())
            return wiring.leadSquareMillimetres().getAsDouble();
        double fuse = mainFuseAmps(sheet);
        for (double area : SECTIONS) {
            Conductor lead = lead(area, wiring.leadMetres());
            double drop = 2 * lead.ohms(WARM_CELSIUS) * sheet.steadyAmps();
            if (lead.allowed().amps() >= fuse && drop <= MOST_DROP * sheet.lowestVolts())
                return area;
        }
        return SECTIONS[SECTIONS.length - 1];
    }

    /// The thinnest gauge with at least this section, as it is written.
    static String gauge(double squareMillimetres) {
        int gauge = THINNEST_GAUGE;
        while (gauge > THICKEST_GAUGE
                && Section.Round.ofAwg(gauge).squareMillimetres() < 0.97 * squareMillimetres)
            gauge--;
        return gauge > 0 ? String.valueOf(gauge) : gauge == 0 ? "0" : (1 - gauge) + "/0";
    }
}
