package pentacell.workshop.demo;

import java.util.List;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Tray;
import pentacell.core.cell.TrayFact;

/// The catalogue and the trays, before anything else.
final class DemoShelf {
    private final DemoJournal journal;

    private DemoShelf(DemoJournal journal) {
        this.journal = journal;
    }

    static void write(DemoJournal journal) {
        new DemoShelf(journal).shelf();
    }

    private void shelf() {
        for (CellModel model :
                List.of(
                        HarvestedPack.HX26,
                        HarvestedPack.Q22,
                        HarvestedPack.T30,
                        HarvestedPack.BF26))
            journal.log("Define " + model.name(), List.of(new CatalogueFact.ModelDefined(model)));
        for (Tray tray : TRAYS)
            journal.log("Add tray " + tray.name(), List.of(new TrayFact.TrayAdded(tray)));
    }

    static final List<Tray> TRAYS =
            List.of(new Tray("T1", 6, 12), new Tray("T2", 6, 12), new Tray("T3", 6, 12));
}
