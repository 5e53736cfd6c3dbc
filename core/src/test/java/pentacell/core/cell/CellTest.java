package pentacell.core.cell;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

final class CellTest {

    @ParameterizedTest
    @ValueSource(strings = {"HB03-07", "7", "Ä-1", "κ/3", "a.b#2_c"})
    void idsOfAnyScriptAreGood(String text) {
        assertTrue(CellId.problem(text).isEmpty());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                " ",
                "=SUM(A1)",
                "-7",
                "a b",
                "x\ty",
                "HB03\u202e07",
                "1234567890123456789012345"
            })
    void idsThatWouldBreakALabelOrASpreadsheetAreRefused(String text) {
        assertTrue(CellId.problem(text).isPresent());
        assertThrows(IllegalArgumentException.class, () -> new CellId(text));
    }

    @Test
    void idsAreShelvedInNaturalOrder() {
        List<String> shelved =
                Stream.of("HB10-1", "HB3-10", "HB3-2", "HB03-2", "HB3", "A9")
                        .map(CellId::new)
                        .sorted()
                        .map(CellId::text)
                        .toList();
        assertEquals(List.of("A9", "HB3", "HB03-2", "HB3-2", "HB3-10", "HB10-1"), shelved);
    }

    @ParameterizedTest
    @DisplayName(
            "format codes are two digits of diameter in mm and three of length in tenths (common practice)")
    @CsvSource({"18650, 18, 65.0", "21700, 21, 70.0", "26650, 26, 65.0", "32700, 32, 70.0"})
    void formatCodesGiveTheSizeOfTheCan(String code, double diameter, double length) {
        CellFormat format = CellFormat.parse(code).orElseThrow();
        assertEquals(diameter, format.diameterMillimetres());
        assertEquals(length, format.lengthMillimetres());
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "AA", "1865", "186500", "00000", "65018"})
    void codesThatAreNoneAreRefused(String code) {
        assertEquals(Optional.empty(), CellFormat.parse(code));
    }

    @Test
    void placesAreReadAndWrittenAlikeAndWalkedInOrder() {
        for (Place place :
                List.of(new Place("T1", 1, 1), new Place("Box2", 26, 9), new Place("T1", 27, 100)))
            assertEquals(Optional.of(place), Place.parse(place.toString()));
        assertEquals("T1-AA07", new Place("T1", 27, 7).toString());
        assertEquals(Optional.empty(), Place.parse("T1-07"));
        assertTrue(new Place("T2", 1, 1).compareTo(new Place("T10", 1, 1)) < 0);
        assertEquals(new Place("T1", 2, 1), new Tray("T1", 4, 10).place(10));
    }

    @ParameterizedTest
    // IEC 61960-3 from memory: the greatest dimensions, rounded up to whole millimetres
    @CsvSource({
        "ICR19/66, NMC, 18650",
        "INR19/66, NMC, 18650",
        "IMR27/66, NMC, 26650",
        "IFpR27/66, LFP, 26650",
        "INR22/71, NMC, 21700",
        "ICR15/51, NMC, 14500",
        "icr19/66, NMC, 18650"
    })
    void designationsNameChemistryAndSize(String text, Chemistry chemistry, String format) {
        CellDesignation read = CellDesignation.parse(text).orElseThrow();
        assertEquals(Optional.of(chemistry), read.chemistry());
        assertEquals(CellFormat.parse(format), read.format());
        assertTrue(read.fits(CellFormat.parse(format).orElseThrow()));
        assertEquals(CellFormat.parse(format), CellFormat.parseAny(text));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "18650", "ICP19/66/50", "ICR1966", "QCR19/66", "ICR19/6"})
    void whatIsNoDesignationIsRefused(String text) {
        assertTrue(CellDesignation.parse(text).isEmpty());
    }

    @Test
    void aDesignationDoesNotFitAnotherSize() {
        CellDesignation read = CellDesignation.parse("ICR19/66").orElseThrow();
        assertTrue(
                Stream.of("21700", "26650", "18500")
                        .noneMatch(code -> read.fits(CellFormat.parse(code).orElseThrow())));
        assertEquals(Optional.empty(), CellDesignation.parse("ITR19/66").orElseThrow().chemistry());
    }

    @ParameterizedTest
    // about what such cells weigh: common practice
    @CsvSource({"18650, NMC, 45.5", "21700, NMC, 67", "26650, LFP, 86"})
    void theCanTellsAboutTheMass(String format, Chemistry chemistry, double grams) {
        assertEquals(grams, CellFormat.parse(format).orElseThrow().approximateGrams(chemistry), 2);
    }
}
