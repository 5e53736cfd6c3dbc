package pentacell.core.prove;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import pentacell.core.build.PackToBuild;

/// What the group that limits a pack costs, and what it would bring to mend it.
///
/// @param group from 0
/// @param missingAmpHours what it lacks against the best group, in Ah
/// @param cells how many cells' worth of charge that is, by the mean cell of the group; empty when
///   its cells are not known
/// @param lostAmpHours what the pack gives less for it than until the next group ends it, in Ah
/// @param lostWattHours the same in Wh, at the mean voltage of the test
/// @param ampHoursAfter what the pack would give then, in Ah
/// @param nextGroup which group would end it then, from 0
public record Shortfall(
        int group,
        double missingAmpHours,
        OptionalDouble cells,
        double lostAmpHours,
        double lostWattHours,
        double ampHoursAfter,
        OptionalInt nextGroup) {
    /// Of the group to mend first; empty when none limits by its capacity.
    public static Optional<Shortfall> of(LoadTest test, Optional<PackToBuild> built) {
        if (test.replaceFirst().isEmpty()) return Optional.empty();
        int group = test.replaceFirst().getAsInt();
        List<LoadTest.Group> groups = test.groups();
        double missing = groups.get(group).missingAmpHours();
        OptionalInt next =
                IntStream.range(0, groups.size())
                        .filter(each -> each != group)
                        .boxed()
                        .max(Comparator.comparingDouble(each -> groups.get(each).missingAmpHours()))
                        .map(OptionalInt::of)
                        .orElse(OptionalInt.empty());
        double nextMissing = next.isPresent() ? groups.get(next.getAsInt()).missingAmpHours() : 0;
        double lost = Math.max(0, missing - nextMissing);
        double meanVolts = test.ampHours() > 0 ? test.wattHours() / test.ampHours() : 0;
        OptionalDouble cells =
                built.filter(pack -> pack.groups().size() == groups.size())
                        .map(pack -> OptionalDouble.of(missing / meanOfACan(pack, group)))
                        .orElse(OptionalDouble.empty());
        return Optional.of(
                new Shortfall(
                        group,
                        missing,
                        cells,
                        lost,
                        lost * meanVolts,
                        test.ampHours() + lost,
                        next));
    }

    private static double meanOfACan(PackToBuild pack, int group) {
        double ampHours = 0;
        int cans = 0;
        for (PackToBuild.Unit unit : pack.groups().get(group)) {
            ampHours += unit.ampHours();
            cans += unit.cans();
        }
        return ampHours / cans;
    }
}
