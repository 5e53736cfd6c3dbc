package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Selection;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.Station;
import pentacell.desktop.harvest.HarvestDue;
import pentacell.desktop.intake.IntakeDue;
import pentacell.desktop.match.MatchDue;
import pentacell.desktop.test.TestDue;

final class DueTest {
    private static final CellId A = new CellId("A");
    private static final CellId B = new CellId("B");

    @Test
    void nothingIsDueInAnEmptyWorkshop() {
        assertEquals(List.of(), due());
    }

    @Test
    void cellsThatWaitAreCountedOneByOne() {
        assertEquals(
                List.of("1 cell waits for a capacity reading"),
                due(new CellFact.VoltageRead(A, 3.6)));
        assertEquals(
                List.of("2 cells wait for a capacity reading"),
                due(new CellFact.VoltageRead(A, 3.6), new CellFact.VoltageRead(B, 3.6)));
        assertEquals(
                List.of("1 cell waits for a first voltage or a model"),
                due(new CellFact.CellNoted(A, "found under the bench")));
    }

    @Test
    void aBegunPickWalkIsMorePressingThanAFreshMatch() {
        Fact night =
                new PackFact.GroupsMatched(
                        "Night",
                        MatchRules.of(1, 2, Selection.ALL),
                        List.of(List.of(A, B)),
                        Map.of());
        assertEquals(List.of("Night is matched, ready to pick"), due(night));
        assertEquals(
                List.of("Night: 1 of 2 cells still to pick"),
                due(night, new PackFact.CellPicked("Night", A, PackFact.Pick.TAKEN)));
        assertEquals(
                List.of(),
                due(
                        night,
                        new PackFact.CellPicked("Night", A, PackFact.Pick.TAKEN),
                        new PackFact.CellPicked("Night", B, PackFact.Pick.TAKEN)));
    }

    @Test
    void aChargedGroupIsToBeReadAgainAfterItsWait() {
        Fact donor = new DonorFact.DonorAdded(Donor.of("K01", "", "", ""));
        Fact charged = new DonorFact.GroupCharged("K01", 2, 3.98);
        String early = due(donor, charged).get(0);
        assertTrue(early.startsWith("K01 group 2: read again from "), early);
        Instant dayLater = Instant.EPOCH.plus(Duration.ofHours(24));
        assertEquals(
                List.of("K01 group 2: read again now, passes at 3.950\u00a0V"),
                due(dayLater, donor, charged));
        // read in time and good: nothing is due any more
        TreeMap<Integer, Double> again = new TreeMap<>(Map.of(2, 3.97));
        List<Act> acts =
                List.of(
                        act(1, Instant.EPOCH, donor, charged),
                        act(3, dayLater, new DonorFact.GroupsRead("K01", again)));
        WorkshopState state = Chapters.fold(acts);
        assertEquals(List.of(), words(state, dayLater));
    }

    private static Act act(long first, Instant at, Fact... facts) {
        List<Entry> entries = new ArrayList<>();
        for (Fact fact : facts) entries.add(new Entry(first + entries.size(), fact));
        return new Act(first, at, "act", entries);
    }

    private static List<String> due(Fact... facts) {
        return due(Instant.EPOCH, facts);
    }

    private static List<String> due(Instant now, Fact... facts) {
        WorkshopState state = Chapters.fold(List.of(act(1, Instant.EPOCH, facts)));
        return words(state, now);
    }

    private static List<String> words(WorkshopState state, Instant now) {
        JudgedStock judged = JudgedStock.of(state);
        return Due.of(
                        List.of(
                                station(HarvestDue.of(state, now)),
                                station(IntakeDue.of(judged)),
                                station(TestDue.of(state, judged, now)),
                                station(MatchDue.of(state))))
                .stream()
                .map(at -> at.due().words())
                .toList();
    }

    private static Station station(List<Due> due) {
        Station station = mock(Station.class);
        when(station.due()).thenReturn(due);
        return station;
    }
}
