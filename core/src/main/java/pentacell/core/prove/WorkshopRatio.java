package pentacell.core.prove;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.hipparchus.stat.descriptive.DescriptiveStatistics;
import pentacell.core.build.PackToBuild;
import pentacell.core.prove.facts.Proof;
import pentacell.core.prove.facts.Proofs;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// What the packs of a workshop gave against what was expected of them: how far its predictions
/// hold.
///
/// @param packs that were tested to their end
/// @param mean measured ÷ expected
/// @param deviation sample standard deviation of that; empty for one pack
public record WorkshopRatio(List<Each> packs, double mean, OptionalDouble deviation) {
    public WorkshopRatio {
        packs = List.copyOf(packs);
    }

    /// A pack.
    public record Each(String pack, double ratio) {}

    /// Of all packs so far, each by its last whole test; empty when none was tested to its end.
    public static Optional<WorkshopRatio> of(WorkshopState state, JudgedStock judged) {
        List<Each> packs =
                Proofs.of(state).all().values().stream()
                        .flatMap(said -> ratio(state, judged, said).stream())
                        .toList();
        return of(packs);
    }

    private static Optional<Each> ratio(WorkshopState state, JudgedStock judged, Proof said) {
        // its tests only: what flows in its layout is not asked for
        OptionalDouble ratio =
                PackToBuild.of(state, judged, said.pack(), PackToBuild.Asked.NOTHING)
                        .map(built -> ProvedPack.tests(said, built, OptionalDouble.empty()))
                        .flatMap(ProvedPack::lastWhole)
                        .map(ProvedPack.Tested::againstExpected)
                        .orElse(OptionalDouble.empty());
        return ratio.isPresent()
                ? Optional.of(new Each(said.pack(), ratio.getAsDouble()))
                : Optional.empty();
    }

    /// The same without a pack, which is to be expected by the others; empty when there are none.
    public Optional<WorkshopRatio> without(String pack) {
        return of(packs.stream().filter(each -> !each.pack().equals(pack)).toList());
    }

    private static Optional<WorkshopRatio> of(List<Each> packs) {
        if (packs.isEmpty()) return Optional.empty();
        DescriptiveStatistics ratios = new DescriptiveStatistics();
        packs.forEach(each -> ratios.addValue(each.ratio()));
        return Optional.of(
                new WorkshopRatio(
                        packs,
                        ratios.getMean(),
                        packs.size() > 1
                                ? OptionalDouble.of(ratios.getStandardDeviation())
                                : OptionalDouble.empty()));
    }
}
