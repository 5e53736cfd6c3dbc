package pentacell.workshop.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.TreeMap;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Joining;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.build.facts.Spot;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.TestConditions;
import pentacell.core.circuit.RestCurve;
import pentacell.core.journal.Fact;
import pentacell.core.journal.Origin;
import pentacell.core.measure.Column;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Selection;
import pentacell.core.prove.GroupLog;
import pentacell.core.prove.LogThinning;
import pentacell.core.service.facts.UseFact;

/// The pack of the red lamps, two years in use, is entered from its card: it fell from its shelf in
/// a storm, and since then four cans of group 2 hang on nothing, one after the other.
final class DemoService {
    private static final int SERIES = 3;
    private static final int PARALLEL = 12;
    private static final int ROWS = 4;
    private static final int SPARES = 2;
    private static final double FIRST_VOLTS = 3.66;
    private static final double PITCH_MILLIMETRES = 20;
    private static final int STEP_MINUTES = 15;
    private static final int STEPS_A_WEEK = 7 * 24 * 60 / STEP_MINUTES;
    private static final int FALLEN_GROUP = 1;

    /// The cans that were torn off, by their number in group 2, in the order it happened.
    private static final List<Integer> TORN = List.of(6, 9, 5, 2);

    /// A week that the board's card kept.
    ///
    /// @param torn how many cans of group 2 were off by then
    private record Week(String log, String from, int torn) {}

    private static final List<Week> WEEKS =
            List.of(
                    new Week("card June 2024", "2024-06-10T10:00:00Z", 0),
                    new Week("card September 2024", "2024-09-09T10:00:00Z", 0),
                    new Week("card December 2024", "2024-12-09T10:00:00Z", 0),
                    new Week("card March 2025", "2025-03-10T10:00:00Z", 0),
                    new Week("card June 2025", "2025-06-09T10:00:00Z", 0),
                    new Week("card September 2025", "2025-09-08T10:00:00Z", 0),
                    new Week("card December 2025", "2025-12-08T10:00:00Z", 2),
                    new Week("card February 2026", "2026-02-20T10:00:00Z", 4));

    /// What groups gave alone, in Ah.
    private static final Map<LocalDate, double[]> RETESTS =
            new TreeMap<>(
                    Map.of(
                            LocalDate.of(2024, 3, 2), new double[] {24.6, 24.5, 24.6},
                            LocalDate.of(2024, 9, 14), new double[] {24.2, 24.3, 24.3},
                            LocalDate.of(2025, 3, 15), new double[] {24.0, 23.9, 23.9},
                            LocalDate.of(2025, 9, 13), new double[] {23.5, 23.6, 23.7}));

    private DemoService() {}

    static void write(DemoJournal journal) {
        String pack = TarnHollow.RED_LAMPS;
        SplittableRandom dice = journal.dice(9_901);
        journal.pass(Duration.ofHours(2));
        journal.logSteadily("Enter the cells of " + pack, cells(dice));
        journal.logSteadily("Match " + pack, matched(pack));
        journal.logSteadily(
                pack + " as it was built",
                List.of(
                        new AssemblyFact.LayoutChosen(pack, layout()),
                        new AssemblyFact.JoiningChosen(pack, Joining.SOLDER),
                        new AssemblyFact.StandingSaid(
                                pack, PackStanding.FINAL, "in use since March 2024")));
        for (Week each : WEEKS)
            journal.logSteadily(
                    "History of " + pack,
                    Origin.IMPORTED.mark(
                            List.of(
                                    new UseFact.HistoryLogged(
                                            pack,
                                            each.log(),
                                            Instant.parse(each.from()),
                                            LogThinning.kept(
                                                    week(each, dice),
                                                    LogThinning.MOST_OF_HISTORY)))));
        List<Fact> retests = new ArrayList<>();
        RETESTS.forEach((on, ampHours) -> {
            for (int group = 0; group < SERIES; group++)
                retests.add(new UseFact.GroupRetested(pack, group, ampHours[group], on));
        });
        journal.logSteadily("Tests of the groups of " + pack, retests);
        journal.logSteadily(
                "What happened to " + pack,
                List.of(
                        new UseFact.EventNoted(
                                pack, "in use on the dome path", LocalDate.of(2024, 3, 2)),
                        new UseFact.EventNoted(
                                pack,
                                "storm, the case fell from its shelf",
                                LocalDate.of(2025, 11, 20))));
        journal.pass(Duration.ofHours(1));
        for (int can : new int[] {0, 3, 7, 11, TORN.get(1)})
            journal.logSteadily(
                    "Probe " + cell(FALLEN_GROUP, can),
                    List.of(
                            new UseFact.CanProbed(
                                    pack,
                                    cell(FALLEN_GROUP, can),
                                    TORN.contains(can) ? 3.702 : 3.846)));
    }

    private static CellId cell(int group, int can) {
        return new CellId("RL%d-%02d".formatted(group + 1, can + 1));
    }

    private static CellId spare(int number) {
        return new CellId("RL0-%02d".formatted(number + 1));
    }

    private static List<Fact> cells(SplittableRandom dice) {
        List<Double> capacities = new ArrayList<>();
        for (int i = 0; i < SERIES * PARALLEL; i++)
            capacities.add(2050 + Math.rint(70 * (dice.nextDouble() - 0.5)));
        capacities.sort(Comparator.naturalOrder());
        List<Fact> facts = new ArrayList<>();
        for (int i = 0; i < capacities.size(); i++) {
            // to and fro, so that groups come out alike
            int row = i / SERIES;
            int group = row % 2 == 0 ? i % SERIES : SERIES - 1 - i % SERIES;
            measured(facts, cell(group, row), capacities.get(i), 52 + dice.nextInt(7));
        }
        for (int i = 0; i < SPARES; i++) {
            measured(facts, spare(i), 2050 - 4.0 * i, 55);
            facts.add(new CellFact.VoltageRead(spare(i), FIRST_VOLTS));
        }
        return facts;
    }

