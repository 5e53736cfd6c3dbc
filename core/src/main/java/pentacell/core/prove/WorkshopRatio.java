package pentacell.core.prove;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.hipparchus.stat.descriptive.DescriptiveStatistics;
import pentacell.core.grade.JudgedStock;
import pentacell.core.proof.Proofs;
import pentacell.core.state.WorkshopState;

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
                Proofs.of(state).all().keySet().stream()
                        .flatMap(name ->
                                ProvedPack.of(state, judged, name)
                                        .flatMap(ProvedPack::lastWhole)
                                        .stream()
                                        .flatMapToDouble(last -> last.againstExpected().stream())
                                        .mapToObj(ratio -> new Each(name, ratio)))
                        .toList();
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
