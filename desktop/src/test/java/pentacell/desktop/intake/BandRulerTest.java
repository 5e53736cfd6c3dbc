package pentacell.desktop.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.workshop.demo.TarnHollow;

final class BandRulerTest {

    @ParameterizedTest(name = "{0} V counts in row {1}")
    // rows of the usual school from the top: over 4.25, from 3.0, from 2.5, from 1.8, the rest
    // (common practice)
    @CsvSource({
        "4.4, 0", "-0.1, 0", "4.25, 1", "3.0, 1", "2.99, 2", "2.5, 2", "1.8, 3", "1.79, 4", "0, 4"
    })
    void everyFirstVoltageCountsInItsBand(double volts, int row) {
        CellId cell = new CellId("A");
        Entry read = new Entry(1, new CellFact.VoltageRead(cell, volts));
        Entry later = new Entry(2, new CellFact.VoltageRead(cell, 3.7));
        WorkshopState state =
                Chapters.fold(List.of(new Act(1, Instant.EPOCH, "read", List.of(read, later))));
        List<Integer> expected = new ArrayList<>(List.of(0, 0, 0, 0, 0));
        expected.set(row, 1);
        assertEquals(
                expected,
                BandRuler.rows(state, Chemistry.NMC).stream().map(BandRuler.Row::count).toList());
        assertEquals(
                0,
                BandRuler.rows(state, Chemistry.LFP).stream().mapToInt(BandRuler.Row::count).sum());
    }

    @Test
    void allCellsOfTheDemoAreCountedOnce() {
        WorkshopState demo = TarnHollow.state(TarnHollow.journal());
        int counted = 0;
        for (Chemistry chemistry : Chemistry.values())
            counted +=
                    BandRuler.rows(demo, chemistry).stream().mapToInt(BandRuler.Row::count).sum();
        assertEquals(219, counted);
    }

    @Test
    void theYieldOfEveryDonorAddsUp() {
        WorkshopState demo = TarnHollow.state(TarnHollow.journal());
        List<YieldTable.Yield> yields = YieldTable.of(demo, JudgedStock.of(demo));
        assertEquals(25, yields.size());
        for (YieldTable.Yield yield : yields)
            assertEquals(yield.cells(), yield.fit() + yield.waiting() + yield.out());
        assertEquals(181, yields.stream().mapToInt(YieldTable.Yield::cells).sum());
        assertEquals(
                16,
                yields.stream()
                        .filter(yield -> yield.donor().code().equals("HB05"))
                        .findFirst()
                        .orElseThrow()
                        .waiting());
    }
}
