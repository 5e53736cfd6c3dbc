package pentacell.workshop.demo;

import java.util.List;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.WarningSign;
import pentacell.core.journal.Fact;

/// The donors that were opened: lots, labels, readings.
final class DemoHarvest {
    private final DemoJournal journal;

    private DemoHarvest(DemoJournal journal) {
        this.journal = journal;
    }

    static void write(DemoJournal journal) {
        new DemoHarvest(journal).donors();
    }

    private void donors() {
        journal.logSteadily(
                "Define " + HarvestedPack.HX34.name(),
                List.of(new CatalogueFact.ModelDefined(HarvestedPack.HX34)));
        journal.logSteadily("Add lots", BoughtPacks.lots());
        for (HarvestedPack harvest : HarvestedPack.ALL)
            journal.log(
                    "Add donor " + harvest.code(),
                    List.of(new DonorFact.DonorAdded(donor(harvest))));
        for (HarvestedPack harvest : HarvestedPack.ALL) {
            double rest = harvest.model().chemistry() == Chemistry.LFP ? 3.272 : 3.712;
            List<Fact> facts =
                    switch (harvest.code()) {
                        case "LD04" -> BoughtPacks.read(donor(harvest), rest, 2, 2.214);
                        case "LD06" -> BoughtPacks.read(donor(harvest), 2.745, 1, 0.621);
                        case "HT04" -> BoughtPacks.read(donor(harvest), rest, 5, 1.353);
                        default -> BoughtPacks.read(donor(harvest), rest);
                    };
            if (harvest.code().equals("HB01")) facts.add(BoughtPacks.output(donor(harvest), 0.2));
            if (harvest.code().equals("HT04"))
                facts.add(BoughtPacks.signs(donor(harvest), WarningSign.WET));
            facts.add(new DonorFact.MinutesSpent(harvest.code(), 12 + 2 * harvest.cells()));
            facts.add(new DonorFact.PartSaved(harvest.code(), "board", 1));
            journal.logSteadily("Read " + harvest.code(), facts);
        }
    }

    private static Donor donor(HarvestedPack harvest) {
        return BoughtPacks.donor(harvest.code(), harvest.kind(), harvest.model(), harvest.note());
    }
}
