package pentacell.workshop.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.PrepWork;
import pentacell.core.cell.Tray;
import pentacell.core.donor.Donor;
import pentacell.core.donor.WarningSign;
import pentacell.core.fact.Act;
import pentacell.core.fact.Cell;
import pentacell.core.fact.CellFact;
import pentacell.core.fact.CellFact.Decision;
import pentacell.core.fact.CellFact.ResistanceMethod;
import pentacell.core.fact.DonorFact;
import pentacell.core.fact.Fact;
import pentacell.core.fact.PackFact;
import pentacell.core.fact.TestConditions;
import pentacell.core.fact.WorkshopState;
import pentacell.core.grade.JudgedStock;
import pentacell.core.grade.MatchableStock;
import pentacell.core.match.MatchOutcome;
import pentacell.core.match.MatchRules;
import pentacell.core.match.Matcher;
import pentacell.core.match.SearchEffort;
import pentacell.core.match.SearchWatch;
import pentacell.core.match.Selection;
import pentacell.workshop.logbook.Logbook.Draft;

/// Makes the demo's journal, the same every time: 25 donors, 20 of them opened, 181 cells in all
/// stages of the work, and the mishaps of the trade.
public final class TarnHollow {
    /// The pack that runs the site through a long night.
    public static final String LONG_NIGHT = "Long night 24 V";

    /// The pack of the dome shutter's motor.
    public static final String DOME = "Dome shutter 12 V";

    private static final Instant BEGIN = Instant.parse("2026-01-05T18:10:00Z");
    private static final TestConditions BENCH_RUN = TestConditions.of(4.20, 1.0, 3.0);
    private static final TestConditions LFP_RUN = TestConditions.of(3.65, 1.0, 2.5);

    private final SplittableRandom random = new SplittableRandom(2026);
    private final List<Draft> drafts = new ArrayList<>();
    private Instant now = BEGIN;
    private int place;

    private TarnHollow() {}

    /// The whole journal of the demo workshop.
    public static List<Draft> journal() {
        TarnHollow demo = new TarnHollow();
        demo.shelf();
        demo.donors();
        demo.cells();
        demo.mishaps();
        demo.packs();
        demo.unopened();
        return List.copyOf(demo.drafts);
    }

    /// The demo's models, to begin a catalogue of one's own with.
    public static List<CellModel> models() {
        return List.of(Harvest.HX26, Harvest.Q22, Harvest.T30, Harvest.BF26, Harvest.HX34);
    }

    /// The state the journal comes to.
    public static WorkshopState state(List<Draft> journal) {
        List<Act> acts = new ArrayList<>();
        long sequence = 0;
        for (Draft draft : journal) {
            List<Act.Entry> entries = new ArrayList<>();
            for (Fact fact : draft.facts()) entries.add(new Act.Entry(++sequence, fact));
            acts.add(new Act(acts.size() + 1, draft.at(), draft.words(), entries));
        }
        return WorkshopState.of(acts);
    }

    private void log(String words, List<? extends Fact> facts) {
        drafts.add(new Draft(now, words, facts));
        now = now.plus(Duration.ofSeconds(40 + random.nextInt(50)));
    }

    /// Logs without a throw of the dice: what was added to the demo later leaves its numbers alone.
    private void logSteadily(String words, List<? extends Fact> facts) {
        drafts.add(new Draft(now, words, facts));
        now = now.plus(Duration.ofSeconds(50));
    }

    private void shelf() {
        for (CellModel model : List.of(Harvest.HX26, Harvest.Q22, Harvest.T30, Harvest.BF26))
            log("Define " + model.name(), List.of(new Fact.ModelDefined(model)));
        for (Tray tray : TRAYS) log("Add tray " + tray.name(), List.of(new Fact.TrayAdded(tray)));
    }

    private static final List<Tray> TRAYS =
            List.of(new Tray("T1", 6, 12), new Tray("T2", 6, 12), new Tray("T3", 6, 12));

