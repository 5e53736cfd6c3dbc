package pentacell.core.build;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.build.TapFault.Direction;
import pentacell.core.build.TapFault.Why;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RestingLevel;

/// What is found about a layout and the balance leads, in words.
final class BuildFindingWordsTest {
    static Stream<Arguments> faults() {
        return Stream.of(
                Arguments.of(
                        new TapFault.Swapped(2, 3),
                        "leads 2 and 3 have changed places: move one at a time and insulate its end meanwhile"),
                Arguments.of(
                        new TapFault.WrongTap(3, 2),
                        "lead 3 is on the positive of group 2, it belongs on the positive of group 3"),
                Arguments.of(
                        new TapFault.Silent(0),
                        "lead 0 reads nothing: it is broken, or was never joined to the pack's negative"),
                Arguments.of(
                        new TapFault.AllSilent(7),
                        "no lead reads anything: is the black probe on the pack's negative?"),
                Arguments.of(
                        new TapFault.FirstFloats(0.3),
                        "lead 0 reads 0.30 V, so it is not on the pack's negative, where it would read no more than 0.05 V"),
                Arguments.of(
                        new TapFault.Shifted(1, 7, Direction.TOO_LOW, OptionalInt.empty()),
                        "leads 1 to 7 are off by one: each is a joint too low"),
                Arguments.of(
                        new TapFault.Shifted(3, 7, Direction.TOO_LOW, OptionalInt.of(3)),
                        "leads 3 to 7 are off by one: each is a joint too low; or group 3 holds nothing"),
                Arguments.of(
                        new TapFault.Shifted(0, 6, Direction.TOO_HIGH, OptionalInt.empty()),
                        "leads 0 to 6 are off by one: each is a joint too high"),
                Arguments.of(
                        new TapFault.Reversed(7),
                        "the row is in reverse order: lead 0 is on the pack's positive, lead 7 on its negative; rewire the plug the other way round"),
                Arguments.of(
                        new TapFault.NoJoint(3, 14.6, 7),
                        "lead 3 reads 14.60 V, which fits no joint of this pack: read it again, and look for a bad contact"),
                Arguments.of(
                        new TapFault.NoJoint(7, 14.6, 7),
                        "lead 7 reads 14.60 V, which fits no joint of this pack: read it again, and look for a bad contact; or the last group is far off"),
                Arguments.of(
                        new TapFault.NoPattern(7, Why.BELOW_ZERO),
                        "readings are below zero: put the black probe on the pack's negative and read again"),
                Arguments.of(
                        new TapFault.NoPattern(7, Why.NO_PATTERN),
                        "the readings fit no pattern: read again"),
                Arguments.of(
                        new TapFault.GroupOdd(3, 3.97, 4.17),
                        "leads are right, but group 3 has 3.970 V, below the others' 4.170 V: even it out before the board is plugged in"));
    }

    @ParameterizedTest
    @MethodSource("faults")
    void whatIsWrong(TapFault fault, String sentence) {
        assertEquals(sentence, BuildFindingWords.sentence(fault).replace('\u00a0', ' '));
    }

    static Stream<Arguments> remarks() {
        return Stream.of(
                Arguments.of(
                        new LayoutRemark.GroupInPieces(1, 2),
                        "group 1 is in 2 pieces: its cells must touch"),
                Arguments.of(new LayoutRemark.GroupsApart(1, 2), "groups 1 and 2 do not touch"),
                Arguments.of(
                        new LayoutRemark.OneBridge(1, 2),
                        "groups 1 and 2 touch at one cell only, which carries all the current"),
                Arguments.of(
                        new LayoutRemark.LeadCrosses(7),
                        "the lead of group 7 must cross other groups: insulate it well"),
                Arguments.of(
                        new LayoutRemark.TooLarge(200, 100, 1),
                        "it does not fit into the box: 200.0 mm × 100.0 mm of cells, 1 layer high"),
                Arguments.of(
                        new LayoutRemark.PitchTooSmall(18.5, 18),
                        "cells of 18.5 mm do not fit 18.0 mm apart"),
                Arguments.of(
                        new LayoutRemark.UnitsInPieces(2, 1),
                        "group 2: 1 unit is in pieces, whose cells must touch"),
                Arguments.of(
                        new LayoutRemark.OnKeptFree(2, new Spot(0, 2)),
                        "a cell of group 2 is in column 1, row 3, which is kept free"),
                Arguments.of(
                        new LayoutRemark.LayersFold(2, Face.TOP, 0),
                        "2 layers are stacked, top faces first: put a sheet of insulation into every fold"),
                Arguments.of(
                        new LayoutRemark.HighVoltageBeside(4, 3),
                        "4 pairs of cells are side by side with the voltage of up to 3 groups between them: put a wall of insulation there"));
    }

    @ParameterizedTest
    @MethodSource("remarks")
    void whatABuilderMustSee(LayoutRemark remark, String sentence) {
        assertEquals(sentence, BuildFindingWords.sentence(remark).replace('\u00a0', ' '));
    }

    @ParameterizedTest
    @EnumSource(value = RestingLevel.class, mode = EnumSource.Mode.EXCLUDE, names = "WITHIN")
    void aGroupBeyondItsLimitsIsNeverToBeEvenedOut(RestingLevel level) {
        for (Chemistry chemistry : Arrays.asList(Chemistry.NMC, Chemistry.LFP)) {
            String said =
                    BuildFindingWords.sentence(new TapFault.GroupBeyond(2, 1.234, level, chemistry))
                            .replace('\u00a0', ' ');
            assertTrue(said.startsWith("group 2 has 1.234 V, "), said);
            assertFalse(said.contains("even it out"), said);
        }
    }
}
