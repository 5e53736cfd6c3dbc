package pentacell.core.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Journal;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TestConditions;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.judgement.Rule;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.Piece;
import pentacell.core.line.TypedLines;
import pentacell.core.school.BandSchool;
import pentacell.core.school.GradePolicy;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.school.SchoolFact;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.Grader;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.Standing;
import pentacell.core.test.TestQueue;
import pentacell.core.test.facts.Bay;

final class AfterFirstLookTest {
    private static final CellId DEEP = new CellId("A01-02");

    @ParameterizedTest(name = "{0} V: {1} A, until {2} V, hold {3} days")
    // 1 A or half of capacity, slow 0.2 to 0.5 A up to 3.0 V, hold 7 and 21 days: common practice
    @CsvSource({"3.7, 1.0, , 7", "2.9, 0.22, 3.0, 7", "2.2, 0.2, 3.0, 21"})
    void theVerdictSaysWhatHappensNext(double volts, double amps, Double until, int days) {
        WorkshopState state = workshop().cell("A01-09", "Quill Q22", "", volts).state();
        WaitingForTest waiting = last(WaitingForTest.of(state));
        assertEquals(amps, waiting.instruction().chargeAmps().orElseThrow(), 1e-9);
        assertEquals(until == null, waiting.instruction().slowUntilVolts().isEmpty());
        if (until != null)
            assertEquals(until, waiting.instruction().slowUntilVolts().orElseThrow());
        assertEquals(days, waiting.instruction().holdDays());
        assertTrue(waiting.words().contains("hold"), waiting.words());
    }

    @Test
    void whatIsOutOrMeasuredOrLetThroughByHandIsKnownToTheWaitingList() {
        Journal journal = workshop();
        assertEquals(List.of("A01-01", "A01-02"), waiting(journal));
        journal.log(
                new CellFact.CapacityMeasured(
                        new CellId("A01-01"), 2000, TestConditions.NOT_STATED));
        journal.log(new CellFact.BlemishesSeen(DEEP, EnumSet.of(Blemish.LEAK)));
        assertEquals(List.of(), waiting(journal));
        journal.log(
                new CellFact.CellDecided(
                        new CellId("A01-03"), CellFact.Decision.USE, "my own experiment"));
        WaitingForTest byHand = last(WaitingForTest.of(journal.state()));
        assertEquals(IntakeVerdict.SLOW_CHARGE_WATCHED, byHand.instruction().verdict());
    }

    /// A charge to 4.20 V destroys what turns out to be iron phosphate.
    @Test
    void aCellOfUnknownChemistryIsNotChargedFull() {
        CellId unknown = new CellId("X07-01");
        Journal journal =
                new Journal()
                        .log(new CellFact.CellNamed(unknown, Optional.of("X07"), Optional.empty()))
                        .log(new CellFact.VoltageRead(unknown, 3.31));
        WaitingForTest waiting = last(WaitingForTest.of(journal.state()));
        assertEquals(3.60, waiting.instruction().chargeVolts().orElseThrow());
        assertEquals(
                "name its model first; until then 1.00 A to 3.60 V at most",
                waiting.words().replace('\u00a0', ' '));
        assertEquals(Rule.CHEMISTRY_UNKNOWN, LookTwice.of(journal.state()).get(0).reason().rule());
        assertFalse(
                TestQueue.of(journal.state())
                        .suits(
                                waiting,
                                new Bay("Charger A", 1, 1, 1, EnumSet.allOf(Chemistry.class))));
        // its donor's label tells the chemistry as well
        journal.log(new DonorFact.DonorAdded(Donor.of("X07", "", "Known", "")));
        journal.model("Known", Chemistry.LFP, 1500);
        assertEquals(
                3.65,
                last(WaitingForTest.of(journal.state())).instruction().chargeVolts().orElseThrow());
    }

    @Test
    void aModelOfALowerLimitIsChargedToThat() {
        Journal journal = new Journal();
        journal.log(
                new CatalogueFact.ModelDefined(
                        new CellModel(
                                "Old 20",
                                CellFormat.parse("18650").orElseThrow(),
                                Chemistry.NMC,
                                2000,
                                2000,
                                new CellLimits(4.10, 3.0, 1, 2))));
        journal.cell("A01-01", "Old 20", "", 3.7);
        assertEquals(
                "1.00 A to 4.10 V, capacity, hold 7 days",
                last(WaitingForTest.of(journal.state())).words().replace('\u00a0', ' '));
    }

    @Test
    void anotherSchoolSaysWhichCellsChange() {
        WorkshopState state = workshop().state();
        assertEquals(
                List.of(
                        new SchoolChange(
                                DEEP, IntakeVerdict.SLOW_CHARGE_WATCHED, IntakeVerdict.RECYCLE)),
                SchoolChange.of(state, BandSchool.STRICT_NMC));
        assertEquals(
                List.of(), SchoolChange.of(state, BandSchool.STRICT_LFP), "of its chemistry only");
    }

