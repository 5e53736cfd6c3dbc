package pentacell.workshop.demo;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import pentacell.core.cell.CellModel;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Construction;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.Lot;
import pentacell.core.donor.PackLabel;
import pentacell.core.donor.Price;
import pentacell.core.donor.PurchaseFact;
import pentacell.core.donor.WarningSign;
import pentacell.core.journal.Fact;

/// The demo's lots, and what was read of its packs before they were opened.
final class BoughtPacks {
    /// How far a pack rests from what is usual for its chemistry, at most.
    private static final double LEVELS_APART_VOLTS = 0.012;

    /// How far an even group rests from the level of its pack, at most.
    private static final double GROUPS_APART_VOLTS = 0.006;

    private static final String MONEY = "EUR";

    private BoughtPacks() {}

    static List<Fact> lots() {
        return List.of(
                new PurchaseFact.LotAdded(
                        lot("K1", "hire-bicycle depot, clearing", "2026-01-02", 96, 14, 6, 80)),
                new PurchaseFact.LotAdded(
                        lot("K2", "town library, worn docking packs", "2026-01-02", 20, 0, 10, 35)),
                new PurchaseFact.LotAdded(
                        lot("K3", "garden-tool returns", "2026-01-03", 24, 6.5, 8, 25)),
                new PurchaseFact.LotAdded(
                        lot("K4", "harbour store, lamp module", "2026-01-03", 40, 25, 1, 120)),
                new PurchaseFact.NewCellPriced(new Price(3.4, MONEY), 9.0));
    }

    private static Lot lot(
            String code,
            String source,
            String bought,
            double price,
            double postage,
            int packs,
            int minutes) {
        return new Lot(
                code,
                source,
                LocalDate.parse(bought),
                new Price(price, MONEY),
                postage,
                packs,
                minutes);
    }

    /// A donor with everything its label says.
    static Donor donor(String code, String kind, CellModel model, String note) {
        String family = code.substring(0, 2);
        Arrangement joined =
                switch (family) {
                    case "HB" -> new Arrangement(8, 2);
                    case "LD" -> new Arrangement(3, 2);
                    case "HT" -> new Arrangement(5, 1);
                    default -> new Arrangement(4, 6);
                };
        double volts = joined.series() * model.chemistry().nominalVolts();
        double ampHours =
                Math.rint(joined.parallel() * model.ratedNominalMilliampHours() / 100) / 10;
        return new Donor(
                code,
                kind,
                model.name(),
                note,
                Optional.of(
                        switch (family) {
                            case "HB" -> "K1";
                            case "LD" -> "K2";
                            case "HT" -> "K3";
                            default -> "K4";
                        }),
                Optional.of(joined),
                Optional.of(
                        switch (family) {
                            case "HB" -> Construction.VEHICLE_MODULE;
                            case "LD" -> Construction.GLUED_SHELL;
                            case "HT" -> Construction.SCREWED_HOUSING;
                            default -> Construction.BOLTED_MODULE;
                        }),
                Optional.of(
                        new PackLabel(
                                OptionalDouble.of(Math.rint(volts * 10) / 10),
                                OptionalDouble.of(ampHours),
                                OptionalDouble.of(Math.rint(volts * ampHours)))),
                OptionalDouble.empty());
    }

    /// What was read of a pack before it was opened.
    ///
    /// @param restVolts level its good groups rested at
    /// @param odd group number and voltage of a group that did not
    static List<Fact> read(Donor donor, double restVolts, double... odd) {
        TreeMap<Integer, Double> volts = new TreeMap<>();
        int series = donor.arrangement().orElseThrow().series();
        // no two packs rest at the same level, nor their groups at the same distance from it
        SplittableRandom random = new SplittableRandom(donor.code().hashCode());
        double level = restVolts + LEVELS_APART_VOLTS * (2 * random.nextDouble() - 1);
        for (int group = 1; group <= series; group++)
            volts.put(
                    group,
                    Math.rint((level + GROUPS_APART_VOLTS * (2 * random.nextDouble() - 1)) * 1000)
                            / 1000);
        for (int i = 0; i < odd.length; i += 2) volts.put((int) odd[i], odd[i + 1]);
        double sum = volts.values().stream().mapToDouble(Double::doubleValue).sum();
        return new ArrayList<>(
                List.of(
                        new DonorFact.GroupsRead(donor.code(), volts),
                        new DonorFact.PackVoltageRead(
                                donor.code(), Math.rint((sum - 0.01) * 100) / 100)));
    }

    static Fact output(Donor donor, double volts) {
        return new DonorFact.OutputVoltageRead(donor.code(), volts);
    }

    static Fact signs(Donor donor, WarningSign first, WarningSign... more) {
        Set<WarningSign> signs = EnumSet.of(first, more);
        return new DonorFact.SignsSeen(donor.code(), signs);
    }
}
