package pentacell.core.cell;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.Journal;
import pentacell.core.journal.Amendment;
import pentacell.core.school.GradePolicy;
import pentacell.core.school.Schools;
import pentacell.core.stock.Grader;
import pentacell.core.stock.Standing;

/// What becomes of a can's blemishes, labels, places and marks as facts follow each other.
final class CellStoryTest {
    private static final CellId ID = new CellId("A01-01");

    private final Journal journal =
            new Journal()
                    .model("Quill Q22", Chemistry.NMC, 2200)
                    .tray("T1", 2, 2)
                    .cell("A01-01", "Quill Q22", "T1-A01", 3.7);

    @Test
    void blemishesAddUpAndAWrongOneIsStruck() {
        journal.log(new CellFact.BlemishesSeen(ID, EnumSet.of(Blemish.RUST)));
        journal.log(new CellFact.BlemishesSeen(ID, EnumSet.of(Blemish.DENT)));
        assertEquals(Set.of(Blemish.RUST, Blemish.DENT), cell().blemishes());
        assertEquals(Standing.OUT, standing());
        long dent = cell().lifeLine().get(cell().lifeLine().size() - 1).sequence();
        journal.log(new Amendment.EntryStruck(dent, "a shadow"));
        assertEquals(Set.of(Blemish.RUST), cell().blemishes());
        assertEquals(Standing.UNDER_TEST, standing());
        assertThrows(
                IllegalArgumentException.class, () -> new CellFact.BlemishesSeen(ID, Set.of()));
    }

    @ParameterizedTest
    @EnumSource(Blemish.class)
    void aBlemishEitherNeedsWorkOrPutsTheCellOut(Blemish blemish) {
        journal.log(new CellFact.BlemishesSeen(ID, EnumSet.of(blemish)));
        assertEquals(blemish.work().isEmpty(), standing() == Standing.OUT);
        assertEquals(blemish.work().isEmpty(), cell().openWork().isEmpty());
        assertEquals(Optional.of(blemish), Blemish.ofKey(blemish.key()));
        journal.log(
                new CellFact.CellDecided(ID, CellFact.Decision.USE, "looked at it with a lens"));
        assertEquals(Standing.FIT, standing(), "a person may decide otherwise");
    }

    @Test
    void workThatIsDoneIsDoneUntilItIsNeededAgain() {
        journal.log(new CellFact.BlemishesSeen(ID, EnumSet.of(Blemish.SLEEVE_TORN)));
        assertEquals(Set.of(PrepWork.RE_SLEEVE), cell().openWork());
        journal.log(new CellFact.PrepDone(ID, PrepWork.RE_SLEEVE));
        assertTrue(cell().openWork().isEmpty());
        journal.log(new CellFact.BlemishesSeen(ID, EnumSet.of(Blemish.SLEEVE_TORN)));
        assertEquals(Set.of(PrepWork.RE_SLEEVE), cell().openWork());
    }

    @Test
    void aLabelIsDueWhenItsFiguresAreNoLongerTheLast() {
        assertTrue(cell().needsLabel());
        print();
        assertFalse(cell().needsLabel());
        journal.log(new CellFact.VoltageRead(ID, 4.1));
        assertFalse(cell().needsLabel(), "the label has the first voltage, and that stays");
        journal.log(new CellFact.ResistanceRead(ID, 56, CellFact.ResistanceMethod.AC_1_KHZ));
        assertTrue(cell().needsLabel());
        print();
        assertFalse(cell().needsLabel());
    }

    private void print() {
        journal.log(
                new CellFact.LabelPrinted(
                        ID, cell().firstVolts(), cell().milliampHours(), cell().milliohms()));
    }

    @Test
    void whatIsHandedOverLeavesItsPlaceAndCanComeBack() {
        journal.log(new CellFact.HandedOver(ID, "town depot"));
        assertTrue(cell().place().isEmpty());
        assertTrue(Cells.of(journal.state()).at(new Place("T1", 1, 1)).isEmpty());
        assertEquals(Standing.OUT, standing());
        journal.log(new CellFact.CellPlaced(ID, new Place("T1", 2, 2)));
        assertTrue(cell().handedOver().isEmpty());
        assertEquals(Standing.UNDER_TEST, standing());
    }

    @Test
    void theRescuedMarkFollowsTheLowestStandingReading() {
        journal.log(new CellFact.VoltageRead(ID, 2.1));
        journal.log(new CellFact.VoltageRead(ID, -3.9));
        assertEquals(OptionalDouble.of(2.1), cell().lowestVolts(), "reversed probes do not count");
        assertTrue(Grader.isRescued(cell(), Catalogue.of(journal.state()).modelOf(cell())));
        List<CellRecord.LifeLineEntry> line = cell().lifeLine();
        long wrong =
                line.stream()
                        .filter(entry -> entry.fact().equals(new CellFact.VoltageRead(ID, 2.1)))
                        .findFirst()
                        .orElseThrow()
                        .sequence();
        journal.log(new Amendment.EntryCorrected(wrong, new CellFact.VoltageRead(ID, 3.1)));
        assertFalse(
                Grader.isRescued(cell(), Catalogue.of(journal.state()).modelOf(cell())),
                "it was misread");
    }

    private CellRecord cell() {
        return Cells.of(journal.state()).cell(ID).orElseThrow();
    }

    private Standing standing() {
        return Grader.judge(
                        cell(),
                        Catalogue.of(journal.state()).modelOf(cell()),
                        Schools.of(journal.state()),
                        GradePolicy.USUAL)
                .verdict();
    }
}