    private void donors() {
        logSteadily("Define " + Harvest.HX34.name(), List.of(new Fact.ModelDefined(Harvest.HX34)));
        logSteadily("Add lots", BoughtPacks.lots());
        for (Harvest harvest : Harvest.ALL)
            log("Add donor " + harvest.code(), List.of(new Fact.DonorAdded(donor(harvest))));
        for (Harvest harvest : Harvest.ALL) {
            double rest = harvest.model().chemistry() == Chemistry.LFP ? 3.272 : 3.712;
            List<Fact> facts =
                    switch (harvest.code()) {
                        case "LD04" -> BoughtPacks.read(donor(harvest), rest, 2, 2.214);
                        case "LD06" -> BoughtPacks.read(donor(harvest), 2.745, 1, 0.621);
                        case "HT04" -> BoughtPacks.read(donor(harvest), rest, 5, 1.353);
                        default -> BoughtPacks.read(donor(harvest), rest);
                    };
            if (harvest.code().equals("HB01")) facts.add(BoughtPacks.output(donor(harvest), 0.2));
            if (harvest.code().equals("HT04"))
                facts.add(BoughtPacks.signs(donor(harvest), WarningSign.WET));
            facts.add(new DonorFact.MinutesSpent(harvest.code(), 12 + 2 * harvest.cells()));
            facts.add(new DonorFact.PartSaved(harvest.code(), "board", 1));
            logSteadily("Read " + harvest.code(), facts);
        }
    }

    private static Donor donor(Harvest harvest) {
        return BoughtPacks.donor(harvest.code(), harvest.kind(), harvest.model(), harvest.note());
    }

    /// The packs that wait to be opened, repaired or given up.
    private void unopened() {
        now = now.plus(Duration.ofDays(3));
        Donor low =
                BoughtPacks.donor(
                        "LD08", "library docking pack", Harvest.Q22, "shows 62 % and stops");
        Donor board =
                BoughtPacks.donor("LD09", "library docking pack", Harvest.Q22, "no sign of life");
        Donor brought =
                BoughtPacks.donor("LD10", "library docking pack", Harvest.Q22, "group 3 was low");
        Donor drifted =
                BoughtPacks.donor(
                        "HB06",
                        "hire-bicycle module",
                        Harvest.HX26,
                        "charged for years without balancing");
        Donor dead =
                BoughtPacks.donor(
                        "HT08", "hedge-trimmer pack", Harvest.T30, "left in a shed over winter");
        for (Donor donor : List.of(low, board, brought, drifted, dead))
            logSteadily("Add donor " + donor.code(), List.of(new Fact.DonorAdded(donor)));
        logSteadily("Read LD08", BoughtPacks.read(low, 3.967, 2, 3.521));
        List<Fact> good = BoughtPacks.read(board, 3.894);
        good.add(BoughtPacks.output(board, 0.1));
        logSteadily("Read LD09", good);
        logSteadily("Read LD10", BoughtPacks.read(brought, 3.921, 3, 3.468));
        List<Fact> apart =
                BoughtPacks.read(drifted, 3.93, 1, 4.012, 3, 3.842, 4, 3.991, 6, 3.806, 7, 4.048);
        apart.add(BoughtPacks.signs(drifted, WarningSign.NO_BALANCE_LEADS));
        logSteadily("Read HB06", apart);
        logSteadily("Read HT08", BoughtPacks.read(dead, 3.61, 2, 0.043, 3, 0.018, 5, 0.006));
        now = now.plus(Duration.ofHours(9));
        logSteadily("Charge LD10 group 3", List.of(new DonorFact.GroupCharged("LD10", 3, 3.918)));
    }

    private void cells() {
        for (Harvest harvest : Harvest.ALL) {
            now = now.plus(Duration.ofHours(20));
            for (int number = 1; number <= harvest.cells(); number++) firstLook(harvest, number);
            // the last module waits for the bench
            if (harvest.code().equals("HB05")) continue;
            now = now.plus(Duration.ofHours(30));
            for (int number = 1; number <= harvest.cells(); number++) measured(harvest, number);
        }
    }

    private static CellId id(Harvest harvest, int number) {
        return new CellId("%s-%02d".formatted(harvest.code(), number));
    }

