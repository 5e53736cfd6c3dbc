package pentacell.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.hipparchus.stat.descriptive.moment.StandardDeviation;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.Candidate;
import pentacell.core.plan.facts.MeanCell;

/// The cells a pack can be made of: so many of an assumed kind, or those of a stock, strongest
/// first.
public final class CellSupply {
    private final OptionalInt most;
    private final Optional<MeanCell> assumed;
    private final List<Candidate> strongest;
    private final double[] milliampHours;
    private final int[] cans;
    private final double ohms;
    private final double spread;
    private final CellFormat format;
    private final Chemistry chemistry;

    private CellSupply(
            OptionalInt most,
            Optional<MeanCell> assumed,
            List<Candidate> strongest,
            double ohms,
            CellFormat format,
            Chemistry chemistry) {
        this.most = most;
        this.assumed = assumed;
        this.strongest = strongest;
        this.ohms = ohms;
        this.format = format;
        this.chemistry = chemistry;
        // sums over the strongest units, so that the mean of any number is at hand
        milliampHours = new double[strongest.size() + 1];
        cans = new int[strongest.size() + 1];
        for (int i = 0; i < strongest.size(); i++) {
            milliampHours[i + 1] = milliampHours[i] + strongest.get(i).milliampHours();
            cans[i + 1] = cans[i] + strongest.get(i).count();
        }
        spread =
                strongest.size() < 2
                        ? 0
                        : new StandardDeviation()
                                .evaluate(
                                        strongest.stream()
                                                .mapToDouble(Candidate::milliampHoursPerCan)
                                                .toArray());
    }

    /// Cells as they are assumed to be.
    ///
    /// @param most how many there are; empty for as many as it takes
    public static CellSupply assumed(MeanCell cell, OptionalInt most) {
        return new CellSupply(
                most, Optional.of(cell), List.of(), cell.ohms(), cell.format(), Chemistry.NMC);
    }

    /// The cells of a stock; empty when none of them is of the chemistry and measured, or no
    /// resistance is known.
    ///
    /// A cell of unknown chemistry is taken for what is asked, units count by their cans. Where
    /// sizes differ the most frequent is taken, since a pack has one holder; a cell of unknown size
    /// counts as of that.
    public static Optional<CellSupply> stock(List<Candidate> cells, Chemistry chemistry) {
        List<Candidate> fitting =
                cells.stream()
                        .filter(each -> each.chemistry().orElse(chemistry) == chemistry)
                        .toList();
        Optional<CellFormat> usual = Candidate.formats(fitting).stream().findFirst();
        List<Candidate> ofOneSize =
                fitting.stream()
                        .filter(cell -> cell.mayBeOf(usual))
                        .sorted(
                                Comparator.comparingDouble(Candidate::milliampHoursPerCan)
                                        .reversed()
                                        .thenComparing(Candidate::id))
                        .toList();
        OptionalDouble milliohms =
                ofOneSize.stream()
                        .flatMapToDouble(cell -> cell.milliohmsPerCan().stream())
                        .average();
        if (ofOneSize.isEmpty() || milliohms.isEmpty()) return Optional.empty();
        return Optional.of(
                new CellSupply(
                        OptionalInt.of(Candidate.cans(ofOneSize)),
                        Optional.empty(),
                        ofOneSize,
                        milliohms.getAsDouble() / 1000,
                        usual.orElseGet(() -> CellFormat.parse("18650").orElseThrow()),
                        chemistry));
    }

    /// How many there are; empty for as many as it takes.
    public OptionalInt most() {
        return most;
    }

    /// Their size.
    public CellFormat format() {
        return format;
    }

    /// Whether they are those of a stock.
    public boolean isStock() {
        return assumed.isEmpty();
    }

    /// Spread of their capacity, one standard deviation, in Ah; 0 when they are assumed.
    public double spreadAmpHours() {
        return spread / 1000;
    }

    /// The mean of the strongest so many; of all there are when there are fewer.
    ///
    /// @param cells 1 or more
    public MeanCell mean(int cells) {
        if (assumed.isPresent()) return assumed.get();
        int low = 1;
        int high = strongest.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (cans[middle] >= cells) high = middle;
            else low = middle + 1;
        }
        return MeanCell.salvaged(milliampHours[low] / cans[low] / 1000, ohms, format, chemistry);
    }
}
