package pentacell.workshop.demo;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.facts.Spot;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.Load;
import pentacell.core.circuit.PackSimulation;
import pentacell.core.circuit.RestCurve;
import pentacell.core.journal.Fact;
import pentacell.core.journal.Origin;
import pentacell.core.measure.Column;
import pentacell.core.prove.GroupLog;
import pentacell.core.prove.LogThinning;
import pentacell.core.prove.facts.BarReading;
import pentacell.core.prove.facts.ChargeRun;
import pentacell.core.prove.facts.EnergyRun;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.stock.JudgedStock;

/// The pack of the long night is loaded in its rack, from full until the first group is empty: one
/// cell of group 5 holds half of what it did when it was measured.
final class DemoProve {
    private static final double AMPS = 4;
    private static final double END_VOLTS = 3.0;
    private static final double STEP_SECONDS = 30;
    private static final double REST_SECONDS = 600;
    private static final int WEAK_GROUP = 4;

    /// What groups read when the charger was done, in V.
    private static final double[] FULL = {4.199, 4.197, 4.201, 4.198, 4.212, 4.199, 4.200};

    private DemoProve() {}

    static void write(DemoJournal journal) {
        String pack = TarnHollow.LONG_NIGHT;
        PackToBuild built =
                PackToBuild.of(
                                journal.state(),
                                JudgedStock.of(journal.state()),
                                pack,
                                PackToBuild.Asked.NOTHING)
                        .orElseThrow();
        journal.pass(Duration.ofHours(20));
        List<Fact> full = new ArrayList<>();
        for (int group = 0; group < FULL.length; group++)
            full.add(new ProofFact.FullRead(pack, group, FULL[group]));
        journal.logSteadily("Read the groups of " + pack + ", full", full);
        journal.logSteadily(
                "Charger of " + pack,
                List.of(
                        new ProofFact.ChargeSeen(
                                pack,
                                new ChargeRun(
                                        OptionalDouble.of(29.4),
                                        OptionalDouble.of(0.5),
                                        ChargeRun.Supply.HELD))));
        journal.pass(Duration.ofHours(6));
        journal.logSteadily("Warmth of " + pack + " under load", warmth(pack, journal.dice(8_802)));
        journal.logSteadily(
                "Load test of " + pack,
                Origin.IMPORTED.mark(
                        List.of(
                                new ProofFact.LoadTested(
                                        pack,
                                        "bench load, 4 A",
                                        END_VOLTS,
                                        LogThinning.kept(log(built, journal.dice(8_801)))))));
        journal.logSteadily(
                "Run of " + pack,
                List.of(
                        new ProofFact.SystemSeen(
                                pack,
                                new EnergyRun(
                                        OptionalDouble.of(548),
                                        OptionalDouble.empty(),
                                        OptionalDouble.of(601),
                                        OptionalDouble.empty()))));
    }

    /// A clip of the rack holds badly at one can of group 3.
    private static List<Fact> warmth(String pack, SplittableRandom dice) {
        List<Fact> facts = new ArrayList<>();
        facts.add(new ProofFact.AmbientRead(pack, 9, ""));
        for (int column = 0; column < 14; column += 2)
            for (int row = 0; row < 5; row += 2) {
                boolean isBad = column == 4 && row == 2;
                double celsius = isBad ? 15.8 : 10.4 + 0.6 * dice.nextDouble();
                facts.add(
                        new ProofFact.WarmRead(
                                pack, new Spot(column, row), Math.rint(10 * celsius) / 10));
            }
        facts.add(new ProofFact.BarRead(pack, 3, new BarReading(0.9, AMPS)));
        return facts;
    }

    /// Ten minutes of rest, the load, and half an hour of rest.
    private static GroupLog log(PackToBuild built, SplittableRandom dice) {
        List<List<CircuitCell>> cells = new ArrayList<>();
        for (int group = 0; group < built.groups().size(); group++) {
            List<CircuitCell> own = new ArrayList<>();
            for (PackToBuild.Unit unit : built.groups().get(group)) {
                double part = group == WEAK_GROUP && own.isEmpty() ? 0.5 : 1;
                own.addAll(new CircuitCell(part * unit.ampHours(), unit.ohms()).cans(unit.cans()));
            }
            cells.add(own);
        }
        int series = cells.size();
        Column.Builder seconds = new Column.Builder();
        Column.Builder amps = new Column.Builder();
        List<Column.Builder> volts = new ArrayList<>();
        for (int g = 0; g < series; g++) volts.add(new Column.Builder());
        RestCurve curve = RestCurve.of(built.chemistry());
        double full = curve.volts(1);
        for (double at = 0; at < REST_SECONDS; at += STEP_SECONDS)
            add(at, 0, Collections.nCopies(series, full), seconds, amps, volts, dice);
        double[] last = {0};
        PackSimulation.discharge(
                cells,
                curve.curve(),
                new Load.Amps(AMPS),
                END_VOLTS,
                STEP_SECONDS,
                (at, packVolts, now, each) -> {
                    last[0] = REST_SECONDS + at;
                    List<Double> read = new ArrayList<>();
                    for (double one : each) read.add(one);
                    add(last[0], AMPS, read, seconds, amps, volts, dice);
                });
        List<Double> ends = new ArrayList<>();
        for (int g = 0; g < series; g++) {
            List<CircuitCell> own = cells.get(g);
            double whole = own.stream().mapToDouble(CircuitCell::ampHours).sum();
            double given = AMPS * (last[0] - REST_SECONDS) / 3600;
            ends.add(curve.volts(Math.max(0, 1 - given / whole)));
        }
        for (double at = STEP_SECONDS; at <= 3 * REST_SECONDS; at += STEP_SECONDS)
            add(last[0] + at, 0, ends, seconds, amps, volts, dice);
        return new GroupLog(
                seconds.build(), amps.build(), volts.stream().map(Column.Builder::build).toList());
    }

    private static void add(
            double at,
            double now,
            List<Double> read,
            Column.Builder seconds,
            Column.Builder amps,
            List<Column.Builder> volts,
            SplittableRandom dice) {
        seconds.add(at);
        amps.add(now);
        for (int g = 0; g < read.size(); g++)
            volts.get(g).add(read.get(g) + 0.0008 * (dice.nextDouble() - 0.5));
    }
}
