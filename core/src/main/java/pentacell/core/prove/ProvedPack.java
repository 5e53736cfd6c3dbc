package pentacell.core.prove;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.PackToBuild;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.journal.Origin;
import pentacell.core.pack.Pack;
import pentacell.core.prove.facts.Proof;
import pentacell.core.prove.facts.Proofs;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// A matched pack with all that was measured to prove it, judged.
///
/// @param built the pack with its cells, plan and assembly
/// @param said what was measured
/// @param tests its load tests, oldest first; those that say nothing are left out
/// @param setAside load tests that prove nothing, because a stand-in made them up
/// @param layout it was taken in, solved; empty before one was
/// @param warm places that were read under load, the oddest first; none before a layout is taken
/// @param bars drops that were read along bars
public record ProvedPack(
        PackToBuild built,
        Proof said,
        List<Tested> tests,
        List<Tested> setAside,
        Optional<JudgedLayout> layout,
        List<HeatLook.Warm> warm,
        List<BarLook.Bar> bars) {
    public ProvedPack {
        tests = List.copyOf(tests);
        setAside = List.copyOf(setAside);
        warm = List.copyOf(warm);
        bars = List.copyOf(bars);
    }

    /// A load test, judged.
    ///
    /// @param origin of its readings
    /// @param proves whether it counts
    /// @param shortfall what the limiting group costs, when one limits
    public record Tested(
            String name,
            Instant at,
            Origin origin,
            boolean proves,
            double endVolts,
            GroupLog log,
            LoadTest test,
            GroupFan fan,
            Optional<Shortfall> shortfall) {
        /// What it gave before a device would have stopped, in Wh.
        ///
        /// @param lowTripVolts under which the device stops, at the pack
        public double wattHoursAbove(double lowTripVolts) {
            return LoadSpan.of(log, endVolts).wattHoursAbove(lowTripVolts);
        }

        /// What it gave as a part of what its cells let expect; empty when it did not reach its end
        /// or nothing was to be expected.
        public OptionalDouble againstExpected() {
            return test.reachedEnd() && fan.expectedAmpHours().isPresent()
                    ? OptionalDouble.of(test.ampHours() / fan.expectedAmpHours().getAsDouble())
                    : OptionalDouble.empty();
        }
    }

    /// A pack of a workshop; empty when it is not matched, or one of its cells is not known.
    public static Optional<ProvedPack> of(WorkshopState state, JudgedStock judged, String name) {
        return of(state, judged, name, OptionalDouble.empty());
    }

    /// A pack of a workshop, expected to give a part of what its cells say.
    ///
    /// @param correction that part, above 0; empty for all of it
    public static Optional<ProvedPack> of(
            WorkshopState state, JudgedStock judged, String name, OptionalDouble correction) {
        return PackToBuild.of(state, judged, name, PackToBuild.Asked.NOTHING)
                .map(built -> {
                    Proof said = Proofs.of(state).proof(name);
                    Optional<JudgedLayout> layout = built.laidOut();
                    return new ProvedPack(
                            built,
                            said,
                            tests(said, built, correction),
                            judged(said.setAside(), false, built, correction),
                            layout,
                            layout.map(now -> HeatLook.of(built, now, said.underLoad()))
                                    .orElse(List.of()),
                            layout.map(now -> BarLook.of(built, now, said.underLoad().bars()))
                                    .orElse(List.of()));
                });
    }

    /// At which voltage of a group the next test ends unless somebody says otherwise: like the one
    /// before, so that both can be compared; the first at the chemistry's own end.
    public double usualEndVolts() {
        return tests.isEmpty()
                ? built.chemistry().endVolts()
                : tests.get(tests.size() - 1).endVolts();
    }

    /// The end voltage of a test that may have been begun: its own, else that of the last test,
    /// else the chemistry's own. In V per cell.
    public static double endVolts(WorkshopState state, Pack pack, String test) {
        Map<String, Proof.Test> tests = Proofs.of(state).proof(pack.name()).tests();
        Optional<Proof.Test> known =
                Optional.ofNullable(tests.get(test))
                        .or(() -> tests.values().stream().reduce((one, next) -> next));
        return known.map(Proof.Test::endVolts).orElseGet(() -> chemistry(state, pack).endVolts());
    }

    private static Chemistry chemistry(WorkshopState state, Pack pack) {
        return pack.groups().stream()
                .flatMap(List::stream)
                .flatMap(id -> Cells.of(state).cell(id).stream())
                .flatMap(cell -> Catalogue.of(state).modelOf(cell).stream())
                .map(CellModel::chemistry)
                .findFirst()
                .orElse(Chemistry.NMC);
    }

    /// The load tests of a pack alone.
    static List<Tested> tests(Proof said, PackToBuild built, OptionalDouble correction) {
        return judged(said.tests(), true, built, correction);
    }

    private static List<Tested> judged(
            Map<String, Proof.Test> tests,
            boolean proves,
            PackToBuild built,
            OptionalDouble correction) {
        return tests.values().stream()
                .flatMap(each -> judged(each, proves, built, correction).stream())
                .toList();
    }

    private static Optional<Tested> judged(
            Proof.Test test, boolean proves, PackToBuild built, OptionalDouble correction) {
        GroupLog log = LogThinning.log(test.log());
        return judged(log, test.endVolts(), built.chemistry())
                .map(judged ->
                        new Tested(
                                test.name(),
                                test.at(),
                                test.origin(),
                                proves,
                                test.endVolts(),
                                log,
                                judged,
                                GroupFan.of(log, judged, test.endVolts(), Optional.of(built))
                                        .times(correction.orElse(1)),
                                Shortfall.of(judged, Optional.of(built))));
    }

    private static Optional<LoadTest> judged(GroupLog log, double endVolts, Chemistry chemistry) {
        try {
            return Optional.of(ProveLoad.judge(log, endVolts, chemistry));
        } catch (IllegalArgumentException nothingDrawn) {
            return Optional.empty();
        }
    }

    /// What a pack gave in its last test that reached its end; empty before there is one.
    public static Optional<LoadTest> measured(WorkshopState state, PackToBuild built) {
        return Proofs.of(state).proof(built.pack().name()).tests().values().stream()
                .flatMap(test ->
                        judged(LogThinning.log(test.log()), test.endVolts(), built.chemistry())
                                .stream())
                .filter(LoadTest::reachedEnd)
                .reduce((one, next) -> next);
    }

    /// What the end of a charge says; empty before two groups were read.
    public Optional<PackChargeEnd> chargeEnd() {
        return said.full().size() < 2
                ? Optional.empty()
                : Optional.of(
                        PackChargeEnd.of(
                                said.full(),
                                built.leastAmpHours(),
                                built.chemistry(),
                                built.balancerMilliamps()));
    }

    /// All its load tests, oldest first, those that prove nothing among them.
    public List<Tested> shown() {
        return Stream.concat(tests.stream(), setAside.stream())
                .sorted(Comparator.comparing(Tested::at))
                .toList();
    }

    /// The last test that reached its end.
    public Optional<Tested> lastWhole() {
        return lastWhole(tests);
    }

    static Optional<Tested> lastWhole(List<Tested> tests) {
        return tests.stream().filter(each -> each.test().reachedEnd()).reduce((one, next) -> next);
    }
}
