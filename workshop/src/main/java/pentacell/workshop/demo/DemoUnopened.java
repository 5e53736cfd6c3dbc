package pentacell.workshop.demo;

import java.time.Duration;
import java.util.List;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.WarningSign;
import pentacell.core.journal.Fact;

/// The packs that wait to be opened, repaired or given up.
final class DemoUnopened {
    private final DemoJournal journal;

    private DemoUnopened(DemoJournal journal) {
        this.journal = journal;
    }

    static void write(DemoJournal journal) {
        new DemoUnopened(journal).unopened();
    }

    /// The packs that wait to be opened, repaired or given up.
    private void unopened() {
        journal.pass(Duration.ofDays(3));
        Donor low =
                BoughtPacks.donor(
                        "LD08", "library docking pack", HarvestedPack.Q22, "shows 62 % and stops");
        Donor board =
                BoughtPacks.donor(
                        "LD09", "library docking pack", HarvestedPack.Q22, "no sign of life");
        Donor brought =
                BoughtPacks.donor(
                        "LD10", "library docking pack", HarvestedPack.Q22, "group 3 was low");
        Donor drifted =
                BoughtPacks.donor(
                        "HB06",
                        "hire-bicycle module",
                        HarvestedPack.HX26,
                        "charged for years without balancing");
        Donor dead =
                BoughtPacks.donor(
                        "HT08",
                        "hedge-trimmer pack",
                        HarvestedPack.T30,
                        "left in a shed over winter");
        for (Donor donor : List.of(low, board, brought, drifted, dead))
            journal.logSteadily(
                    "Add donor " + donor.code(), List.of(new DonorFact.DonorAdded(donor)));
        journal.logSteadily("Read LD08", BoughtPacks.read(low, 3.967, 2, 3.521));
        List<Fact> good = BoughtPacks.read(board, 3.894);
        good.add(BoughtPacks.output(board, 0.1));
        journal.logSteadily("Read LD09", good);
        journal.logSteadily("Read LD10", BoughtPacks.read(brought, 3.921, 3, 3.468));
        List<Fact> apart =
                BoughtPacks.read(drifted, 3.93, 1, 4.012, 3, 3.842, 4, 3.991, 6, 3.806, 7, 4.048);
        apart.add(BoughtPacks.signs(drifted, WarningSign.NO_BALANCE_LEADS));
        journal.logSteadily("Read HB06", apart);
        journal.logSteadily(
                "Read HT08", BoughtPacks.read(dead, 3.61, 2, 0.043, 3, 0.018, 5, 0.006));
        journal.pass(Duration.ofHours(9));
        journal.logSteadily(
                "Charge LD10 group 3", List.of(new DonorFact.GroupCharged("LD10", 3, 3.918)));
    }
}
