package pentacell.workshop.demo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import pentacell.core.cell.CellId;
import pentacell.core.service.CanRepair;
import pentacell.core.service.CanSearch;
import pentacell.core.service.Finding;
import pentacell.core.service.GroupTrend;
import pentacell.core.service.ServicedPack;
import pentacell.core.service.StrayBands;
import pentacell.core.service.facts.Trouble;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// The pack of the red lamps, whose hidden truth is known: four of twelve cans of group 2 are off.
final class DemoServiceTest {
    private final WorkshopState state = TarnHollow.state(TarnHollow.journal());
    private final ServicedPack pack =
            ServicedPack.of(state, JudgedStock.of(state), TarnHollow.RED_LAMPS).orElseThrow();

    @Test
    void fourOfTwelveAreOffInGroupTwoAndNothingElseIsSaid() {
        assertEquals(1, pack.findings().size(), pack.findings() + "");
        Finding finding = pack.findings().get(0);
        assertEquals(1, finding.group());
        assertEquals(Trouble.CELLS_OFF, finding.cause());
        assertEquals(4, finding.cellsOff().orElseThrow());
        assertEquals(
                8.0 / 12, assertInstanceOf(Finding.CellsOff.class, finding).capacityShare(), 0.02);
    }

    @Test
    void theHistoryShowsWhenItBegan() {
        List<StrayBands.Span> empty = pack.bands().orElseThrow().nearEmpty();
        StrayBands.Span first = empty.get(0);
        assertTrue(Math.abs(first.figures().get(1)) < 4, "alike in 2024: " + first);
        OptionalDouble last = StrayBands.usual(pack.recent().orElseThrow().nearEmpty(), 1);
        assertTrue(last.orElseThrow() < -60, "far below in 2026: " + last);
        assertTrue(pack.history().orElseThrow().days() > 600);
        assertTrue(pack.spreadAYear().orElseThrow() > 20, "it grows");
    }

    @Test
    void theSearchBegunHasFoundOneAndTheRestIsWhereItReadsOn() {
        CanSearch search = pack.brokenJoints(1);
        assertEquals(Optional.of(4), search.wanted());
        assertEquals(5, search.read());
        Set<CellId> torn = new HashSet<>(DemoService.torn());
        assertEquals(1, search.found().size());
        assertTrue(torn.contains(search.found().get(0).cell()));
        CanRepair repair = pack.repairs(state, JudgedStock.of(state)).get(0);
        assertEquals(CanRepair.Way.BRING_FIRST, repair.way(), repair + "");
    }

    @Test
    void itsGroupsWearSlowly() {
        GroupTrend trend = pack.trends().values().iterator().next();
        assertEquals(4, trend.tests().size());
        assertTrue(trend.ampHoursAYear() < -0.4 && trend.ampHoursAYear() > -1);
        GroupTrend.Forecast under = trend.under(pack.wanted().ampHours()).orElseThrow();
        assertTrue(under.at().getYear() >= 2029 && under.at().getYear() <= 2035, under + "");
        assertTrue(pack.due().size() >= 2);
    }
}
