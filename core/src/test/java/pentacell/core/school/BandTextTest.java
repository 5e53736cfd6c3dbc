package pentacell.core.school;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Chemistry;

final class BandTextTest {

    @ParameterizedTest
    @EnumSource(Chemistry.class)
    void everySchoolIsReadBackAsItIsWritten(Chemistry chemistry) {
        for (BandSchool policy : BandSchool.shipped(chemistry)) {
            BandText read = BandText.read("own", chemistry, BandText.of(policy));
            assertEquals(Optional.of(policy.copy("own")), read.policy(), BandText.of(policy));
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "0 recycle",
                "0 recycle, over",
                "1 recycle, 3 normal, over 4.25",
                "0 recycle, 3 fine, over 4.25",
                "0 recycle, 3.0 normal, 2.5 slow-charge, over 4.25",
                "0 recycle, 3.O normal, over 4.25",
                "0 recycle, 3 normal, over 2.9",
                "0 recycle, 3 normal, over 6",
                "0 recycle, 3 reject, over 4.25"
            })
    void aLineThatIsNoSchoolSaysWhy(String line) {
        BandText read = BandText.read("own", Chemistry.NMC, line);
        assertTrue(read.policy().isEmpty() && read.problem().orElseThrow().endsWith("."), line);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "usual school"})
    void aCopyNeedsANameOfItsOwn(String name) {
        String line = BandText.of(BandSchool.USUAL_NMC);
        assertTrue(BandText.read(name, Chemistry.NMC, line).problem().isPresent());
    }
}