    @Test
    void aSchoolRejudgesAllButTheRescuedMarkStaysForLife() {
        Journal journal = workshop();
        journal.log(new CellFact.CapacityMeasured(DEEP, 2000, TestConditions.NOT_STATED));
        journal.log(new RunFact.HoldBegan(DEEP, 7)).wait(Duration.ofHours(13));
        journal.log(new CellFact.VoltageRead(DEEP, 4.18)).wait(Duration.ofDays(7));
        journal.log(new CellFact.VoltageRead(DEEP, 4.17));
        assertEquals(Standing.UNDER_TEST, standing(journal, DEEP), "rescued: three weeks");
        journal.wait(Duration.ofDays(14));
        journal.log(new CellFact.VoltageRead(DEEP, 4.16));
        assertEquals(Standing.RESCUED, standing(journal, DEEP));
        JudgedStock before = JudgedStock.of(journal.state());
        journal.log(new SchoolFact.BandsChosen(BandSchool.STRICT_NMC));
        assertEquals(Standing.OUT, before.after(journal.state()).standing(DEEP));
        journal.log(new SchoolFact.BandsChosen(BandSchool.RESCUE_NMC));
        // the rescue school charges it slowly without more ado; the mark does not go
        assertEquals(Standing.RESCUED, standing(journal, DEEP));
        CellRecord cell = Cells.of(journal.state()).cell(DEEP).orElseThrow();
        assertTrue(Grader.isRescued(cell, Catalogue.of(journal.state()).modelOf(cell)));
    }

    @Test
    void aSchoolOfOnesOwnIsKeptBesideThoseThatComeWithTheProgram() {
        BandSchool own = BandSchool.USUAL_NMC.copy("as in our shed");
        WorkshopState state = workshop().log(new SchoolFact.BandsChosen(own)).state();
        assertEquals(own, Schools.of(state).bands(Chemistry.NMC));
        assertEquals(4, Schools.of(state).choices(Chemistry.NMC).size());
        assertEquals(3, Schools.of(state).choices(Chemistry.LFP).size());
    }

    @ParameterizedTest(name = "{0} V as {1}: {2}")
    // 3.2 V class rests at 3.2 to 3.35 V: common practice
    @CsvSource({
        "3.31, Quill Q22, true",
        "3.70, Quill Q22, false",
        "3.05, Quill Q22, false",
        "3.85, Bramfer, true",
        "3.33, Bramfer, false"
    })
    void aCellOfAnotherChemistryShowsByItsRestingVoltage(
            double volts, String model, boolean isOdd) {
        Journal journal =
                new Journal()
                        .model("Quill Q22", Chemistry.NMC, 2100)
                        .model("Bramfer", Chemistry.LFP, 1500);
        double rest = model.equals("Bramfer") ? 3.29 : 3.71;
        for (int i = 1; i <= 4; i++) journal.cell("A01-0" + i, model, "", rest + 0.004 * i);
        journal.cell("A01-05", model, "", volts);
        assertEquals(
                isOdd ? List.of(new CellId("A01-05")) : List.of(),
                LookTwice.of(journal.state()).stream().map(LookTwice.Suspicion::cell).toList());
    }

    @Test
    void aCapacityThatFitsAnotherModelNamesIt() {
        Journal journal = workshop().model("Halvorn HX34", Chemistry.NMC, 3400);
        CellId cell = new CellId("A01-01");
        journal.log(new CellFact.CapacityMeasured(cell, 3100, TestConditions.NOT_STATED));
        LookTwice.Suspicion odd = LookTwice.of(journal.state()).get(0);
        assertEquals(cell, odd.cell());
        assertTrue(odd.reason().sentence().contains("Halvorn HX34"), odd.reason().sentence());
    }

    @ParameterizedTest
    @CsvSource({
        "st, 'sleeve torn, tab stub', false",
        "A01-01 3.7 l, leak, true",
        "3.7 56 i, insulator ring missing, false",
        "A01-01 r d, rust / dent, true"
    })
    void blemishesAreTypedInSingleKeys(String line, String chips, boolean isFatal) {
        Line<LineAct> read = CellLine.read(line, bench());
        List<Piece> seen =
                read.pieces().stream().filter(piece -> piece.kind().equals("the can")).toList();
        assertEquals(chips, String.join(" / ", seen.stream().map(Piece::text).toList()));
        assertEquals(isFatal, seen.stream().anyMatch(piece -> piece.look() == Piece.Look.ODD));
        assertFalse(TypedLines.facts(read, new Journal().state()).isEmpty());
    }

    private static BenchContext bench() {
        return new BenchContext() {
            @Override
            public Optional<CellId> cellInHand() {
                return Optional.of(new CellId("A01-01"));
            }

            @Override
            public boolean isKnown(CellId cell) {
                return cell.text().startsWith("A01");
            }

            @Override
            public Optional<pentacell.core.cell.CellModel> modelOf(CellId cell) {
                return Optional.empty();
            }

            @Override
            public java.util.OptionalDouble lastMilliampHours(CellId cell) {
                return java.util.OptionalDouble.empty();
            }
        };
    }

    private static Standing standing(Journal journal, CellId id) {
        WorkshopState state = journal.state();
        CellRecord cell = Cells.of(state).cell(id).orElseThrow();
        return Grader.judge(
                        cell,
                        Catalogue.of(state).modelOf(cell),
                        Schools.of(state),
                        GradePolicy.USUAL)
                .verdict();
    }

    private static List<String> waiting(Journal journal) {
        return WaitingForTest.of(journal.state()).stream()
                .map(each -> each.cell().id().text())
                .toList();
    }

    private static <T> T last(List<T> list) {
        return list.get(list.size() - 1);
    }

    private static Journal workshop() {
        return new Journal()
                .model("Quill Q22", Chemistry.NMC, 2200)
                .cell("A01-01", "Quill Q22", "", 3.7)
                .cell("A01-02", "Quill Q22", "", 2.2)
                .cell("A01-03", "Quill Q22", "", 0.6);
    }
}