    private void firstLook(Harvest harvest, int number) {
        CellId cell = id(harvest, number);
        Tray tray = TRAYS.get(Math.min(place / 72, TRAYS.size() - 1));
        List<Fact> facts = new ArrayList<>();
        facts.add(
                new CellFact.CellNamed(
                        cell, Optional.of(harvest.code()), Optional.of(harvest.model().name())));
        facts.add(new CellFact.CellPlaced(cell, tray.place(place++ % 72)));
        facts.add(new CellFact.VoltageRead(cell, firstVolts(harvest, number)));
        // the last of HB05 were put down when the kettle boiled
        boolean interrupted = harvest.code().equals("HB05") && number > 11;
        if (!interrupted)
            facts.add(
                    new CellFact.ResistanceRead(
                            cell, milliohms(harvest), ResistanceMethod.AC_1_KHZ));
        log("Log " + cell, facts);
    }

    private double firstVolts(Harvest harvest, int number) {
        double resting = harvest.model().chemistry() == Chemistry.LFP ? 3.27 : 3.71;
        double spread = harvest.model().chemistry() == Chemistry.LFP ? 0.015 : 0.09;
        if (harvest.code().equals("LD04") && (number == 3 || number == 4)) resting = 2.21;
        if (harvest.code().equals("LD06")) resting = number <= 2 ? 0.62 : 2.74;
        if (harvest.code().equals("HT04") && number == 5) resting = 1.35;
        if (harvest.code().equals("HB03") && number == 12) resting = 2.85;
        return round(resting + spread * random.nextGaussian(), 1000);
    }

    private double milliohms(Harvest harvest) {
        double base =
                switch (harvest.model().name()) {
                    case "Halvorn HX26" -> 46;
                    case "Quill Q22" -> 58;
                    case "Tessaly T30" -> 24;
                    default -> 17;
                };
        double worn = base * (1 + 1.6 * (0.95 - harvest.wear()));
        return round(worn * (1 + 0.07 * random.nextGaussian()), 10);
    }

    private void measured(Harvest harvest, int number) {
        CellId cell = id(harvest, number);
        boolean rejected =
                harvest.code().equals("LD06") && number <= 2
                        || harvest.code().equals("HT04") && number == 5;
        if (rejected) return;
        double share = harvest.wear() + 0.028 * random.nextGaussian();
        double bayGain = harvest.code().equals("HT03") ? 1.03 : 1;
        double capacity = Math.rint(harvest.model().ratedMinimumMilliampHours() * share * bayGain);
        if (cell.text().equals("HB02-11")) capacity = 3342;
        TestConditions conditions =
                harvest.model().chemistry() == Chemistry.LFP ? LFP_RUN : BENCH_RUN;
        log(
                "Log " + cell + " " + Math.round(capacity) + " mAh",
                List.of(new CellFact.CapacityMeasured(cell, capacity, conditions)));
        now = now.plus(Duration.ofMinutes(9));
    }

    private void mishaps() {
        now = now.plus(Duration.ofDays(2));
        blemishes();
        note("HB01-04", "sleeve torn by the cutter, re-sleeve before assembly");
        note("HB02-11", "label says HX26 but it weighs and reads like a larger model");
        note("HT04-02", "rust at the vent end, cleaned");
        decide("HB02-11", "not for a pack until its true model is known");
        decide("HB03-09", "36 °C at rest among neighbours at 24 °C: a heater, isolated outdoors");
        CellId leaker = new CellId("LD05-02");
        log(
                "Log " + leaker,
                List.of(
                        new CellFact.VoltageRead(leaker, 4.152),
                        new CellFact.CellNoted(leaker, "full, hold test begun")));
        now = now.plus(Duration.ofDays(7));
        log("Log " + leaker, List.of(new CellFact.VoltageRead(leaker, 4.021)));
        decide("LD05-02", "lost 131 mV in 7 days on the hold shelf");
        WorkshopState state = state(drafts);
        var wrong = state.cell(new CellId("HB04-06")).orElseThrow();
        long sequence =
                wrong.lifeLine().stream()
                        .filter(entry -> entry.fact() instanceof CellFact.ResistanceRead)
                        .findFirst()
                        .orElseThrow()
                        .sequence();
        log(
                "Correct HB04-06",
                List.of(
                        new Fact.EntryCorrected(
                                sequence,
                                new CellFact.ResistanceRead(
                                        wrong.id(), 49.4, ResistanceMethod.AC_1_KHZ))));
    }

