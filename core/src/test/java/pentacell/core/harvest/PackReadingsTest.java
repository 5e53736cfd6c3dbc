package pentacell.core.harvest;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Journal;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;

/// What the readings of a donor come to.
final class PackReadingsTest {

    private static Optional<PackReadings> of(String arrangement, String volts) {
        Donor donor =
                new Donor(
                        "K01",
                        "",
                        "",
                        "",
                        Optional.empty(),
                        Arrangement.parse(arrangement),
                        Optional.empty(),
                        Optional.empty(),
                        OptionalDouble.empty());
        Journal journal = new Journal().log(new DonorFact.DonorAdded(donor));
        TreeMap<Integer, Double> read = new TreeMap<>();
        String[] each = volts.isEmpty() ? new String[0] : volts.split(";");
        for (int i = 0; i < each.length; i++)
            if (!each[i].equals("-")) read.put(i + 1, Double.parseDouble(each[i]));
        if (!read.isEmpty()) journal.log(new DonorFact.GroupsRead("K01", read));
        DonorRecord record = Donors.of(journal.state()).record("K01").orElseThrow();
        return PackReadings.of(record, Optional.empty());
    }

    @ParameterizedTest(name = "{0} read {1}: judged {2}")
    @CsvSource({
        "3S2P, 3.9;3.9;3.9, true",
        "3S2P, 3.9;3.9, false",
        "3S2P, 3.9;-;3.9, false",
        "3S2P, '', false",
        "'', 3.9;3.9, true",
        "'', 3.9;-;3.9, false",
        "3S2P, 3.9;3.9;3.9;3.9, true"
    })
    void aPackIsJudgedWhenEveryGroupWasRead(String arrangement, String volts, boolean isJudged) {
        assertEquals(isJudged, of(arrangement, volts).isPresent());
    }

    /// No iron phosphate rests over 3.70 V; a single group there may have been overcharged.
    @ParameterizedTest(name = "{0}: told {1}")
    @CsvSource({
        "3.71;3.71;3.2, true",
        "3.71;3.20;3.2, false",
        "3.70;3.70;3.7, false",
        "3.30;3.30;3.3, false"
    })
    void twoGroupsThatRestHighTellTheChemistry(String volts, boolean isTold) {
        PackReadings readings = of("3S1P", volts).orElseThrow();
        assertEquals(isTold, readings.isChemistryKnown());
        assertEquals(Chemistry.NMC, readings.chemistry());
    }

    @Test
    void readingsThatNoMeterGivesAreRefused() {
        assertEquals(1000, PackReadings.of(Chemistry.NMC, List.of(1000.0)).sum());
        for (List<Double> wrong :
                List.of(List.<Double>of(), List.of(1000.1), List.of(-1000.1), List.of(Double.NaN)))
            assertThrows(
                    IllegalArgumentException.class, () -> PackReadings.of(Chemistry.NMC, wrong));
    }
}
