package pentacell.core.service;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/// The words of what is found in a history: the one place where they are tested.
final class ServiceFindingWordsTest {
    static Stream<Arguments> findings() {
        return Stream.of(
                Arguments.of(
                        new Finding.CellsOff(4, 4, 20, 0.79, 42, Finding.ShownBy.ITS_RUN, 0.9),
                        "group 5 holds 79 % of what the others do: about 4 cells of 20 off the busbar",
                        "42 mV lower than the others at the end"),
                Arguments.of(
                        new Finding.CellsOff(
                                0, 1, 3, 0.7, Double.NaN, Finding.ShownBy.FALLING_BELOW_ALL, 0.9),
                        "group 1 falls below all others again and again, it holds about 70 % of what the others do: about 1 cell of 3 off the busbar",
                        ""),
                Arguments.of(
                        new Finding.CellsOff(
                                0,
                                6,
                                10,
                                0.4,
                                Double.NaN,
                                Finding.ShownBy.BEING_FIRST_AT_BOTH_ENDS,
                                0.9),
                        "group 1 is the first to be full and the first to be low, it holds about 40 % of what the others do: about 6 cells of 10 off the busbar",
                        ""),
                Arguments.of(
                        new Finding.SelfDischarge(2, 0.24, 25, Finding.LossFrom.VOLTAGE, 0.9),
                        "group 3 loses 10.0 mA by itself: a tenth of the charge in 25 days",
                        "0.240 Ah per day"),
                Arguments.of(
                        new Finding.SelfDischarge(
                                2, 0.24, 25, Finding.LossFrom.COUNTED_CHARGE, 0.9),
                        "group 3 loses 10.0 mA by itself: a tenth of the charge in 25 days. This comes from the charge counted since full and may be off by up to half",
                        "0.240 Ah per day"),
                Arguments.of(
                        new Finding.SelfDischarge(2, 0.24, 25, Finding.LossFrom.FLAT_VOLTAGE, 0.9),
                        "group 3 loses 10.0 mA by itself: a tenth of the charge in 25 days. LFP voltages show charge only near full and near empty, so the true loss may be a third of this or three times as much",
                        "0.240 Ah per day"),
                Arguments.of(
                        new Finding.Gain(2, 0.12, 0.9),
                        "group 3 gains 5.0 mA on the others: they feed something that it does not, or it is charged alone",
                        "0.120 Ah per day"),
                Arguments.of(
                        new Finding.Tap(0, 2, 6, 0.9),
                        "groups 1 to 3 lose 6.0 mA each, alike: something is fed from them alone",
                        ""),
                Arguments.of(
                        new Finding.MoreResistance(1, 2.5, 0.9),
                        "group 2 drops 2.50 mΩ more than the others: a joint, a link or worn cells",
                        ""),
                Arguments.of(
                        new Finding.Misread(1, -25, 0.9),
                        "group 2 reads 25 mV low at any state of charge: it is read wrongly",
                        ""));
    }

    @ParameterizedTest
    @MethodSource("findings")
    void whatAFindingIs(Finding finding, String sentence, String figure) {
        assertEquals(sentence, plain(ServiceFindingWords.sentence(finding)));
        assertEquals(figure, plain(ServiceFindingWords.figure(finding)));
        assertTrue(ServiceFindingWords.check(finding).length() > 20);
    }

    @Test
    void aSmallLossIsReadAgainAndALargeOneIsWarm() {
        List<String> checks =
                Stream.of(0.1, 0.5)
                        .map(aDay ->
                                ServiceFindingWords.check(
                                        new Finding.SelfDischarge(
                                                0, aDay, 10, Finding.LossFrom.VOLTAGE, 1)))
                        .toList();
        assertTrue(checks.get(0).startsWith("read the groups again"), checks::toString);
        assertTrue(checks.get(1).contains("take the pack apart"), checks::toString);
    }

    /// Ah over the balancer's current; 50 mA when that is not known (common practice).
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "-0.96 | NaN | a balancer of 50 mA evens it out in about 19 h near full; quicker: charge that group on its own",
                "1.5 | 60 | its balancer of 60 mA evens it out in about 25 h near full; quicker: discharge that group on its own",
                "0.04 | 100 | its balancer of 100 mA evens it out in under an hour near full; quicker: discharge that group on its own"
            })
    void howLongABalancerNeeds(double aheadAmpHours, double milliamps, String said) {
        assertEquals(
                said,
                plain(
                        ServiceFindingWords.remedy(
                                new OutOfBalance(2, aheadAmpHours, aheadAmpHours / 20, false),
                                Double.isNaN(milliamps)
                                        ? OptionalDouble.empty()
                                        : OptionalDouble.of(milliamps))));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "-0.96 | false | group 3 is 0.96 Ah below the others throughout, 4.8 % of the charge used: out of balance, not worn",
                "0.5 | false | group 3 is 0.50 Ah above the others throughout, 2.5 % of the charge used: out of balance, not worn",
                "0.5 | true | group 3 is 0.50 Ah above the others throughout, 2.5 % of the charge used: out of balance, or read wrongly; this history looks the same for both, a good meter tells"
            })
    void howFarAGroupIsFromTheOthers(double aheadAmpHours, boolean orMisread, String said) {
        assertEquals(
                said,
                plain(
                        ServiceFindingWords.sentence(
                                new OutOfBalance(
                                        2, aheadAmpHours, aheadAmpHours / 20, orMisread))));
    }

    @ParameterizedTest
    @EnumSource(UseAlarm.Kind.class)
    void anAlarmGivesItsDayItsFigureAndItsLimit(UseAlarm.Kind kind) {
        String said =
                plain(
                        ServiceFindingWords.sentence(
                                new UseAlarm(
                                        kind,
                                        1,
                                        61.5,
                                        55,
                                        Instant.parse("2026-04-02T23:30:00Z"),
                                        3),
                                ZoneOffset.ofHours(1)));
        assertTrue(said.contains("3 Apr 2026"), said);
        assertTrue(said.contains("61.5") || said.contains("62"), said);
        assertTrue(kind == UseAlarm.Kind.WARMER || said.contains("55"), said);
    }

    private static String plain(String said) {
        return said.replace('\u00a0', ' ').replace('\u202f', ' ');
    }
}