    private static void measured(
            List<Fact> facts, CellId cell, double milliampHours, double milliohms) {
        facts.add(
                new CellFact.CellNamed(
                        cell, Optional.empty(), Optional.of(HarvestedPack.Q22.name())));
        facts.add(new CellFact.VoltageRead(cell, FIRST_VOLTS));
        facts.add(
                new CellFact.CapacityMeasured(
                        cell,
                        milliampHours,
                        new TestConditions(
                                OptionalDouble.of(4.2),
                                OptionalDouble.of(1),
                                OptionalDouble.of(2.8),
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                Optional.empty(),
                                Optional.empty())));
        facts.add(new CellFact.ResistanceRead(cell, milliohms, CellFact.ResistanceMethod.AC_1_KHZ));
        facts.add(
                new CellFact.LabelPrinted(
                        cell,
                        OptionalDouble.of(FIRST_VOLTS),
                        OptionalDouble.of(milliampHours),
                        OptionalDouble.of(milliohms)));
    }

    private static List<Fact> matched(String pack) {
        List<List<CellId>> groups = new ArrayList<>();
        for (int group = 0; group < SERIES; group++) {
            List<CellId> own = new ArrayList<>();
            for (int can = 0; can < PARALLEL; can++) own.add(cell(group, can));
            groups.add(own);
        }
        List<Fact> facts = new ArrayList<>();
        facts.add(
                new PackFact.GroupsMatched(
                        pack,
                        MatchRules.of(SERIES, PARALLEL, Selection.ALL)
                                .with(rules -> rules.chemistry(Optional.of(Chemistry.NMC))),
                        groups,
                        Map.of()));
        for (int i = 0; i < SPARES; i++)
            facts.add(new PackFact.CellReserved(pack, spare(i), PackFact.Reserve.KEPT));
        return facts;
    }

    private static Layout layout() {
        int columns = PARALLEL / ROWS;
        List<List<Spot>> places = new ArrayList<>();
        for (int group = 0; group < SERIES; group++) {
            List<Spot> own = new ArrayList<>();
            for (int can = 0; can < PARALLEL; can++)
                own.add(new Spot(columns * group + can / ROWS, can % ROWS));
            places.add(own);
        }
        return new Layout(
                new Grid(Grid.Pattern.SQUARE, PITCH_MILLIMETRES, SERIES * columns, ROWS),
                places,
                TakeOff.EDGE);
    }

    /// A week: lamps by night, the charger by day, two probes between the cans.
    private static GroupLog week(Week week, SplittableRandom dice) {
        double season = season(Instant.parse(week.from()));
        Column.Builder inside = new Column.Builder();
        Column.Builder atTheLid = new Column.Builder();
        RestCurve curve = RestCurve.of(Chemistry.NMC);
        Column.Builder seconds = new Column.Builder();
        Column.Builder amps = new Column.Builder();
        List<Column.Builder> volts = new ArrayList<>();
        double[] left = new double[SERIES];
        for (int g = 0; g < SERIES; g++) {
            volts.add(new Column.Builder());
            left[g] = 0.97;
        }
        double drawn = 0;
        for (int i = 0; i < STEPS_A_WEEK; i++) {
            double hour = (10 + i * STEP_MINUTES / 60.0) % 24;
            double now = amps(hour, drawn);
            seconds.add(60.0 * STEP_MINUTES * i);
            amps.add(now);
            double outside = season - 5 * Math.cos((hour - 3) * Math.PI / 12);
            inside.add(Math.rint(10 * (outside + 2 + 0.8 * Math.abs(now))) / 10);
            atTheLid.add(Math.rint(10 * (outside + 0.5)) / 10);
            double hours = STEP_MINUTES / 60.0;
            drawn += now * hours;
            for (int g = 0; g < SERIES; g++) {
                double cans = PARALLEL - (g == FALLEN_GROUP ? week.torn() : 0);
                double noise = 0.0012 * (dice.nextDouble() + dice.nextDouble() - 1);
                volts.get(g).add(curve.volts(left[g]) - now * 0.055 / cans + noise);
                left[g] -= now * hours / (2.02 * cans);
            }
        }
        return new GroupLog(
                seconds.build(),
                amps.build(),
                volts.stream().map(Column.Builder::build).toList(),
                List.of(inside.build(), atTheLid.build()));
    }

    /// A day's mean at the hollow, in °C: warmest in July.
    private static double season(Instant at) {
        int day = LocalDate.ofInstant(at, ZoneOffset.UTC).getDayOfYear();
        return 9 - 9 * Math.cos((day - 15) * 2 * Math.PI / 365);
    }

    private static double amps(double hour, double drawn) {
        if (hour >= 18 || hour < 6) return hour >= 22 && hour < 23 ? 1.6 : 0.9;
        if (hour < 8 || drawn <= 0.05) return 0;
        // the charger tapers
        return -Math.min(2.4, Math.max(0.1, 2 * drawn));
    }

    /// The cans of the pack that hang on nothing.
    static List<CellId> torn() {
        return TORN.stream().map(can -> cell(FALLEN_GROUP, can)).toList();
    }
}