    private void blemishes() {
        see("HB01-04", Blemish.SLEEVE_TORN);
        see("HB03-02", Blemish.SLEEVE_TORN, Blemish.TAB_STUB);
        see("HB05-03", Blemish.RING_MISSING);
        see("HB05-09", Blemish.SLEEVE_TORN, Blemish.RING_MISSING);
        see("LD02-05", Blemish.RING_MISSING);
        see("LD06-03", Blemish.LEAK);
        see("HT04-02", Blemish.RUST);
        for (int number = 1; number <= 5; number++) see("HT06-0" + number, Blemish.TAB_STUB);
        logSteadily(
                "Done: clean rust HT04-02",
                List.of(new CellFact.PrepDone(new CellId("HT04-02"), PrepWork.CLEAN_RUST)));
        WorkshopState state = state(drafts);
        List<Fact> printed = new ArrayList<>();
        for (Cell cell : state.cells().values())
            if (cell.milliampHours().isPresent() && !cell.id().text().startsWith("LL"))
                printed.add(
                        new CellFact.LabelPrinted(
                                cell.id(),
                                cell.firstVolts(),
                                cell.milliampHours(),
                                cell.milliohms()));
        logSteadily("Print %d labels".formatted(printed.size()), printed);
    }

    private void see(String cell, Blemish first, Blemish... more) {
        logSteadily(
                "Log " + cell,
                List.of(new CellFact.BlemishesSeen(new CellId(cell), EnumSet.of(first, more))));
    }

    private void note(String cell, String words) {
        log("Note on " + cell, List.of(new CellFact.CellNoted(new CellId(cell), words)));
    }

    private void decide(String cell, String reason) {
        log(
                "Decide " + cell,
                List.of(new CellFact.CellDecided(new CellId(cell), Decision.OUT, reason)));
    }

    private void packs() {
        now = now.plus(Duration.ofDays(1));
        match(DOME, rules(4, 5, Selection.TIGHTEST, Chemistry.LFP, OptionalDouble.empty()));
        match(LONG_NIGHT, rules(7, 10, Selection.STRONGEST, Chemistry.NMC, OptionalDouble.empty()));
        for (CellId cell : state(drafts).pack(DOME).orElseThrow().groups().get(0))
            log("Pick " + cell, List.of(new PackFact.CellPicked(DOME, cell, PackFact.Pick.TAKEN)));
    }

    private static MatchRules rules(
            int series,
            int parallel,
            Selection selection,
            Chemistry chemistry,
            OptionalDouble irSpread) {
        MatchRules plain = MatchRules.of(series, parallel, selection);
        return new MatchRules(
                plain.groupSizes(),
                selection,
                irSpread,
                OptionalInt.empty(),
                0.8,
                OptionalDouble.empty(),
                MatchRules.USUAL_REPEATABILITY,
                Optional.of(chemistry));
    }

    private void match(String pack, MatchRules rules) {
        WorkshopState state = state(drafts);
        MatchableStock stock = MatchableStock.of(state, JudgedStock.of(state), pack);
        MatchOutcome outcome =
                Matcher.match(
                        stock.candidates(),
                        rules,
                        Map.of(),
                        new SearchEffort(2, 1),
                        SearchWatch.NOBODY);
        if (!(outcome instanceof MatchOutcome.Matched matched))
            throw new IllegalStateException("the demo's pack cannot be matched: " + outcome);
        log(
                "Match " + pack,
                List.of(
                        new PackFact.GroupsMatched(
                                pack, rules, matched.result().groups(), Map.of())));
    }

    private static double round(double value, double steps) {
        return Math.rint(value * steps) / steps;
    }
}
