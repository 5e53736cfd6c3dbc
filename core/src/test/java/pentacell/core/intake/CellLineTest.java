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
import pentacell.core.Journal;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.Piece;
import pentacell.core.line.TypedLines;

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
        Line<LineAct> line = CellLine.read(text, BENCH);
        assertEquals(
                Optional.of(new LineAct.Subject.OfCell(new CellId(cell))),
                TypedLines.act(line).subject());
        assertEquals(
                readings,
                facts(line).stream().map(CellLineTest::written).collect(Collectors.joining(" ")));
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
        String said = TypedLines.whyNot(CellLine.read(text, BENCH));
        assertTrue(said.contains(why), said);
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
        Line<LineAct> line = CellLine.read(text, BENCH);
        assertFalse(facts(line).isEmpty());
        assertTrue(line.remark().contains(why), line::remark);
        assertTrue(line.pieces().stream().anyMatch(piece -> piece.look() == Piece.Look.ODD));
    }

    @Test
    void aNoteFollowsAQuotationMark() {
        Line<LineAct> line = CellLine.read("HB03-07 3.6 \"sleeve torn 3 mm", BENCH);
        assertEquals(List.of("cell", "voltage", "note"), TypedLines.kinds(line));
        assertEquals("sleeve torn 3 mm", line.pieces().get(2).text());
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
            Line<LineAct> line = CellLine.read(text, BENCH);
            for (Piece piece : line.pieces())
                if (piece.look() == Piece.Look.REFUSED)
                    assertTrue(
                            text.replace('"', ' ').contains(piece.text()),
                            () -> piece + " of " + text);
            switch (line) {
                case Line.Incomplete<LineAct> no ->
                        assertTrue(
                                text.isBlank() || !no.remark().isEmpty(),
                                () -> "a refusal without a reason of " + text);
                // the facts check their own ranges: reading them must not throw
                case Line.Complete<LineAct> yes ->
                        assertTrue(facts(yes).size() <= line.pieces().size());
            }
        }
    }

    @ParameterizedTest(name = "{0} is {1}")
    @CsvSource({
        "5.99, voltage",
        "6, IR",
        "399.9, IR",
        "400, capacity",
        "-1, voltage",
        "0.5ah, capacity",
        "500mv, voltage",
        "2ohm, IR",
        "3mah, capacity",
        "x2, unit",
        "×12, unit",
        "x0, not understood",
        "x2000, not understood"
    })
    void aBareNumberIsTakenByItsSizeAndAUnitOverrulesIt(String text, String kind) {
        assertEquals(List.of(kind), TypedLines.kinds(CellLine.read(text, BENCH)));
    }

    @Test
    void anEmptyLineIsNotComplete() {
        assertEquals("", TypedLines.whyNot(CellLine.read("  ", BENCH)));
    }

    private static List<CellFact> facts(Line<LineAct> line) {
        return TypedLines.facts(line, new Journal().state()).stream()
                .map(CellFact.class::cast)
                .toList();
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
