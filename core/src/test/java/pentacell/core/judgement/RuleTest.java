package pentacell.core.judgement;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

final class RuleTest {

    @ParameterizedTest
    @EnumSource(Rule.class)
    void everyRuleMakesASentenceWithNothingLeftOpen(Rule rule) {
        String sentence = new Reason(rule, 2.5, 3.0, "because").sentence();
        assertFalse(sentence.contains("{") || sentence.contains("}"), sentence);
        assertFalse(sentence.contains("NaN"), sentence);
        assertFalse(new Reason(rule, Double.NaN, Double.NaN, "").sentence().contains("NaN"));
    }

    @Test
    void figuresCarryTheirUnits() {
        assertEquals(
                "Measured capacity is 72.4\u00a0% of rated, under the limit of 80.0\u00a0%.",
                Reason.of(Rule.SOH_UNDER_LIMIT, 72.41, 80).sentence());
        assertEquals(
                "Internal resistance 156.0\u00a0mΩ is over 120.0\u00a0mΩ, poor for this use.",
                Reason.of(Rule.RESISTANCE_HIGH, 156, 120).sentence());
    }
}
