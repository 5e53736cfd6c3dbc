package pentacell.field;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestReporter;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.service.Finding;
import pentacell.core.service.Watch;
import pentacell.field.FieldPack.Family;
import pentacell.field.FieldPack.Fault;
import pentacell.field.FieldPack.Logger;
import pentacell.field.FieldPack.Use;
import pentacell.field.truth.Logs;
import pentacell.field.truth.ServiceTruth;
import pentacell.field.truth.ServiceTruth.Hidden;
import pentacell.field.truth.ServiceTruth.Kind;
import pentacell.field.truth.TruthOutcome;
import pentacell.field.truth.TruthTable;

/// What is said of the histories of packs in the field: of sound ones, and of those with a fault.
@Tag("exhaustive")
final class ServiceTruthTest {
    private static final long SEED = 1;

    @ParameterizedTest(name = "{0} {1}: right of {2} packs at least, wrong of {3} at most")
    @DisplayName("sound packs are not accused, and faults are found, whatever the use and sampling")
    @CsvSource({
        // family, what it has, right at least, wrongly said at most, of the kinds that can show it
        "NMC, SOUND, 9, 0",
        "NMC, BALANCED, 9, 0",
        "NMC, OUT_OF_BALANCE, 9, 0",
        "NMC, SOME_CELLS_OFF, 9, 1",
        "NMC, MANY_CELLS_OFF, 8, 2",
        "NMC, SELF_DISCHARGE, 9, 1",
        "NMC, RESISTANCE, 8, 1",
        "NMC, MISREAD, 7, 1",
        "NMC, TWO_AT_ONCE, 8, 2",
        "LFP, SOUND, 9, 0",
        "LFP, BALANCED, 8, 1",
        "LFP, OUT_OF_BALANCE, 8, 1",
        "LFP, SOME_CELLS_OFF, 3, 1",
        "LFP, MANY_CELLS_OFF, 6, 1",
        "LFP, SELF_DISCHARGE, 6, 1",
        "LFP, RESISTANCE, 6, 1",
        "LFP, MISREAD, 3, 1"
    })
    void whatIsSaidOfAPack(
            Family family, Hidden hidden, int rightAtLeast, int wrongAtMost, TestReporter report) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Kind kind : Kind.ALL)
            if (kind.canShow(family, hidden))
                outcomes.add(ServiceTruth.of(family, hidden, kind, SEED, 0));
        TruthTable table = TruthTable.of(outcomes);
        report.publishEntry("service", table.markdown());
        assertTrue(table.rows().getFirst().right() >= rightAtLeast, table::markdown);
        assertTrue(table.rows().getFirst().wrong() <= wrongAtMost, table::markdown);
    }

    @Test
    @DisplayName("what an LFP group loses by itself is known within half")
    void lossOnAFlatRun() {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Kind kind : Kind.ALL)
            if (kind.canShow(Family.LFP, Hidden.SELF_DISCHARGE))
                outcomes.add(ServiceTruth.of(Family.LFP, Hidden.SELF_DISCHARGE, kind, SEED, 1));
        // one kind may be missed; a loss that is not found has no figure
        assertTrue(
                outcomes.stream().filter(each -> each.error().isPresent()).count()
                        >= outcomes.size() - 1,
                outcomes::toString);
        for (TruthOutcome each : outcomes)
            assertTrue(Math.abs(each.error().orElse(0)) <= 0.5, each::toString);
    }

    @ParameterizedTest(name = "{0}")
    @EnumSource(Family.class)
    @DisplayName("groups that feed a tap are named together, once")
    void aTapIsToldOnce(Family family) {
        Random random = new Random(8);
        FieldPack pack = new FieldPack(family, 10, 12, 0.02, random);
        for (int group : new int[] {0, 1, 2})
            pack.with(Fault.SELF_DISCHARGE, group, pack.ampHours() * 0.006 / 24);
        Watch watch =
                Watch.of(
                        Logs.pack(pack.log(Use.SOLAR, 28, new Logger(600, 0.001, 0.001, 1, 0))),
                        12);
        assertEquals(1, watch.findings().size(), watch::toString);
        Finding.Tap tap =
                assertInstanceOf(Finding.Tap.class, watch.findings().getFirst(), watch::toString);
        assertEquals(0, tap.group());
        assertEquals(2, tap.throughGroup());
    }
}
