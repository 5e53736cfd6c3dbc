package pentacell.core.state;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.TreeMap;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Joining;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.MeterPoint;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.build.facts.Plugs;
import pentacell.core.build.facts.Spot;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.build.facts.TapReading;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Place;
import pentacell.core.cell.PrepWork;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TestConditions;
import pentacell.core.cell.Tray;
import pentacell.core.cell.TrayFact;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.Lot;
import pentacell.core.donor.Price;
import pentacell.core.donor.PurchaseFact;
import pentacell.core.donor.WarningSign;
import pentacell.core.imports.ImportFact;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Selection;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Part;
import pentacell.core.plan.facts.PartPrice;
import pentacell.core.plan.facts.PlanFact;
import pentacell.core.plan.facts.Window;
import pentacell.core.prove.facts.AloneRun;
import pentacell.core.prove.facts.DeviceTrip;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.school.BandSchool;
import pentacell.core.school.GradeFact;
import pentacell.core.school.GradePolicy;
import pentacell.core.school.HoldSchool;
import pentacell.core.school.RepairSchool;
import pentacell.core.school.SchoolFact;
import pentacell.core.school.TestSchool;
import pentacell.core.service.facts.UseFact;
import pentacell.core.test.facts.BenchFact;
import pentacell.core.test.facts.Instrument;

/// Random facts of every chapter, about few things, so that they meet each other.
final class RandomFacts {
    private final SplittableRandom random;

    RandomFacts(long seed) {
        random = new SplittableRandom(seed);
    }

    /// @param logged how many entries the journal has so far
    Fact next(long logged) {
        if (logged > 0 && random.nextInt(6) == 0) {
            long sequence = random.nextLong(1, logged + 1);
            return random.nextBoolean()
                    ? new Amendment.EntryStruck(sequence, "test")
                    : new Amendment.EntryCorrected(sequence, ofCell());
        }
        return switch (random.nextInt(13)) {
            case 11 -> ofPlanning();
            case 12 -> ofBuilding();
            case 10 -> ofGrading();
            case 0 -> ofCatalogueOrTrays();
            case 1 -> ofPurchases();
            case 2, 3 -> ofDonor();
            case 4 -> ofSchools();
            case 5 -> ofBench();
            case 6 -> ofPack();
            default -> ofCell();
        };
    }

    private <T> T pick(List<T> choices) {
        return choices.get(random.nextInt(choices.size()));
    }

    private CellId cell() {
        return new CellId("A-" + random.nextInt(1, 5));
    }

    private String name() {
        return pick(List.of("A", "B", "C"));
    }

    private double decimal(int least, int most) {
        return random.nextInt(least, most) / 100.0;
    }

    private Fact ofCatalogueOrTrays() {
        if (random.nextBoolean())
            return new TrayFact.TrayAdded(new Tray("T" + name(), random.nextInt(1, 9), 9));
        Chemistry chemistry = pick(List.of(Chemistry.values()));
        double rated = random.nextInt(1000, 3000);
        return new CatalogueFact.ModelDefined(
                new CellModel(
                        name(),
                        CellFormat.parse("18650").orElseThrow(),
                        chemistry,
                        rated,
                        rated,
                        CellLimits.careful(chemistry, rated)));
    }

    private Fact ofPurchases() {
        Price price = new Price(random.nextInt(1, 90), "EUR");
        return switch (random.nextInt(3)) {
            case 0 -> new PurchaseFact.NewCellPriced(price, random.nextInt(5, 15));
            case 1 -> new ImportFact.FileImported(name(), "sha-" + name(), random.nextInt(9));
            default ->
                    new PurchaseFact.LotAdded(
                            new Lot(
                                    name(),
                                    "yard",
                                    LocalDate.EPOCH,
                                    price,
                                    0,
                                    random.nextInt(1, 9),
                                    0));
        };
    }

