package pentacell.core.donor;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;

final class DonorTest {

    @ParameterizedTest
    @CsvSource({"3S2P, 3, 2", "10s4p, 10, 4", "4P12S, 12, 4", "5S, 5, 1", "14S 193P, 14, 193"})
    void arrangementsAreReadAsTheyAreWritten(String text, int series, int parallel) {
        assertEquals(Optional.of(new Arrangement(series, parallel)), Arrangement.parse(text));
        Arrangement read = Arrangement.parse(text).orElseThrow();
        assertEquals(Optional.of(read), Arrangement.parse(read.toString()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "3", "P2", "0S2P", "3S0P", "S3P2", "201S1P", "3S2P4"})
    void whatIsNoArrangementIsRefused(String text) {
        assertTrue(Arrangement.parse(text).isEmpty());
    }

    @ParameterizedTest
    @CsvSource({
        "hire-bicycle module, HB",
        "library docking pack, LD",
        "ice-cutter pack, JC",
        "Ölpumpe, Ö",
        "'', D"
    })
    void codesAreProposedShortAndUnique(String kind, String stem) {
        Set<String> taken = new HashSet<>();
        for (int i = 1; i <= 12; i++) {
            String code = DonorCode.propose(kind, taken);
            assertTrue(code.startsWith(stem) && code.length() <= stem.length() + 2, code);
            assertTrue(CellId.problem(code + "-01").isEmpty());
            assertTrue(taken.add(code), "unique");
        }
        assertEquals("K3", DonorCode.proposeLot(Set.of("K1", "K2")));
    }

    @ParameterizedTest(name = "{0} V of {1} groups: {2}")
    // nominal 3.6–3.85 V and 3.2–3.3 V a group: common practice
    @CsvSource({"10.8, 3, NMC", "11.1, 3, NMC", "36, 10, NMC", "12.8, 4, LFP", "25.6, 8, LFP"})
    void theLabelsVoltageTellsTheChemistry(double volts, int series, Chemistry chemistry) {
        assertEquals(Optional.of(chemistry), label(volts, 4, 43).chemistry(series));
        assertEquals(Optional.empty(), label(volts, 4, 43).chemistry(series * 2));
    }

    @Test
    void aLabelWhoseWattHoursDoNotFitIsOdd() {
        assertTrue(label(10.8, 4.4, 48).oddity().isEmpty(), "47.5 is rounded to 48");
        String sentence = label(10.8, 4.4, 84).oddity().orElseThrow().sentence();
        assertTrue(sentence.contains("84.0") && sentence.contains("47.5"), sentence);
        assertTrue(PackLabel.NONE.oddity().isEmpty());
    }

    @Test
    void absurdFiguresAreRefused() {
        assertThrows(IllegalArgumentException.class, () -> label(Double.NaN, 4, 4));
        assertThrows(IllegalArgumentException.class, () -> new Price(-1, "EUR"));
        assertThrows(IllegalArgumentException.class, () -> new Price(1, "eur"));
        Price price = new Price(12, "EUR");
        LocalDate day = LocalDate.of(2026, 3, 1);
        assertThrows(IllegalArgumentException.class, () -> new Lot("K 1", "", day, price, 0, 1, 0));
        assertThrows(
                IllegalArgumentException.class,
                () -> new Lot("K1", "", day, price, Double.NaN, 1, 0));
        assertEquals(16.5, new Lot("K1", "", day, price, 4.5, 1, 0).cost());
    }

    @Test
    void everySignIsTypedWithAWordOfItsOwn() {
        Set<String> words = new HashSet<>();
        for (WarningSign sign : WarningSign.values()) {
            assertTrue(words.add(sign.word()));
            assertEquals(sign.word().toLowerCase(Locale.ROOT), sign.word());
        }
    }

    private static PackLabel label(double volts, double ampHours, double wattHours) {
        return new PackLabel(
                OptionalDouble.of(volts),
                OptionalDouble.of(ampHours),
                OptionalDouble.of(wattHours));
    }
}
