package pentacell.core.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.intake.QuickToken.Kind;

final class CellLineTest {
    private static final CellModel MODEL =
            new CellModel(
                    "Halvorn HX26",
                    CellFormat.parse("18650").orElseThrow(),
                    Chemistry.NMC,
                    2500,
                    2600,
                    CellLimits.careful(Chemistry.NMC, 2500));

    /// A bench where only HB03-06 was logged before, at 2150 mAh, and it is in hand.
    private static final BenchContext BENCH =
            new BenchContext() {
                private static final CellId KNOWN = new CellId("HB03-06");

                @Override
                public Optional<CellId> cellInHand() {
                    return Optional.of(KNOWN);
                }

                @Override
                public boolean isKnown(CellId cell) {
                    return cell.equals(KNOWN) || cell.text().equals("4711");
                }

                @Override
                public Optional<CellModel> modelOf(CellId cell) {
                    return cell.text().startsWith("HB") ? Optional.of(MODEL) : Optional.empty();
                }

                @Override
                public OptionalDouble lastMilliampHours(CellId cell) {
                    return cell.equals(KNOWN) ? OptionalDouble.of(2150) : OptionalDouble.empty();
                }
            };

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "HB03-07 3.68 56 2143      | HB03-07 | 3.68 V 56 R 2143 C",
                "HB03-07 3,68 56,2 2143    | HB03-07 | 3.68 V 56.2 R 2143 C",
                "HB03-07 2143 3.68v 56m    | HB03-07 | 2143 C 3.68 V 56 R",
                "HB03-07 3.68 56dc 2143    | HB03-07 | 3.68 V 56 D 2143 C",
                "HB03-07 0.056ohmDC        | HB03-07 | 56 D",
                "HB03-07 3680mV 56.2mΩ 2.143Ah | HB03-07 | 3.68 V 56.2 R 2143 C",
                "HB03-07 56mohm            | HB03-07 | 56 R",
                "3.68                      | HB03-06 | 3.68 V",
                "2143mah;56;3.7            | HB03-06 | 2143 C 56 R 3.7 V",
                "4711 3.5                  | 4711    | 3.5 V",
                "0,056ohm                  | HB03-06 | 56 R",
                "-3.61                     | HB03-06 | -3.61 V"
            })
    void aLineIsReadAsWrittenOnTheCan(String text, String cell, String readings) {
        CellLine line = CellLine.read(text, BENCH);
        assertTrue(line.isComplete(), () -> line.tokens().toString());
        assertEquals(new CellId(cell), line.cell().orElseThrow());
        assertEquals(
                readings,
                line.readings().stream()
                        .map(CellLineTest::written)
                        .collect(Collectors.joining(" ")));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "HB03-07 5O.2        | letter O",
                "HB03-07 3.68 3.70   | is twice",
                "HB03-07 volts       | is not a number",
                "HB03-07 1.234,5     | comma and a point",
                "HB03*07 3.68        | has \"*\"",
                "HB03-07 0mAh        | capacity is above 0",
                "HB03-07 1e9         | capacity is above 0",
                "HB03-07 NaN         | is not a number"
            })
    void whatIsNotUnderstoodSaysWhyAndIsNotLogged(String text, String why) {
        CellLine line = CellLine.read(text, BENCH);
        assertFalse(line.isComplete());
        assertTrue(reasons(line).contains(why), () -> reasons(line));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "HB03-07 2.3          | slow charge, watched",
                "HB03-07 4.3          | overcharged",
                "HB03-07 -3.6         | reversed",
                "HB03-07 3.6 180      | is over",
                "HB03-07 3.6 2mohm    | unusual",
                "HB03-07 2900         | reads high",
                "HB03-07 500          | wrong cut-off",
                "HB03-06 1800         | right cell?"
            })
    void oddValuesAreMarkedButCanBeLogged(String text, String why) {
        CellLine line = CellLine.read(text, BENCH);
        assertTrue(line.isComplete());
        assertTrue(reasons(line).contains(why), () -> reasons(line));
    }

    @Test
    void aNoteFollowsAQuotationMark() {
        CellLine line = CellLine.read("HB03-07 3.6 \"sleeve torn 3 mm", BENCH);
        assertEquals(
                List.of(Kind.CELL, Kind.VOLTAGE, Kind.NOTE),
                line.tokens().stream().map(QuickToken::kind).toList());
        assertEquals("sleeve torn 3 mm", line.tokens().get(2).chip());
    }

    @RepeatedTest(40)
    @DisplayName(
            "whatever is typed, nothing is thrown, nothing is lost, and only sound values are logged")
    void anythingCanBeTyped(RepetitionInfo repetition) {
        SplittableRandom random = new SplittableRandom(repetition.getCurrentRepetition());
        String alphabet = "HB03-07 .,;\"0123456789vVmMΩohAa+−eE#_/\t=ü漢'";
        for (int i = 0; i < 500; i++) {
            StringBuilder typed = new StringBuilder();
            int length = random.nextInt(30);
            for (int j = 0; j < length; j++)
                typed.append(alphabet.charAt(random.nextInt(alphabet.length())));
            String text = typed.toString();
            CellLine line = CellLine.read(text, BENCH);
            for (QuickToken token : line.tokens()) {
                assertTrue(
                        text.replace('"', ' ').contains(token.text()), () -> token + " of " + text);
                boolean refused = token.kind() == Kind.NOT_UNDERSTOOD;
                assertTrue(
                        !refused || token.oddity().isPresent(),
                        () -> "a refusal without a reason in " + text);
            }
            // the facts check their own ranges: reading them must not throw
            if (line.isComplete()) assertTrue(line.readings().size() <= line.tokens().size());
        }
    }

    @ParameterizedTest(name = "{0} is {1}")
    @CsvSource({
        "5.99, VOLTAGE",
        "6, RESISTANCE",
        "399.9, RESISTANCE",
        "400, CAPACITY",
        "-1, VOLTAGE",
        "0.5ah, CAPACITY",
        "500mv, VOLTAGE",
        "2ohm, RESISTANCE",
        "3mah, CAPACITY",
        "x2, CANS",
        "×12, CANS",
        "x0, NOT_UNDERSTOOD",
        "x2000, NOT_UNDERSTOOD"
    })
    void aBareNumberIsTakenByItsSizeAndAUnitOverrulesIt(String text, Kind kind) {
        assertEquals(
                List.of(kind),
                CellLine.read(text, BENCH).tokens().stream().map(QuickToken::kind).toList());
    }

    @Test
    void anEmptyLineIsNotComplete() {
        assertFalse(CellLine.read("  ", BENCH).isComplete());
    }

    private static String reasons(CellLine line) {
        return line.tokens().stream()
                .flatMap(token -> token.oddity().stream())
                .map(reason -> reason.sentence())
                .collect(Collectors.joining(" "));
    }

    private static String written(CellFact fact) {
        return switch (fact) {
            case CellFact.VoltageRead read -> number(read.volts()) + " V";
            case CellFact.ResistanceRead read ->
                    number(read.milliohms())
                            + (read.method() == CellFact.ResistanceMethod.DC ? " D" : " R");
            case CellFact.CapacityMeasured measured -> number(measured.milliampHours()) + " C";
            case CellFact.CellNoted noted -> "note";
            case CellFact.CellNamed named -> "named";
            case CellFact.CansCounted counted -> counted.count() + " cans";
            case CellFact.CellPlaced placed -> "placed";
            case pentacell.core.cell.RunFact run -> run.toString();
            case CellFact.CellDecided decided -> "decided";
            case CellFact.BlemishesSeen seen -> "blemishes " + seen.blemishes();
            case CellFact.PrepDone done -> "prepared";
            case CellFact.LabelPrinted printed -> "label";
            case CellFact.HandedOver gone -> "gone";
        };
    }

    private static String number(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }
}
