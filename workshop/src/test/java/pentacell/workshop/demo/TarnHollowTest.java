package pentacell.workshop.demo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.harvest.Advice;
import pentacell.core.harvest.Diagnose;
import pentacell.core.harvest.Diagnosis;
import pentacell.core.harvest.PackReadings;
import pentacell.core.harvest.Signature;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.Standing;
import pentacell.workshop.logbook.Logbook.Draft;

final class TarnHollowTest {
    private static final List<Draft> JOURNAL = TarnHollow.journal();
    private static final WorkshopState STATE = TarnHollow.state(JOURNAL);

    @Test
    void theDemoIsTheSameEveryTime() {
        assertEquals(JOURNAL, TarnHollow.journal());
    }

    @Test
    void ofTwentyFiveDonorsTwentyAreOpenedAndEveryCellHasAPlaceOfItsOwn() {
        assertEquals(25, Donors.of(STATE).described().size());
        assertEquals(
                20,
                Donors.of(STATE).described().keySet().stream()
                        .filter(code -> !Cells.of(STATE).ofDonor(code).isEmpty())
                        .count());
        Set<CellId> inUse = Packs.of(STATE).pack(TarnHollow.RED_LAMPS).orElseThrow().cells();
        assertEquals(181 + inUse.size(), Cells.of(STATE).all().size());
        Map<String, CellId> places = new HashMap<>();
        for (CellRecord cell : Cells.of(STATE).all().values()) {
            if (inUse.contains(cell.id())) continue;
            CellId there = places.put(cell.place().orElseThrow().toString(), cell.id());
            assertEquals(null, there, cell.id() + " lies on another cell");
            assertTrue(Donors.of(STATE).described().containsKey(cell.donor().orElseThrow()));
            assertTrue(Catalogue.of(STATE).models().containsKey(cell.model().orElseThrow()));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "LD08, LOW_GROUP, REPAIR",
        "LD09, BOARD_DEAD, HARVEST",
        "HB06, DRIFTED, HARVEST",
        "HT08, DEAD_GROUPS, SCRAP",
        "LD04, LOW_GROUP, REPAIR",
        "LD06, LOW_GROUP, HARVEST",
        "LL01, HEALTHY, USE"
    })
    void itsPacksShowWhatPacksShow(String donor, Signature signature, Advice advice) {
        DonorRecord record = Donors.of(STATE).record(donor).orElseThrow();
        Diagnosis diagnosis =
                Diagnose.pack(
                        PackReadings.of(
                                        record,
                                        Catalogue.of(STATE).model(record.donor().cellModel()))
                                .orElseThrow(),
                        Schools.of(STATE));
        assertEquals(signature, diagnosis.signature());
        assertEquals(advice, diagnosis.advice());
        assertTrue(record.donor().label().oddity().isEmpty(), "its label makes sense");
    }

    @Test
    void everyDonorHasReadingsOfItsOwn() {
        Map<Map<Integer, Double>, String> read = new HashMap<>();
        Donors.of(STATE)
                .records()
                .forEach((code, donor) -> {
                    if (donor.groupVolts().isEmpty()) return;
                    String other = read.put(donor.groupVolts(), code);
                    assertEquals(null, other, code + " reads as another pack does");
                });
        assertTrue(read.size() >= 20, () -> read.values().toString());
    }

    @Test
    void cellsAreInAllStagesOfTheWork() {
        JudgedStock judged = JudgedStock.of(STATE);
        for (Standing standing :
                List.of(Standing.FIT, Standing.RESCUED, Standing.UNDER_TEST, Standing.OUT))
            assertTrue(judged.count(standing) > 0, standing.words());
        assertTrue(judged.count(Standing.FIT) > 100);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "LD04-03, RESCUED",
        "HB03-09, OUT",
        "LD05-02, OUT",
        "HB02-11, OUT",
        "HT04-05, OUT",
        "HB05-12, UNDER_TEST",
        "HB01-04, FIT"
    })
    void theMishapsOfTheTradeAreInIt(String cell, Standing standing) {
        assertEquals(standing, JudgedStock.of(STATE).standing(new CellId(cell)));
    }

    @Test
    void twoPacksAreMatchedAndOneIsHalfPicked() {
        Pack night = Packs.of(STATE).pack(TarnHollow.LONG_NIGHT).orElseThrow();
        Pack dome = Packs.of(STATE).pack(TarnHollow.DOME).orElseThrow();
        assertEquals(70, night.cellCount());
        assertEquals("4S5P", dome.rules().arrangement());
        assertEquals(5, dome.picked().size());
    }

    @Test
    void timeOnlyGoesForward() {
        Instant before = Instant.MIN;
        for (Draft draft : JOURNAL) {
            assertTrue(!draft.at().isBefore(before), draft.words());
            before = draft.at();
        }
    }
}
