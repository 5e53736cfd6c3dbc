package pentacell.core.stock;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Chapters;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.Decision;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TestConditions;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.judgement.Judged;
import pentacell.core.judgement.Rule;
import pentacell.core.school.GradePolicy;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

final class GraderTest {
    private static final CellId ID = new CellId("A-1");
    private static final CellModel MODEL =
            new CellModel(
                    "Quill Q22",
                    CellFormat.parse("18650").orElseThrow(),
                    Chemistry.NMC,
                    2000,
                    2200,
                    CellLimits.careful(Chemistry.NMC, 2000));

    @ParameterizedTest(name = "{0} V, {1} mAh of 2000: {2}")
    @CsvSource({
        ", , UNKNOWN",
        "3.6, , UNDER_TEST",
        "0.4, , OUT",
        "4.4, 2000, OUT",
        "3.6, 1599, OUT",
        // 80 % of rated is kept: common practice
        "3.6, 1600, FIT",
        // a typed capacity alone does not let a rescued cell into a pack
        "2.2, 1900, UNDER_TEST",
        ", 1900, FIT"
    })
    void aCellStandsByFirstVoltageThenByHealth(
            String volts, String milliampHours, Standing standing) {
        List<CellFact> facts = new ArrayList<>();
        if (volts != null) facts.add(new CellFact.VoltageRead(ID, Double.parseDouble(volts)));
        if (milliampHours != null)
            facts.add(
                    new CellFact.CapacityMeasured(
                            ID, Double.parseDouble(milliampHours), TestConditions.NOT_STATED));
        Judged<Standing> judged = judge(facts);
        assertEquals(standing, judged.verdict());
        assertTrue(!judged.reasons().isEmpty(), "every judgement has a reason");
    }

    /// What is known of a cell, in a few letters.
    private static CellFact fact(String word) {
        String number = word.replaceAll("[a-z]", "");
        return switch (word.replaceAll("[^a-z]", "")) {
            case "v" -> new CellFact.VoltageRead(ID, Double.parseDouble(number));
            case "ac" ->
                    new CellFact.ResistanceRead(
                            ID, Double.parseDouble(number), ResistanceMethod.AC_1_KHZ);
            case "dc" ->
                    new CellFact.ResistanceRead(
                            ID, Double.parseDouble(number), ResistanceMethod.DC);
            case "mah" ->
                    new CellFact.CapacityMeasured(
                            ID, Double.parseDouble(number), TestConditions.NOT_STATED);
            case "dent" -> new CellFact.BlemishesSeen(ID, Set.of(Blemish.DENT));
            case "sleeve" -> new CellFact.BlemishesSeen(ID, Set.of(Blemish.SLEEVE_TORN));
            case "hot" -> new RunFact.HeatSeen(ID, "R" + number, 12, 1);
            case "hold" -> new RunFact.HoldBegan(ID, 7);
            case "use" -> new CellFact.CellDecided(ID, Decision.USE, "for a lamp");
            case "out" -> new CellFact.CellDecided(ID, Decision.OUT, "no");
            case "gone" -> new CellFact.HandedOver(ID, "collection point");
            default -> throw new IllegalArgumentException(word);
        };
    }

