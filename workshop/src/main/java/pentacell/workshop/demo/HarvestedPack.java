package pentacell.workshop.demo;

import java.util.List;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;

/// A pack of the demo that was taken apart.
///
/// @param code its code
/// @param kind what it was
/// @param model model of its cells
/// @param cells how many came out
/// @param wear mean state of health of its cells
/// @param note what its label does not say
record HarvestedPack(
        String code, String kind, CellModel model, int cells, double wear, String note) {
    static final CellModel HX26 = model("Halvorn HX26", "18650", Chemistry.NMC, 2500, 2600, 2.5, 5);
    static final CellModel Q22 = model("Quill Q22", "18650", Chemistry.NMC, 2150, 2200, 1.1, 4.4);
    static final CellModel T30 = model("Tessaly T30", "18650", Chemistry.NMC, 1950, 2000, 4, 30);
    static final CellModel HX34 =
            model("Halvorn HX34", "18650", Chemistry.NMC, 3250, 3400, 1.7, 6.8);
    static final CellModel BF26 =
            model("Bramfer BF26-L", "26650", Chemistry.LFP, 3200, 3300, 3.2, 9.6);

    /// All of them, in the order they were opened.
    static final List<HarvestedPack> ALL =
            List.of(
                    new HarvestedPack(
                            "HB01",
                            "hire-bicycle module",
                            HX26,
                            16,
                            0.93,
                            "8S2P, board dead, cells even"),
                    new HarvestedPack(
                            "HB02",
                            "hire-bicycle module",
                            HX26,
                            16,
                            0.90,
                            "8S2P, one label looks wrong"),
                    new HarvestedPack(
                            "HB03", "hire-bicycle module", HX26, 16, 0.86, "8S2P, much used"),
                    new HarvestedPack("HB04", "hire-bicycle module", HX26, 16, 0.91, "8S2P"),
                    new HarvestedPack(
                            "HB05",
                            "hire-bicycle module",
                            HX26,
                            16,
                            0.89,
                            "8S2P, opened last week"),
                    new HarvestedPack("LD01", "library docking pack", Q22, 6, 0.95, "3S2P"),
                    new HarvestedPack("LD02", "library docking pack", Q22, 6, 0.94, "3S2P"),
                    new HarvestedPack("LD03", "library docking pack", Q22, 6, 0.91, "3S2P"),
                    new HarvestedPack(
                            "LD04",
                            "library docking pack",
                            Q22,
                            6,
                            0.88,
                            "3S2P, middle group was at 2.2 V"),
                    new HarvestedPack("LD05", "library docking pack", Q22, 6, 0.93, "3S2P"),
                    new HarvestedPack(
                            "LD06",
                            "library docking pack",
                            Q22,
                            6,
                            0.76,
                            "3S2P, hung on the charger for years"),
                    new HarvestedPack("LD07", "library docking pack", Q22, 6, 0.92, "3S2P"),
                    new HarvestedPack("HT01", "hedge-trimmer pack", T30, 5, 0.94, "5S1P"),
                    new HarvestedPack("HT02", "hedge-trimmer pack", T30, 5, 0.96, "5S1P"),
                    new HarvestedPack(
                            "HT03",
                            "hedge-trimmer pack",
                            T30,
                            5,
                            0.97,
                            "5S1P, tested in bay 3, which reads 3 % high"),
                    new HarvestedPack(
                            "HT04", "hedge-trimmer pack", T30, 5, 0.90, "5S1P, lay in the rain"),
                    new HarvestedPack("HT05", "hedge-trimmer pack", T30, 5, 0.93, "5S1P"),
                    new HarvestedPack("HT06", "hedge-trimmer pack", T30, 5, 0.92, "5S1P"),
                    new HarvestedPack("HT07", "hedge-trimmer pack", T30, 5, 0.95, "5S1P"),
                    new HarvestedPack(
                            "LL01",
                            "lighthouse-lamp module",
                            BF26,
                            24,
                            0.92,
                            "4S6P, retired in good order"));

    private static CellModel model(
            String name,
            String format,
            Chemistry chemistry,
            double least,
            double nominal,
            double charge,
            double discharge) {
        return new CellModel(
                name,
                CellFormat.parse(format).orElseThrow(),
                chemistry,
                least,
                nominal,
                new CellLimits(
                        chemistry.chargeLimitVolts(), chemistry.endVolts(), charge, discharge));
    }
}