    private Fact ofDonor() {
        String donor = name();
        int group = random.nextInt(1, 4);
        double volts = decimal(-100, 420);
        return switch (random.nextInt(10)) {
            case 0, 1 -> new DonorFact.DonorAdded(Donor.of(donor, "pack", "", "note " + group));
            case 2 -> new DonorFact.GroupsRead(donor, new TreeMap<>(Map.of(group, volts)));
            case 3 -> new DonorFact.PackVoltageRead(donor, volts);
            case 4 -> new DonorFact.OutputVoltageRead(donor, volts);
            case 5 ->
                    new DonorFact.SignsSeen(donor, EnumSet.of(pick(List.of(WarningSign.values()))));
            case 6 -> new DonorFact.GroupCharged(donor, group, volts);
            case 7 ->
                    new DonorFact.StepChecked(
                            donor, "open", pick(List.of(DonorFact.Check.values())));
            case 8 ->
                    random.nextBoolean()
                            ? new DonorFact.MinutesSpent(donor, group)
                            : new DonorFact.PartSaved(donor, "board", group);
            default ->
                    new DonorFact.WayDecided(
                            donor, pick(List.of(DonorFact.DonorWay.values())), "test");
        };
    }

    private Fact ofSchools() {
        return switch (random.nextInt(5)) {
            case 4 -> new SchoolFact.MeterChosen(pick(List.of(CellFact.ResistanceMethod.values())));
            case 0 ->
                    new SchoolFact.BandsChosen(
                            pick(BandSchool.shipped(pick(List.of(Chemistry.values())))));
            case 1 ->
                    new SchoolFact.RepairChosen(
                            pick(List.of(RepairSchool.REPAIR_FIRST, RepairSchool.HARVEST_ALWAYS)));
            case 2 -> new SchoolFact.TestChosen(pick(TestSchool.SHIPPED));
            default -> new SchoolFact.HoldChosen(pick(HoldSchool.SHIPPED));
        };
    }

    private Fact ofBench() {
        return switch (random.nextInt(3)) {
            case 0 ->
                    new BenchFact.InstrumentAdded(
                            new Instrument(name(), Instrument.simulated("four-slot"), List.of()));
            case 1 -> new BenchFact.InstrumentRemoved(name());
            default -> new BenchFact.BayUseSet(name(), pick(List.of(BenchFact.BayUse.values())));
        };
    }

    private Fact ofPack() {
        String pack = name();
        return switch (random.nextInt(5)) {
            case 4 ->
                    new PackFact.CellReserved(
                            pack, cell(), pick(List.of(PackFact.Reserve.values())));
            case 0 ->
                    new PackFact.GroupsMatched(
                            pack,
                            MatchRules.of(2, 1, pick(List.of(Selection.values()))),
                            List.of(List.of(new CellId("A-1")), List.of(new CellId("A-2"))),
                            Map.of());
            case 1 -> new PackFact.CellsSwapped(pack, cell(), cell());
            case 2 -> new PackFact.CellLock(pack, cell(), pick(List.of(PackFact.Lock.values())));
            default -> new PackFact.CellPicked(pack, cell(), pick(List.of(PackFact.Pick.values())));
        };
    }

    private Fact ofBuilding() {
        String pack = name();
        return switch (random.nextInt(19)) {
            case 15 -> new UseFact.CanProbed(pack, cell(), 3.6);
            case 16 -> new UseFact.CellReconnected(pack, cell());
            case 17 ->
                    new UseFact.GroupRetested(
                            pack, random.nextInt(3), 20, LocalDate.of(2026, 1, 5));
            case 18 -> new UseFact.CellReplaced(pack, 0, cell(), cell(), name());
            case 13 -> new ProofFact.WarmRead(pack, new Spot(random.nextInt(3), 0), 20);
            case 14 -> new ProofFact.AmbientRead(pack, random.nextInt(20), "");
            case 9 ->
                    new ProofFact.HandRead(
                            pack, "by hand", 3, random.nextInt(9), List.of(3.9, 3.8));
            case 10 ->
                    new ProofFact.GroupTested(
                            pack, random.nextInt(3), new AloneRun(20, OptionalDouble.empty()));
            case 11 -> new ProofFact.FullRead(pack, random.nextInt(3), 4.1);
            case 12 ->
                    new ProofFact.TripSeen(
                            pack, new DeviceTrip(10 + random.nextInt(3), OptionalDouble.of(12)));
            case 7 ->
                    new AssemblyFact.CellPut(
                            pack, cell(), pick(List.of(AssemblyFact.Put.values())));
            case 8 ->
                    new AssemblyFact.PlugsSaid(pack, new Plugs(List.of(2, 1 + random.nextInt(3))));
            case 0 ->
                    new AssemblyFact.LayoutChosen(
                            pack,
                            new Layout(
                                    new Grid(pick(List.of(Grid.Pattern.values())), 20, 2, 1),
                                    List.of(List.of(new Spot(0, 0)), List.of(new Spot(1, 0))),
                                    pick(List.of(TakeOff.values()))));
            case 1 -> new AssemblyFact.JoiningChosen(pack, pick(List.of(Joining.values())));
            case 2 -> new AssemblyFact.GroupVoltageRead(pack, random.nextInt(3), 3.7);
            case 3 ->
                    new AssemblyFact.TapsRead(
                            pack, List.of(new TapReading(random.nextInt(3), OptionalDouble.of(4))));
            case 4 ->
                    new AssemblyFact.WorkTicked(
                            pack,
                            "step-" + random.nextInt(3),
                            pick(List.of(AssemblyFact.Tick.values())),
                            "",
                            Optional.empty());
            case 5 ->
                    new AssemblyFact.StandingSaid(
                            pack, pick(List.of(PackStanding.values())), name());
            default -> new AssemblyFact.WholeRead(pack, pick(List.of(MeterPoint.values())), 25);
        };
    }