    /// Every reason, the one that decides first; nothing is said twice, nothing left unsaid.
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "ac40                  | UNKNOWN    | NO_VOLTAGE",
                "v3.6                  | UNDER_TEST | NO_CAPACITY VOLTAGE_IN_BAND",
                "v0.4                  | OUT        | VOLTAGE_IN_BAND",
                "v3.6 ac120 mah1800    | FIT        | SOH_OVER_LIMIT VOLTAGE_IN_BAND",
                "v3.6 ac121 mah1800    | FIT        | SOH_OVER_LIMIT VOLTAGE_IN_BAND RESISTANCE_HIGH",
                "v3.6 dc160 mah1800    | FIT        | SOH_OVER_LIMIT VOLTAGE_IN_BAND",
                "v3.6 dc161 mah1800    | FIT        | SOH_OVER_LIMIT VOLTAGE_IN_BAND RESISTANCE_HIGH",
                "v3.6 ac90 dc161       | UNDER_TEST | NO_CAPACITY VOLTAGE_IN_BAND RESISTANCE_HIGH",
                "v3.6 mah1599          | OUT        | SOH_UNDER_LIMIT VOLTAGE_IN_BAND",
                // 105 % of 2200 mAh
                "v3.6 mah2310          | FIT        | SOH_OVER_LIMIT VOLTAGE_IN_BAND",
                "v3.6 mah2311          | FIT        | SOH_OVER_LIMIT VOLTAGE_IN_BAND CAPACITY_OVER_RATING",
                "v2.2 mah1900          | UNDER_TEST | RESCUED_NOT_HELD SOH_OVER_LIMIT VOLTAGE_IN_BAND WAS_DEEPLY_DISCHARGED",
                "v2.2 mah1900 use      | RESCUED    | DECIDED_BY_HAND RESCUED_NOT_HELD SOH_OVER_LIMIT VOLTAGE_IN_BAND WAS_DEEPLY_DISCHARGED",
                "v2.2 use              | RESCUED    | DECIDED_BY_HAND NO_CAPACITY VOLTAGE_IN_BAND WAS_DEEPLY_DISCHARGED",
                "v2.2 out              | OUT        | DECIDED_BY_HAND NO_CAPACITY VOLTAGE_IN_BAND",
                "v3.6 mah1800 dent     | OUT        | BLEMISH_PUTS_OUT",
                "v3.6 mah1800 sleeve   | FIT        | SOH_OVER_LIMIT VOLTAGE_IN_BAND WORK_IS_OPEN",
                "v0.4 sleeve           | OUT        | VOLTAGE_IN_BAND",
                "v3.6 mah1800 hot1     | UNDER_TEST | HEAT_AGAIN VOLTAGE_IN_BAND",
                "v3.6 mah1800 hot1 use | FIT        | DECIDED_BY_HAND HEAT_AGAIN VOLTAGE_IN_BAND",
                "v3.6 mah1800 hold     | UNDER_TEST | HOLD_SETTLING VOLTAGE_IN_BAND",
                "v3.6 mah1800 gone     | OUT        | HANDED_OVER SOH_OVER_LIMIT VOLTAGE_IN_BAND",
                "v3.6 mah1800 use gone | OUT        | HANDED_OVER SOH_OVER_LIMIT VOLTAGE_IN_BAND"
            })
    void everyReasonIsGivenTheDecidingOneFirst(String known, Standing standing, String rules) {
        Judged<Standing> judged =
                judge(Arrays.stream(known.split(" ")).map(GraderTest::fact).toList());
        assertEquals(standing, judged.verdict());
        assertEquals(
                rules,
                judged.reasons().stream()
                        .map(reason -> reason.rule().name())
                        .collect(Collectors.joining(" ")));
    }

    @Test
    void theReasonsCarryFigureAndLimit() {
        Judged<Standing> judged = judge(List.of(fact("v3.6"), fact("mah1900"), fact("ac140")));
        assertEquals(95, judged.reasons().get(0).figure(), 1e-9);
        assertEquals(80, judged.reasons().get(0).limit(), 1e-9);
        assertEquals(140, judged.reasons().get(2).figure(), 1e-9);
        Judged<Standing> over = judge(List.of(fact("mah2420")));
        assertEquals(110, over.reasons().getLast().figure(), 1e-9);
        assertEquals(105, over.reasons().getLast().limit(), 1e-9);
    }

    @Test
    void theRescuedMarkStaysWhoeverLetsTheCellThrough() {
        List<CellFact> facts = new ArrayList<>();
        facts.add(new CellFact.VoltageRead(ID, 2.2));
        facts.add(new CellFact.CapacityMeasured(ID, 1900, TestConditions.NOT_STATED));
        facts.add(new CellFact.CellDecided(ID, Decision.USE, "held for a year"));
        Judged<Standing> judged = judge(facts);
        assertEquals(Standing.RESCUED, judged.verdict());
        assertTrue(
                judged.reasons().stream()
                        .anyMatch(reason -> reason.rule() == Rule.WAS_DEEPLY_DISCHARGED));
    }

    @Test
    void aReversedReadingIsNoFirstVoltage() {
        List<CellFact> facts = new ArrayList<>();
        facts.add(new CellFact.VoltageRead(ID, -3.4));
        assertEquals(Standing.UNKNOWN, judge(facts).verdict());
        facts.add(new CellFact.VoltageRead(ID, 3.4));
        assertEquals(Standing.UNDER_TEST, judge(facts).verdict());
        // noise about 0 V is a dead cell
        assertEquals(Standing.OUT, judge(List.of(new CellFact.VoltageRead(ID, -0.02))).verdict());
    }

    @Test
    void aDecisionByHandOverrulesTheFiguresAndCanBeTakenBack() {
        List<CellFact> facts = new ArrayList<>();
        facts.add(new CellFact.CapacityMeasured(ID, 1900, TestConditions.NOT_STATED));
        facts.add(new CellFact.CellDecided(ID, Decision.OUT, "runs warm at rest"));
        Judged<Standing> judged = judge(facts);
        assertEquals(Standing.OUT, judged.verdict());
        assertTrue(judged.reasons().get(0).sentence().contains("runs warm at rest"));
        facts.add(new CellFact.CellDecided(ID, Decision.BY_FIGURES, ""));
        assertEquals(Standing.FIT, judge(facts).verdict());
    }

    @Test
    void highResistanceAndCapacityOverRatingAreRemarkedOn() {
        Judged<Standing> judged =
                judge(
                        List.of(
                                new CellFact.ResistanceRead(ID, 140, ResistanceMethod.AC_1_KHZ),
                                new CellFact.CapacityMeasured(
                                        ID, 2400, TestConditions.NOT_STATED)));
        assertTrue(
                judged.reasons().stream()
                        .anyMatch(reason -> reason.rule() == Rule.RESISTANCE_HIGH));
        assertTrue(
                judged.reasons().stream()
                        .anyMatch(reason -> reason.rule() == Rule.CAPACITY_OVER_RATING));
    }

    @Test
    @DisplayName(
            "statistics agree with NIST StRD NumAcc1 (10000001, 10000003, 10000002: mean 10000002, s = 1; from memory)")
    void statisticsAgreeWithACertifiedDataset() {
        LotStatistics statistics = LotStatistics.of(10000001, 10000003, 10000002);
        assertEquals(10000002, statistics.mean());
        assertEquals(1, statistics.sigma(), 1e-9);
    }

    @Test
    @DisplayName(
            "statistics agree with NIST StRD NumAcc3's recipe (1000000.2, then .1 and .3 in turn: s = 0.1; from memory)")
    void statisticsKeepDigitsThatANaiveSumLoses() {
        double[] values = new double[1001];
        values[0] = 1000000.2;
        for (int i = 1; i < values.length; i++) values[i] = i % 2 == 1 ? 1000000.1 : 1000000.3;
        assertEquals(1000000.2, LotStatistics.of(values).mean(), 1e-6);
        assertEquals(0.1, LotStatistics.of(values).sigma(), 1e-6);
    }

    @Test
    void statisticsOfNothingAndOfOneAreDefined() {
        assertEquals(0, LotStatistics.of().count());
        assertTrue(Double.isNaN(LotStatistics.of().mean()));
        assertEquals(0, LotStatistics.of(7).sigma());
        assertThrows(IllegalArgumentException.class, () -> LotStatistics.of(1, Double.NaN));
    }

    @Test
    void aValueOnABorderCountsInTheBinAbove() {
        Histogram histogram = Histogram.of(100, 1950, 2000, 2099.9, 2100, 2310);
        assertEquals(1900, histogram.from());
        assertEquals(List.of(1, 2, 1, 0, 1), histogram.counts());
        assertEquals(0, Histogram.of(100).tallest());
        assertThrows(IllegalArgumentException.class, () -> Histogram.of(0, 1));
        assertThrows(IllegalArgumentException.class, () -> Histogram.of(1, 0, 1e12));
    }

    private static Judged<Standing> judge(List<CellFact> facts) {
        List<Entry> entries = new ArrayList<>();
        entries.add(
                new Entry(
                        1,
                        new CellFact.CellNamed(ID, Optional.empty(), Optional.of(MODEL.name()))));
        for (CellFact fact : facts) entries.add(new Entry(entries.size() + 1, fact));
        entries.add(new Entry(entries.size() + 1, new CatalogueFact.ModelDefined(MODEL)));
        WorkshopState state = Chapters.fold(List.of(new Act(1, Instant.EPOCH, "test", entries)));
        CellRecord cell = Cells.of(state).all().values().iterator().next();
        return Grader.judge(
                cell, Catalogue.of(state).modelOf(cell), Schools.of(state), GradePolicy.USUAL);
    }
}
