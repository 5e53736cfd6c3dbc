package pentacell.core.harvest;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.WarningSign;

/// What was read of a whole pack before it was opened.
///
/// @param chemistry chemistry of its cells
/// @param isChemistryKnown whether that is more than a guess: else no group is charged over what
///   either chemistry bears
/// @param groupVolts reading of each group in V, from the pack's negative
/// @param series number of groups it should have, when known
/// @param packVolts voltage across the whole string in V
/// @param outputVolts voltage behind the board in V
/// @param signs warning signs noticed
public record PackReadings(
        Chemistry chemistry,
        boolean isChemistryKnown,
        List<Double> groupVolts,
        OptionalInt series,
        OptionalDouble packVolts,
        OptionalDouble outputVolts,
        Set<WarningSign> signs) {
    private static final double ONLY_42_CLASS_RESTS_OVER = 3.70;

    public PackReadings {
        groupVolts = List.copyOf(groupVolts);
        signs = Set.copyOf(signs);
        if (groupVolts.isEmpty()) throw new IllegalArgumentException("no group was read");
        for (double volts : groupVolts)
            if (!(Math.abs(volts) <= 1000))
                throw new IllegalArgumentException("a reading is −1000 to 1000 V, was " + volts);
    }

    /// Readings of the groups alone.
    public static PackReadings of(Chemistry chemistry, List<Double> groupVolts) {
        return new PackReadings(
                chemistry,
                true,
                groupVolts,
                OptionalInt.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Set.of());
    }

    /// The readings of a donor; empty until every group from the first to the last was read.
    public static Optional<PackReadings> of(DonorRecord record, Optional<CellModel> model) {
        int read = record.groupVolts().size();
        Optional<Arrangement> arrangement = record.donor().arrangement();
        int expected = arrangement.map(Arrangement::series).orElse(read);
        if (read == 0 || read < expected || record.groupVolts().lastKey() != read)
            return Optional.empty();
        Optional<Chemistry> known = record.donor().chemistry(model);
        return Optional.of(
                new PackReadings(
                        known.orElse(Chemistry.NMC),
                        known.isPresent() || restsLike42(record.groupVolts().values()),
                        List.copyOf(record.groupVolts().values()),
                        arrangement
                                .map(each -> OptionalInt.of(each.series()))
                                .orElse(OptionalInt.empty()),
                        record.packVolts(),
                        record.outputVolts(),
                        record.signs()));
    }

    /// No iron phosphate rests so high; one reading may be an overcharged group, two are not.
    private static boolean restsLike42(Collection<Double> groupVolts) {
        return groupVolts.stream().filter(volts -> volts > ONLY_42_CLASS_RESTS_OVER).count() >= 2;
    }

    /// The reading of a group, counted from 1.
    double volts(int group) {
        return groupVolts.get(group - 1);
    }

    double sum() {
        return groupVolts.stream().mapToDouble(Double::doubleValue).sum();
    }
}