    private Fact ofPlanning() {
        String pack = name();
        return switch (random.nextInt(4)) {
            case 0 ->
                    new PlanFact.PackChosen(
                            pack, new Chosen(random.nextInt(1, 9), random.nextInt(1, 9)));
            case 1 -> new PlanFact.PlanDropped(pack);
            case 2 ->
                    new PlanFact.PartsPriced(
                            List.of(
                                    new PartPrice(
                                            pick(List.of(Part.values())),
                                            new Price(random.nextInt(1, 9), "EUR"))));
            default ->
                    new PlanFact.NeedStated(
                            pack,
                            Need.of(
                                    pick(List.of(Chemistry.values())),
                                    new Window(10, random.nextInt(12, 30)),
                                    List.of(new LoadItem(name(), random.nextInt(1, 90), 1, 100))));
        };
    }

    private Fact ofGrading() {
        return switch (random.nextInt(4)) {
            case 0 -> new GradeFact.SelectionSaved(name(), List.of(cell(), cell()));
            case 1 -> new GradeFact.SelectionDropped(name());
            default ->
                    new GradeFact.GradeLimitsChosen(
                            new GradePolicy(
                                    random.nextInt(50, 79) / 100.0, OptionalDouble.empty()));
        };
    }

    private CellFact ofCell() {
        CellId cell = cell();
        String run = "A-1#" + random.nextInt(3);
        return switch (random.nextInt(19)) {
            case 14 -> new CellFact.CansCounted(cell, random.nextInt(1, 4));
            case 0 -> new CellFact.CellNamed(cell, Optional.of(name()), Optional.of("M" + name()));
            case 1 -> new CellFact.CellPlaced(cell, new Place("T1", 1, random.nextInt(1, 5)));
            case 2 ->
                    new CellFact.ResistanceRead(
                            cell,
                            random.nextInt(20, 90),
                            pick(List.of(CellFact.ResistanceMethod.values())));
            case 3 ->
                    new CellFact.CapacityMeasured(
                            cell, random.nextInt(1000, 3000), TestConditions.NOT_STATED);
            case 4 -> new CellFact.BlemishesSeen(cell, EnumSet.of(pick(List.of(Blemish.values()))));
            case 5 -> new CellFact.PrepDone(cell, pick(List.of(PrepWork.values())));
            case 6 ->
                    new CellFact.LabelPrinted(
                            cell,
                            OptionalDouble.of(decimal(300, 420)),
                            OptionalDouble.empty(),
                            OptionalDouble.empty());
            case 7 -> new CellFact.HandedOver(cell, "the yard");
            case 8 ->
                    new CellFact.CellDecided(
                            cell, pick(List.of(CellFact.Decision.values())), "test");
            case 9 -> new RunFact.RunStarted(cell, run, "bay 1", "usual");
            case 10 ->
                    new RunFact.CapacityCorrected(
                            cell, run, random.nextInt(900, 3000), 9, List.of());
            case 11 -> new RunFact.HeatSeen(cell, run, random.nextInt(20), 1);
            default -> new CellFact.VoltageRead(cell, decimal(-100, 420));
        };
    }
}
