package pentacell.core.harvest;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.Journal;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Construction;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.donor.WarningSign;
import pentacell.core.harvest.TeardownStep.Severity;
import pentacell.core.journal.Fact;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.Piece;
import pentacell.core.line.TypedLines;
import pentacell.core.state.WorkshopState;

final class HarvestLineTest {

    @ParameterizedTest(name = "{0} → {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "K01 3.98 3.52 3.97         | 1=3.98 2=3.52 3=3.97",
                "k01 3,98v 3,52V            | 1=3.98 2=3.52",
                "3.98                       | 1=3.98",
                "2:3.53                     | 2=3.53",
                "3=3.9 1=3.8                | 1=3.8 3=3.9",
                "K01 3.98 p11.4 o0 3.52     | 1=3.98 2=3.52 pack=11.4 output=0.0",
                "K01 3.98 swollen wet 12min | 1=3.98 12 minutes signs [SWOLLEN, WET]",
                "K01                        | ''"
            })
    void aLineIsLoggedAsItIsSaid(String line, String facts) {
        Line<LineAct> read = HarvestLine.read(line, state(), Optional.of("K01"));
        assertEquals(facts, written(TypedLines.facts(read, state())));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "3.9O",
                "3.9 3.9 3.9 3.9",
                "4:3.9",
                "K01 melted",
                "p",
                "1:",
                "2000",
                "0:3.9"
            })
    void whatIsNotUnderstoodSaysWhyAndIsNotLogged(String line) {
        Line<LineAct> read = HarvestLine.read(line, state(), Optional.of("K01"));
        assertTrue(TypedLines.whyNot(read).length() > 10, read.toString());
        assertTrue(TypedLines.kinds(read).contains(Piece.NOT_UNDERSTOOD), read.toString());
    }

    @Test
    void singleReadingsGoToTheGroupsInTurnAndBeginAgainWhenAllAreRead() {
        Journal journal = journal();
        for (String line : List.of("3.91", "3.92", "3.93", "3.71")) log(journal, line);
        DonorRecord record = Donors.of(journal.state()).record("K01").orElseThrow();
        assertEquals(List.of(3.71, 3.92, 3.93), List.copyOf(record.groupVolts().values()));
    }

    @Test
    void withoutADonorNothingIsLogged() {
        assertTrue(
                TypedLines.whyNot(HarvestLine.read("3.9", state(), Optional.empty()))
                        .startsWith("Which donor?"));
    }

    @Test
    void aDonorsRecordGathersEverythingAndADecisionCanBeTakenBack() {
        Journal journal = journal();
        log(journal, "3.91 3.92 3.93 p11.76 o11.7 refuses 12min");
        journal.log(new DonorFact.PartSaved("K01", "board", 1));
        journal.log(new DonorFact.PartSaved("K01", "board", 2));
        journal.log(new DonorFact.WayDecided("K01", DonorFact.DonorWay.SCRAP, "burnt"));
        DonorRecord record = Donors.of(journal.state()).record("K01").orElseThrow();
        assertEquals(OptionalDouble.of(11.76), record.packVolts());
        assertEquals(Set.of(WarningSign.CHARGER_REFUSES), record.signs());
        assertEquals(12, record.minutes());
        assertEquals(List.of(3), List.copyOf(record.parts().values()));
        assertTrue(record.decision().isPresent());
        journal.log(new DonorFact.WayDecided("K01", DonorFact.DonorWay.AS_ADVISED, ""));
        assertTrue(Donors.of(journal.state()).record("K01").orElseThrow().decision().isEmpty());
        journal.log(new DonorFact.DonorAdded(Donor.of("K01", "other", "", "")));
        assertEquals(
                3,
                Donors.of(journal.state()).record("K01").orElseThrow().groupVolts().size(),
                "described anew it keeps its readings");
        journal.log(new DonorFact.MinutesSpent("nobody", 3));
        assertTrue(Donors.of(journal.state()).record("nobody").isEmpty());
    }

    @ParameterizedTest(name = "{0} of {1}: {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "3 | 2s        | [] [SLEEVE_TORN] [] | 2 good, 1 need work.",
                "2 | 1st 2:l   | [SLEEVE_TORN, TAB_STUB] [LEAK] | 0 good, 1 need work, 1 out.",
                "2 | all:t, 1d | [TAB_STUB, DENT] [TAB_STUB] | 0 good, 1 need work, 1 out.",
                "1 | ''        | [] | 1 good."
            })
    void outcomesAreTypedCellByCell(String count, String faults, String cells, String words) {
        Outcome outcome = Outcome.read(count, faults);
        assertEquals(Optional.empty(), outcome.problem());
        assertEquals(
                cells, String.join(" ", outcome.blemishes().stream().map(Set::toString).toList()));
        assertEquals(words, outcome.words());
    }

    @ParameterizedTest
    @CsvSource({"'', ''", "0, ''", "3, 4s", "3, s", "3, 2x", "9999, ''", "3, 2"})
    void anOutcomeThatCannotBeIsSaid(String count, String faults) {
        assertTrue(Outcome.read(count, faults).problem().isPresent());
    }

    @Test
    void theTeardownTakesLeadsBeforeLinksAndWarnsOfHighVoltage() {
        for (Construction construction : Construction.values()) {
            Donor donor =
                    new Donor(
                            "K01",
                            "",
                            "",
                            "",
                            Optional.empty(),
                            Optional.of(new Arrangement(20, 1)),
                            Optional.of(construction),
                            Optional.empty(),
                            OptionalDouble.empty());
            // 20 × 4.2 V is over the 60 V of IEC 61140, from memory
            OptionalDouble full = Teardown.fullVolts(donor, Optional.of(Chemistry.NMC));
            assertEquals(84, full.orElseThrow(), 1e-9);
            List<TeardownStep> steps = Teardown.steps(donor, full);
            List<String> codes = steps.stream().map(TeardownStep::code).toList();
            if (!donor.hasCans()) {
                assertEquals(List.of("open"), codes, "it is left whole");
                assertTrue(steps.get(0).words().startsWith("Leave it whole"));
                continue;
            }
            assertEquals(codes.stream().distinct().toList(), codes);
            assertTrue(codes.indexOf("leads") < codes.indexOf("links"));
            assertTrue(codes.indexOf("open") < codes.indexOf("leads"));
            TeardownStep links = steps.get(codes.indexOf("links"));
            assertEquals(Severity.DANGER, links.hazard().orElseThrow().severity());
            assertTrue(links.hazard().orElseThrow().words().contains("licensed"));
        }
    }

    @Test
    void newCellsGoOnWhereTheNamesLeftOffAndLieWhereThereIsRoom() {
        Journal journal = journal().tray("T1", 1, 3).model("Quill Q22", Chemistry.NMC, 2150);
        journal.cell("K01-02", "Quill Q22", "T1-A02", 3.7);
        WorkshopState state = journal.state();
        Donor donor = Donors.of(state).record("K01").orElseThrow().donor();
        assertEquals(5, Teardown.cellsLeft(state, donor));
        List<CellId> ids = Teardown.newIds(state, "K01", 3);
        assertEquals("[K01-01, K01-03, K01-04]", ids.toString());
        List<CellFact> facts = Teardown.named(state, donor, ids, Outcome.read("3", "3p"));
        journal.log(facts.toArray(Fact[]::new));
        assertEquals(
                "T1-A03",
                Cells.of(journal.state())
                        .cell(ids.get(1))
                        .orElseThrow()
                        .place()
                        .orElseThrow()
                        .toString());
        assertTrue(
                Cells.of(journal.state()).cell(ids.get(2)).orElseThrow().place().isEmpty(),
                "no room");
        assertEquals(
                Set.of(Blemish.PUNCTURE),
                Cells.of(journal.state()).cell(ids.get(2)).orElseThrow().blemishes());
    }

    private static void log(Journal journal, String line) {
        journal.log(
                TypedLines.facts(
                                HarvestLine.read(line, journal.state(), Optional.of("K01")),
                                journal.state())
                        .toArray(Fact[]::new));
    }

    private static String written(List<Fact> facts) {
        StringBuilder written = new StringBuilder();
        for (Fact fact : facts)
            written.append(
                    switch (fact) {
                        case DonorFact.GroupsRead read -> {
                            StringBuilder groups = new StringBuilder();
                            new TreeMap<>(read.groupVolts())
                                    .forEach((group, volts) ->
                                            groups.append(group)
                                                    .append('=')
                                                    .append(volts)
                                                    .append(' '));
                            yield groups.toString();
                        }
                        case DonorFact.PackVoltageRead read -> "pack=" + read.volts() + " ";
                        case DonorFact.OutputVoltageRead read -> "output=" + read.volts() + " ";
                        case DonorFact.MinutesSpent spent -> spent.minutes() + " minutes ";
                        case DonorFact.SignsSeen seen -> "signs " + seen.signs() + " ";
                        default -> "unexpected " + fact;
                    });
        return written.toString().strip();
    }

    private static WorkshopState state() {
        return journal().state();
    }

    private static Journal journal() {
        return new Journal()
                .log(
                        new DonorFact.DonorAdded(
                                new Donor(
                                        "K01",
                                        "dock",
                                        "Quill Q22",
                                        "",
                                        Optional.empty(),
                                        Arrangement.parse("3S2P"),
                                        Optional.empty(),
                                        Optional.empty(),
                                        OptionalDouble.empty())));
    }
}
