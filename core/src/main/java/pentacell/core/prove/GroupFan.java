package pentacell.core.prove;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.build.PackToBuild;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.Discharged;
import pentacell.core.circuit.Load;
import pentacell.core.circuit.PackSimulation;
import pentacell.core.circuit.RestCurve;

/// The groups of a pack over the charge it gave: as measured, before what its cells let expect.
///
/// @param ampHours given at each moment of the load, in Ah
/// @param volts of each group at those moments
/// @param expected lowest and highest group to be expected, over the charge given
/// @param expectedAmpHours what the pack should give, in Ah; empty when nothing is known of it
public record GroupFan(
        List<Double> ampHours,
        List<List<Double>> volts,
        List<Band> expected,
        OptionalDouble expectedAmpHours) {
    private static final double STEPS = 240;

    public GroupFan {
        ampHours = List.copyOf(ampHours);
        volts = volts.stream().map(List::copyOf).toList();
        expected = List.copyOf(expected);
    }

    /// Where groups are to be expected.
    public record Band(double ampHours, double lowestVolts, double highestVolts) {}

    /// The fan of a load test.
    ///
    /// @param built the pack with its cells; empty when they are not known
    public static GroupFan of(
            GroupLog log, LoadTest test, double endVolts, Optional<PackToBuild> built) {
        List<Double> ampHours = new ArrayList<>();
        List<List<Double>> volts = new ArrayList<>();
        for (int g = 0; g < log.series(); g++) volts.add(new ArrayList<>());
        double given = 0;
        for (int i = 0; i < log.size(); i++) {
            given += log.drawnAmpHours(i);
            if (!(log.amps().get(i) > LoadSpan.LOADED_SHARE * test.meanAmps())) continue;
            ampHours.add(given);
            for (int g = 0; g < volts.size(); g++) volts.get(g).add(log.volts().get(g).get(i));
        }
        List<Band> bands = new ArrayList<>();
        OptionalDouble expected = OptionalDouble.empty();
        if (built.isPresent() && built.get().groups().size() == log.series()) {
            PackToBuild pack = built.get();
            double most = pack.leastAmpHours();
            Discharged discharged =
                    PackSimulation.discharge(
                            cells(pack),
                            RestCurve.of(pack.chemistry()).curve(),
                            new Load.Amps(test.meanAmps()),
                            endVolts,
                            Math.max(1, 3600 * most / test.meanAmps() / STEPS),
                            (seconds, packVolts, amps, each) ->
                                    bands.add(
                                            new Band(
                                                    seconds * test.meanAmps() / 3600,
                                                    Arrays.stream(each).min().orElse(0),
                                                    Arrays.stream(each).max().orElse(0))));
            expected = OptionalDouble.of(discharged.ampHours());
        }
        return new GroupFan(ampHours, volts, bands, expected);
    }

    /// The same, expecting a part of the charge.
    GroupFan times(double part) {
        return new GroupFan(
                ampHours,
                volts,
                expected.stream()
                        .map(each ->
                                new Band(
                                        part * each.ampHours(),
                                        each.lowestVolts(),
                                        each.highestVolts()))
                        .toList(),
                expectedAmpHours.isPresent()
                        ? OptionalDouble.of(part * expectedAmpHours.getAsDouble())
                        : expectedAmpHours);
    }

    private static List<List<CircuitCell>> cells(PackToBuild pack) {
        return pack.groups().stream()
                .map(group ->
                        group.stream()
                                .flatMap(unit ->
                                        new CircuitCell(unit.ampHours(), unit.ohms())
                                                .cans(unit.cans()).stream())
                                .toList())
                .toList();
    }
}
