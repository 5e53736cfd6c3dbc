package pentacell.core.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.judgement.Judged;
import pentacell.core.school.BandSchool;
import pentacell.core.school.IntakeVerdict;

final class TriageTest {

    @ParameterizedTest(name = "{0} V: {1}")
    // bands of the usual school: common practice
    @CsvSource({
        "-3.6, REJECT",
        "0.0, RECYCLE",
        "0.99, RECYCLE",
        "1.79, RECYCLE",
        "1.8, SLOW_CHARGE_WATCHED",
        "2.499, SLOW_CHARGE_WATCHED",
        "2.5, SLOW_CHARGE",
        "2.999, SLOW_CHARGE",
        "3.0, NORMAL",
        "4.20, NORMAL",
        "4.25, NORMAL",
        "4.26, REJECT",
        "4.40, REJECT"
    })
    void theUsualSchoolJudgesByFirstVoltage(double volts, IntakeVerdict verdict) {
        Judged<IntakeVerdict> judged = Triage.judge(volts, BandSchool.USUAL_NMC);
        assertEquals(verdict, judged.verdict());
        assertEquals(volts, judged.reasons().get(0).figure());
    }

    @ParameterizedTest(name = "{0} V: strict {1}, rescue {2}")
    // bands of the strict and the rescue school: common practice
    @CsvSource({
        "0.9, RECYCLE, RECYCLE",
        "1.0, RECYCLE, SLOW_CHARGE_WATCHED",
        "1.79, RECYCLE, SLOW_CHARGE_WATCHED",
        "1.8, RECYCLE, SLOW_CHARGE",
        "2.5, RECYCLE, SLOW_CHARGE",
        "2.799, RECYCLE, SLOW_CHARGE",
        "2.8, SLOW_CHARGE, NORMAL",
        "3.0, NORMAL, NORMAL",
        "4.2, NORMAL, NORMAL",
        "4.26, REJECT, REJECT"
    })
    void theOtherSchoolsDrawTheirLinesElsewhere(
            double volts, IntakeVerdict strict, IntakeVerdict rescue) {
        assertEquals(strict, Triage.judge(volts, BandSchool.STRICT_NMC).verdict());
        assertEquals(rescue, Triage.judge(volts, BandSchool.RESCUE_NMC).verdict());
    }

    @ParameterizedTest
    @EnumSource(Chemistry.class)
    void aLaxerSchoolNeverThrowsAwayWhatAStricterKeeps(Chemistry chemistry) {
        List<BandSchool> schools = BandSchool.shipped(chemistry);
        for (double volts = 0; volts < 5; volts += 0.01) {
            for (int i = 1; i < schools.size(); i++) {
                IntakeVerdict stricter = Triage.judge(volts, schools.get(i - 1)).verdict();
                IntakeVerdict laxer = Triage.judge(volts, schools.get(i)).verdict();
                assertTrue(laxer.goesOn() || !stricter.goesOn(), volts + " V");
            }
        }
    }

    @Test
    void aSchoolKnowsWhereRecoveryAndTheNormalBandBegin() {
        assertEquals(1.8, BandSchool.USUAL_NMC.recoveryFloorVolts());
        assertEquals(2.8, BandSchool.STRICT_NMC.recoveryFloorVolts());
        assertEquals(3.0, BandSchool.USUAL_NMC.normalFromVolts());
        assertThrows(IllegalArgumentException.class, () -> BandSchool.USUAL_NMC.copy(" "));
    }

    @ParameterizedTest(name = "LFP at {0} V: {1}")
    // rests at 3.2 to 3.35 V, charge limit 3.65 V, cut-off 2.0 to 2.5 V: common practice
    @CsvSource({"3.3, NORMAL", "3.65, NORMAL", "4.1, REJECT", "2.2, SLOW_CHARGE", "1.0, RECYCLE"})
    void lfpHasBandsOfItsOwn(double volts, IntakeVerdict verdict) {
        assertEquals(verdict, Triage.judge(volts, BandSchool.USUAL_LFP).verdict());
    }

    @Test
    void theReasonNamesFigureLimitAndSchool() {
        String sentence = Triage.judge(2.31, BandSchool.USUAL_NMC).reasons().get(0).sentence();
        assertTrue(
                sentence.contains("2.310\u00a0V") && sentence.contains("1.800\u00a0V"), sentence);
        assertTrue(sentence.contains("usual school"), sentence);
    }

    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, Double.POSITIVE_INFINITY})
    void aVoltageThatIsNoneIsRefused(double volts) {
        assertThrows(
                IllegalArgumentException.class, () -> Triage.judge(volts, BandSchool.USUAL_NMC));
    }
}
