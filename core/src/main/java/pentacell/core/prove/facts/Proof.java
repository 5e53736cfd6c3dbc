package pentacell.core.prove.facts;

import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Origin;
import pentacell.core.state.InOrder;

/// What was measured of a pack to prove it.
///
/// @param tests load tests by name, in the order they were begun
/// @param setAside load tests by name that prove nothing: read from a stand-in, or from a board of
///   which nobody wrote down that it was a real one
/// @param alone what each group gave alone when it was last tested, by group from 0
/// @param full what each group read last at the end of a charge, by group from 0
/// @param charge how a charge ended last
/// @param system what went through the system last
/// @param trip where the device tripped last
/// @param underLoad what was read along it under load
public record Proof(
        String pack,
        Map<String, Test> tests,
        Map<String, Test> setAside,
        SortedMap<Integer, AloneRun> alone,
        SortedMap<Integer, Double> full,
        Optional<ChargeRun> charge,
        Optional<EnergyRun> system,
        Optional<DeviceTrip> trip,
        LoadReadings underLoad) {
    public Proof {
        tests = InOrder.of(tests);
        setAside = InOrder.of(setAside);
        alone = Collections.unmodifiableSortedMap(new TreeMap<>(alone));
        full = Collections.unmodifiableSortedMap(new TreeMap<>(full));
    }

    /// A load test.
    ///
    /// @param at when it was logged, or begun by hand
    /// @param origin of its readings
    public record Test(String name, Instant at, double endVolts, PackLog log, Origin origin) {}

    /// A pack of which nothing was measured.
    public static Proof of(String pack) {
        return new Proof(
                pack,
                Map.of(),
                Map.of(),
                new TreeMap<>(),
                new TreeMap<>(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                LoadReadings.NOTHING);
    }

    Proof plus(Instant at, Entry entry) {
        return switch ((ProofFact) entry.fact()) {
            case ProofFact.LoadTested tested ->
                    withTests(
                            InOrder.with(
                                    tests,
                                    tested.test(),
                                    new Test(
                                            tested.test(),
                                            at,
                                            tested.endVolts(),
                                            tested.log(),
                                            entry.origin())));
            case ProofFact.HandRead read ->
                    withTests(InOrder.with(tests, read.test(), grown(at, read, entry.origin())));
            // an instrument read it, and older files do not say whether it was a real one
            case ProofFact.MomentsRead read when entry.origin() == Origin.UNKNOWN ->
                    setAside(at, entry);
            case ProofFact.MomentsRead read ->
                    withTests(
                            InOrder.with(
                                    tests, read.test(), grown(tests, at, read, entry.origin())));
            case ProofFact.GroupTested group ->
                    withGroups(with(alone, group.group(), group.run()), full);
            case ProofFact.FullRead read ->
                    withGroups(alone, with(full, read.group(), read.volts()));
            case ProofFact.ChargeSeen seen -> withRuns(Optional.of(seen.charge()), system, trip);
            case ProofFact.SystemSeen seen -> withRuns(charge, Optional.of(seen.run()), trip);
            case ProofFact.TripSeen seen -> withRuns(charge, system, Optional.of(seen.trip()));
            case ProofFact.WarmRead read -> underLoad(underLoad.with(read.spot(), read.celsius()));
            case ProofFact.AmbientRead read ->
                    underLoad(underLoad.with(new Ambient(read.celsius(), read.note())));
            case ProofFact.BarRead read -> underLoad(underLoad.with(read.joint(), read.reading()));
        };
    }

    /// With something more that proves nothing; only load tests are shown.
    Proof setAside(Instant at, Entry entry) {
        if (!(entry.fact() instanceof ProofFact.MomentsRead read)) return this;
        return new Proof(
                pack,
                tests,
                InOrder.with(setAside, read.test(), grown(setAside, at, read, entry.origin())),
                alone,
                full,
                charge,
                system,
                trip,
                underLoad);
    }

    private Proof withTests(Map<String, Test> after) {
        return new Proof(pack, after, setAside, alone, full, charge, system, trip, underLoad);
    }

    private Proof withGroups(SortedMap<Integer, AloneRun> runs, SortedMap<Integer, Double> volts) {
        return new Proof(pack, tests, setAside, runs, volts, charge, system, trip, underLoad);
    }

    private Proof withRuns(
            Optional<ChargeRun> charged, Optional<EnergyRun> ran, Optional<DeviceTrip> tripped) {
        return new Proof(pack, tests, setAside, alone, full, charged, ran, tripped, underLoad);
    }

    private Proof underLoad(LoadReadings other) {
        return new Proof(pack, tests, setAside, alone, full, charge, system, trip, other);
    }

    private static <V> SortedMap<Integer, V> with(SortedMap<Integer, V> map, int group, V value) {
        SortedMap<Integer, V> after = new TreeMap<>(map);
        after.put(group, value);
        return after;
    }

    /// A test with more moments; those before what it has are left out.
    private static Test grown(
            Map<String, Test> tests, Instant at, ProofFact.MomentsRead read, Origin origin) {
        PackLog more = read.readings();
        Optional<Test> before =
                Optional.ofNullable(tests.get(read.test()))
                        .filter(test -> test.log().volts().size() == more.volts().size());
        Test grown =
                before.orElseGet(() ->
                        new Test(
                                read.test(),
                                at,
                                read.endVolts(),
                                PackLog.of(more.volts().size()),
                                origin));
        return new Test(grown.name(), grown.at(), read.endVolts(), grown.log().plus(more), origin);
    }

    /// A test by hand with a reading more; one that comes at the same moment, or has another number
    /// of groups, begins it anew.
    private Test grown(Instant at, ProofFact.HandRead read, Origin origin) {
        Optional<Test> before =
                Optional.ofNullable(tests.get(read.test()))
                        .filter(test -> test.log().volts().size() == read.volts().size());
        Instant begun = before.map(Test::at).orElse(at);
        double second = Duration.between(begun, at).toMillis() / 1000.0;
        PackLog log =
                before.map(test -> test.log().until(second))
                        .orElse(PackLog.of(read.volts().size()));
        return new Test(
                read.test(),
                begun,
                read.endVolts(),
                log.plus(
                        new PackLog(
                                List.of(second),
                                List.of(read.amps()),
                                read.volts().stream().map(List::of).toList())),
                origin);
    }
}
