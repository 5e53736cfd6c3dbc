package pentacell.core.proof;

import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import pentacell.core.state.InOrder;

/// What was measured of a pack to prove it.
///
/// @param tests load tests by name, in the order they were begun
/// @param alone what each group gave alone when it was last tested, by group from 0
/// @param full what each group read last at the end of a charge, by group from 0
/// @param charge how a charge ended last
/// @param system what went through the system last
/// @param trip where the device tripped last
/// @param underLoad what was read along it under load
public record Proof(
        String pack,
        Map<String, Test> tests,
        SortedMap<Integer, AloneRun> alone,
        SortedMap<Integer, Double> full,
        Optional<ChargeRun> charge,
        Optional<EnergyRun> system,
        Optional<DeviceTrip> trip,
        LoadReadings underLoad) {
    public Proof {
        tests = InOrder.of(tests);
        alone = Collections.unmodifiableSortedMap(new TreeMap<>(alone));
        full = Collections.unmodifiableSortedMap(new TreeMap<>(full));
    }

    /// A load test.
    ///
    /// @param at when it was logged, or begun by hand
    public record Test(String name, Instant at, double endVolts, PackLog log) {}

    /// A pack of which nothing was measured.
    public static Proof of(String pack) {
        return new Proof(
                pack,
                Map.of(),
                new TreeMap<>(),
                new TreeMap<>(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                LoadReadings.NOTHING);
    }

    Proof plus(Instant at, ProofFact fact) {
        return switch (fact) {
            case ProofFact.LoadTested tested ->
                    with(new Test(tested.test(), at, tested.endVolts(), tested.log()));
            case ProofFact.HandRead read -> with(grown(at, read));
            case ProofFact.MomentsRead read -> with(grown(at, read));
            case ProofFact.GroupTested group -> {
                SortedMap<Integer, AloneRun> after = new TreeMap<>(alone);
                after.put(group.group(), group.run());
                yield new Proof(pack, tests, after, full, charge, system, trip, underLoad);
            }
            case ProofFact.FullRead read -> {
                SortedMap<Integer, Double> after = new TreeMap<>(full);
                after.put(read.group(), read.volts());
                yield new Proof(pack, tests, alone, after, charge, system, trip, underLoad);
            }
            case ProofFact.ChargeSeen seen ->
                    new Proof(
                            pack,
                            tests,
                            alone,
                            full,
                            Optional.of(seen.charge()),
                            system,
                            trip,
                            underLoad);
            case ProofFact.SystemSeen seen ->
                    new Proof(
                            pack,
                            tests,
                            alone,
                            full,
                            charge,
                            Optional.of(seen.run()),
                            trip,
                            underLoad);
            case ProofFact.TripSeen seen ->
                    new Proof(
                            pack,
                            tests,
                            alone,
                            full,
                            charge,
                            system,
                            Optional.of(seen.trip()),
                            underLoad);
            case ProofFact.WarmRead read -> with(underLoad.with(read.spot(), read.celsius()));
            case ProofFact.AmbientRead read ->
                    with(underLoad.with(new Ambient(read.celsius(), read.note())));
            case ProofFact.BarRead read -> with(underLoad.with(read.joint(), read.reading()));
        };
    }

    private Proof with(LoadReadings other) {
        return new Proof(pack, tests, alone, full, charge, system, trip, other);
    }

    private Proof with(Test test) {
        Map<String, Test> after = new LinkedHashMap<>(tests);
        after.put(test.name(), test);
        return new Proof(pack, after, alone, full, charge, system, trip, underLoad);
    }

    /// A test with more moments; those before what it has are left out.
    private Test grown(Instant at, ProofFact.MomentsRead read) {
        PackLog more = read.readings();
        Optional<Test> before =
                Optional.ofNullable(tests.get(read.test()))
                        .filter(test -> test.log().volts().size() == more.volts().size());
        Test grown =
                before.orElseGet(() ->
                        new Test(
                                read.test(), at, read.endVolts(), PackLog.of(more.volts().size())));
        return new Test(grown.name(), grown.at(), read.endVolts(), grown.log().plus(more));
    }

    /// A test by hand with a reading more; one that comes at the same moment, or has another number
    /// of groups, begins it anew.
    private Test grown(Instant at, ProofFact.HandRead read) {
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
                                read.volts().stream().map(List::of).toList())));
    }
}
