package pentacell.instruments.bench;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.core.measure.TestProgramme;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Instrument;
import pentacell.core.test.facts.Programme;
import pentacell.instruments.simulated.CellTruth;
import pentacell.instruments.simulated.StandIn;
import pentacell.instruments.simulated.VirtualCell;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;

/// A workshop file with one cell that waits for its test, and the charger it is tested in.
final class BenchBook {
    static final CellId ID = new CellId("HB03-07");

    private BenchBook() {}

    static Logbook open(Path file) {
        return ((Opening.Opened) Logbook.open(file, Clock.systemUTC())).logbook();
    }

    /// Adds the cell to a workshop in which stand-ins count.
    static void addCell(Logbook book) throws LogbookException {
        book.log(
                "cells",
                Stream.concat(Stream.of(new Amendment.StandInsCount()), cell().stream()).toList());
    }

    /// The facts of the cell.
    static List<Fact> cell() {
        return List.of(
                new CatalogueFact.ModelDefined(
                        CellModel.rated(
                                "Quill Q22",
                                CellFormat.parse("18650").orElseThrow(),
                                Chemistry.NMC,
                                2200)),
                new CellFact.CellNamed(ID, Optional.empty(), Optional.of("Quill Q22")),
                new CellFact.VoltageRead(ID, 3.7));
    }

    /// The cell as it truly is: 2000 mAh, 60 mΩ.
    static VirtualCell truth() {
        return new VirtualCell(CellTruth.sound(Chemistry.NMC, 2000, 0.06, 0.5));
    }

    static Bay bay(int slot) {
        return StandIn.FOUR_SLOT.bays("Charger A").get(slot - 1);
    }

    static Instrument charger(int port) {
        return new Instrument(
                "Charger A", "127.0.0.1:" + port, StandIn.FOUR_SLOT.bays("Charger A"));
    }

    static Programme programme(WorkshopState state) {
        WaitingForTest waiting = WaitingForTest.of(state).get(0);
        return TestProgramme.of(
                waiting,
                Catalogue.of(state).modelOf(waiting.cell()),
                Schools.of(state).test(),
                bay(2),
                OptionalDouble.empty());
    }
}
