package pentacell.workshop.logbook;

import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.stream.Stream;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.Balancing;
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
import pentacell.core.cell.Oddity;
import pentacell.core.cell.Place;
import pentacell.core.cell.PrepWork;
import pentacell.core.cell.RunEnding;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TestConditions;
import pentacell.core.cell.Tray;
import pentacell.core.cell.TrayFact;
import pentacell.core.conductor.Material;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Construction;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.Lot;
import pentacell.core.donor.PackLabel;
import pentacell.core.donor.Price;
import pentacell.core.donor.PurchaseFact;
import pentacell.core.donor.WarningSign;
import pentacell.core.imports.ImportFact;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.pack.EveningWeights;
import pentacell.core.pack.MatchPolicy;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.MatchSchool;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.RescuedCells;
import pentacell.core.pack.Selection;
import pentacell.core.plan.facts.Board;
import pentacell.core.plan.facts.BoardSchool;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.CellFuse;
import pentacell.core.plan.facts.Charger;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.LeadAcid;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.Losses;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Packing;
import pentacell.core.plan.facts.Part;
import pentacell.core.plan.facts.PartPrice;
import pentacell.core.plan.facts.PlanFact;
import pentacell.core.plan.facts.Window;
import pentacell.core.plan.facts.Wiring;
import pentacell.core.prove.facts.AloneRun;
import pentacell.core.prove.facts.BarReading;
import pentacell.core.prove.facts.ChargeRun;
import pentacell.core.prove.facts.DeviceTrip;
import pentacell.core.prove.facts.EnergyRun;
import pentacell.core.prove.facts.PackLog;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.school.BandSchool;
import pentacell.core.school.GradeFact;
import pentacell.core.school.GradePolicy;
import pentacell.core.school.HoldSchool;
import pentacell.core.school.RepairSchool;
import pentacell.core.school.SchoolFact;
import pentacell.core.school.TestSchool;
import pentacell.core.service.facts.Alarms;
import pentacell.core.service.facts.Trouble;
import pentacell.core.service.facts.UseFact;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.BenchFact;
import pentacell.core.test.facts.BenchHours;
import pentacell.core.test.facts.Instrument;

/// One fact of every kind, or more where its body has more shapes.
final class SampleFacts {
    private static final CellId A = new CellId("HB03-07");
    private static final CellId B = new CellId("HB03-08");

    private SampleFacts() {}

    private static Need need() {
        return new Need(
                Chemistry.NMC,
                new Window(20, 30),
                Optional.of(new Window(20.4, 29.8)),
                List.of(new LoadItem("mount", 12, 1, 30), new LoadItem("cooler", 40, 0.6, 45)),
                new Losses(0.88, 4),
                OptionalDouble.of(200),
                OptionalDouble.of(14),
                OptionalDouble.of(9),
                OptionalDouble.of(40),
                Optional.of(
                        new LeadAcid(
                                24, 40, OptionalDouble.of(24), Optional.of(new Price(140, "EUR")))),
                Optional.of(new Box(300, 200, 80)),
                new Packing(1.5, 2, 3, 20),
                Optional.of(new Charger(29.4, 5, OptionalDouble.of(200))),
                Optional.of(
                        new Board(
                                7,
                                Chemistry.NMC,
                                20,
                                40,
                                true,
                                OptionalDouble.of(60),
                                Optional.of(true),
                                Optional.of(false))),
                OptionalDouble.of(-12),
                Optional.of(
                        MeanCell.salvaged(
                                2.2, 0.05, CellFormat.parse("18650").orElseThrow(), Chemistry.NMC)),
                new Wiring(
                        Material.PLATED_STEEL,
                        8,
                        0.2,
                        OptionalInt.of(4),
                        OptionalDouble.of(4),
                        0.7,
                        OptionalDouble.of(30),
                        Optional.of(new CellFuse(CellFuse.Kind.COPPER_WIRE, 0.16)),
                        BoardSchool.PAST_THE_BOARD),
                3);
    }

    static Stream<Fact> everyKindOfFact() {
        CellModel model =
                new CellModel(
                        "Halvorn HX26",
                        CellFormat.parse("18650").orElseThrow(),
                        Chemistry.NMC,
                        2500,
                        2600,
                        CellLimits.careful(Chemistry.NMC, 2500));
        MatchRules rules =
                new MatchRules(
                        List.of(1, 1),
                        Selection.TIGHTEST,
                        OptionalDouble.of(5),
                        OptionalInt.of(2),
                        0.8,
                        OptionalDouble.empty(),
                        0.01,
                        Optional.of(Chemistry.LFP),
                        Optional.of(RescuedCells.BARRED),
                        Optional.of(MatchPolicy.of(MatchSchool.NARROW_BINS)),
                        OptionalDouble.of(21_500),
                        OptionalInt.of(3),
                        Optional.of(new EveningWeights(2, 0.1, 0)),
                        Optional.of("Best of BF26"),
                        CellFormat.parse("26650"));
        return Stream.of(
                new CatalogueFact.ModelDefined(model),
                new DonorFact.DonorAdded(
                        Donor.of("HB03", "hire-bicycle module", "Halvorn HX26", "łódź \"β\"")),
                new TrayFact.TrayAdded(new Tray("T1", 8, 12)),
                new ImportFact.FileImported("cells.csv", "ab12", 7),
                new Amendment.EntryCorrected(3, new CellFact.CellPlaced(A, new Place("T1", 2, 3))),
                new Amendment.EntryStruck(3, "wrong cell"),
                new Amendment.StandInsCount(),
                new Amendment.EntryLost("voltage-read: volts is missing"),
                new CellFact.CellNamed(A, Optional.of("HB03"), Optional.empty()),
                new CellFact.CellPlaced(A, new Place("T1", 27, 3)),
                new CellFact.VoltageRead(A, -3.6),
                new CellFact.ResistanceRead(A, 56.2, CellFact.ResistanceMethod.DC),
                new CellFact.CapacityMeasured(A, 2143, TestConditions.of(4.2, 1, 3.0)),
                new CellFact.CapacityMeasured(A, 2143, TestConditions.NOT_STATED),
                new CellFact.CellNoted(A, "warm; 'x' \n y"),
                new CellFact.CellDecided(A, CellFact.Decision.OUT, "leaks"),
                new PurchaseFact.LotAdded(
                        new Lot(
                                "K1",
                                "flea market",
                                LocalDate.of(2026, 3, 1),
                                new Price(25.5, "EUR"),
                                4.9,
                                6,
                                45)),
                new DonorFact.DonorAdded(
                        new Donor(
                                "LD08",
                                "docking pack",
                                "",
                                "",
                                Optional.of("K1"),
                                Optional.of(new Arrangement(3, 2)),
                                Optional.of(Construction.GLUED_SHELL),
                                Optional.of(
                                        new PackLabel(
                                                OptionalDouble.of(10.8),
                                                OptionalDouble.of(4.4),
                                                OptionalDouble.empty())),
                                OptionalDouble.of(3))),
                new SchoolFact.BandsChosen(BandSchool.RESCUE_NMC.copy("shed")),
                new SchoolFact.RepairChosen(RepairSchool.HARVEST_ALWAYS),
                new PurchaseFact.NewCellPriced(new Price(3.2, "EUR"), 9.4),
                new CellFact.BlemishesSeen(A, EnumSet.of(Blemish.SLEEVE_TORN, Blemish.DENT)),
                new CellFact.PrepDone(A, PrepWork.RE_SLEEVE),
                new CellFact.LabelPrinted(
                        A, OptionalDouble.of(3.7), OptionalDouble.empty(), OptionalDouble.of(56)),
                new CellFact.HandedOver(A, "town depot"),
                new DonorFact.GroupsRead("LD08", new TreeMap<>(Map.of(1, 3.98, 2, -0.01))),
                new DonorFact.PackVoltageRead("LD08", 11.4),
                new DonorFact.OutputVoltageRead("LD08", 0),
                new DonorFact.SignsSeen("LD08", EnumSet.of(WarningSign.WET)),
                new DonorFact.GroupCharged("LD08", 2, 3.97),
                new DonorFact.StepChecked("LD08", "leads", DonorFact.Check.DONE),
                new DonorFact.MinutesSpent("LD08", 12),
                new DonorFact.PartSaved("LD08", "board", 1),
                new DonorFact.WayDecided("LD08", DonorFact.DonorWay.SCRAP, "burnt"),
                new PackFact.GroupsMatched(
                        "Long night", rules, List.of(List.of(A), List.of(B)), Map.of(A, 0)),
                new PackFact.CellsSwapped("Long night", A, B),
                new PlanFact.NeedStated("Long night", need()),
                new PlanFact.NeedStated(
                        "Gate lamp",
                        Need.of(
                                Chemistry.LFP,
                                new Window(0, 15),
                                List.of(new LoadItem("", 5, 0.25, 5)))),
                new PlanFact.PackChosen("Long night", new Chosen(7, 10)),
                new PlanFact.PlanDropped("Gate lamp"),
                new AssemblyFact.LayoutChosen(
                        "Gate lamp",
                        new Layout(
                                new Grid(Grid.Pattern.NESTED, 19.5, 2, 1),
                                List.of(List.of(new Spot(0, 0)), List.of(new Spot(1, 0))),
                                TakeOff.DIAGONAL)),
                new AssemblyFact.LayoutChosen(
                        "Gate lamp",
                        new Layout(
                                new Grid(Grid.Pattern.SQUARE, 20, 4, 1)
                                        .folded(2)
                                        .keeping(List.of(new Spot(3, 0))),
                                List.of(List.of(new Spot(0, 0)), List.of(new Spot(2, 0))),
                                TakeOff.EDGE)),
                new AssemblyFact.CellPut("Gate lamp", A, AssemblyFact.Put.IN),
                new AssemblyFact.PlugsSaid("Gate lamp", new Plugs(List.of(3, 2))),
                new AssemblyFact.JoiningChosen("Gate lamp", Joining.SCREW),
                new AssemblyFact.BalancingChosen("Gate lamp", Balancing.BOTTOM),
                new AssemblyFact.GroupVoltageRead("Gate lamp", 2, 3.71),
                new AssemblyFact.TapsRead(
                        "Gate lamp",
                        List.of(
                                new TapReading(0, OptionalDouble.of(0)),
                                new TapReading(1, OptionalDouble.empty()))),
                new AssemblyFact.TapsCleared("Gate lamp"),
                new PackFact.PackDissolved("Gate lamp"),
                new AssemblyFact.WholeRead("Gate lamp", MeterPoint.OUTPUT, 25.9),
                new AssemblyFact.WorkTicked(
                        "Gate lamp",
                        "weld",
                        AssemblyFact.Tick.DONE,
                        "22 J",
                        Optional.of("weld.jpg")),
                new AssemblyFact.StandingSaid("Gate lamp", PackStanding.TRIAL, "a week of nights"),
                new ProofFact.LoadTested(
                        "Gate lamp",
                        "first",
                        2.5,
                        new PackLog(
                                List.of(0.0, 60.0),
                                List.of(0.0, 5.0),
                                List.of(List.of(3.35, 3.3), List.of(3.35, 3.29)))),
                new ProofFact.MomentsRead(
                        "Gate lamp",
                        "by line",
                        2.5,
                        new PackLog(
                                List.of(120.0),
                                List.of(5.0),
                                List.of(List.of(3.2), List.of(3.19)))),
                new ProofFact.HandRead("Gate lamp", "by hand", 2.5, 5, List.of(3.3, 3.29)),
                new ProofFact.GroupTested(
                        "Gate lamp", 1, new AloneRun(21.4, OptionalDouble.of(70.1))),
                new ProofFact.FullRead("Gate lamp", 0, 3.58),
                new ProofFact.ChargeSeen(
                        "Gate lamp",
                        new ChargeRun(
                                OptionalDouble.of(14.4),
                                OptionalDouble.empty(),
                                ChargeRun.Supply.TRIPPED)),
                new ProofFact.SystemSeen(
                        "Gate lamp",
                        new EnergyRun(
                                OptionalDouble.of(600),
                                OptionalDouble.of(520),
                                OptionalDouble.of(700),
                                OptionalDouble.empty())),
                new ProofFact.TripSeen("Gate lamp", new DeviceTrip(10.7, OptionalDouble.of(11.1))),
                new ProofFact.WarmRead("Gate lamp", new Spot(1, 0), 31.5),
                new ProofFact.AmbientRead("Gate lamp", 12, "sun on the lid"),
                new ProofFact.BarRead("Gate lamp", 2, new BarReading(4.5, 30)),
                new UseFact.HistoryLogged(
                        "Gate lamp",
                        "winter",
                        Instant.parse("2025-12-01T06:30:00.250Z"),
                        new PackLog(
                                List.of(0.0, 3600.0),
                                List.of(2.0, -1.0),
                                List.of(List.of(3.31, 3.32), List.of(3.30, 3.31)),
                                Optional.of(List.of(List.of(4.5, 6.0))))),
                new UseFact.GroupsSeen("Gate lamp", 0, List.of(3.31, 3.30)),
                new UseFact.CanProbed("Gate lamp", A, 3.278),
                new UseFact.CanWarm("Gate lamp", B, 31.5),
                new UseFact.EventNoted("Gate lamp", "board replaced", LocalDate.of(2025, 11, 2)),
                new UseFact.GroupRetested("Gate lamp", 1, 20.9, LocalDate.of(2026, 1, 4)),
                new UseFact.CellReconnected("Gate lamp", A),
                new UseFact.CellReplaced("Gate lamp", 0, A, B, "at 0 V within hours"),
                new UseFact.AlarmsSet(
                        "Gate lamp", new Alarms(2.6, 3.62, 40, OptionalDouble.of(42))),
                new UseFact.TroubleSetAside(
                        "Gate lamp", 1, Trouble.MISREAD, "its lead is the longest"),
                new PlanFact.PartsPriced(List.of(new PartPrice(Part.STRIP, new Price(1.2, "EUR")))),
                new PackFact.CellLock("Long night", A, PackFact.Lock.LOCKED),
                new CellFact.CansCounted(A, 2),
                new GradeFact.GradeLimitsChosen(new GradePolicy(0.7, OptionalDouble.of(90))),
                new GradeFact.SelectionSaved("Best of BF26", List.of(A, B)),
                new GradeFact.SelectionDropped("Best of BF26"),
                new PackFact.CellPicked("Long night", A, PackFact.Pick.PUT_BACK),
                new PackFact.CellReserved("Long night", A, PackFact.Reserve.KEPT),
                new RunFact.RunStarted(A, "R1", "Charger A · 2", "charge, discharge"),
                new RunFact.RunEnded(
                        A,
                        "R1",
                        RunEnding.broken(RunFact.Break.FORGOTTEN, "no such run"),
                        OptionalDouble.of(4000)),
                new RunFact.CapacityCorrected(
                        A,
                        "R1",
                        2101.5,
                        23.4,
                        List.of(new RunFact.Share(RunFact.Correction.BAY_GAIN, -61.2))),
                new RunFact.HeatSeen(A, "R1", 3.5, 1.0),
                new RunFact.CurveOdd(
                        A, "R1", Oddity.CONTACT_BLIP, 812.5, Reason.of(Rule.CONTACT_LOST, 4, 1)),
                new RunFact.HoldBegan(A, 21),
                new RunFact.ReferenceChosen(A, RunFact.Reference.YES),
                new SchoolFact.TestChosen(TestSchool.RATING),
                new SchoolFact.HoldChosen(HoldSchool.LONG),
                new SchoolFact.MeterChosen(CellFact.ResistanceMethod.DC),
                new BenchFact.InstrumentAdded(
                        new Instrument(
                                "Charger A",
                                "simulated:four-slot",
                                List.of(
                                        new Bay(
                                                "Charger A",
                                                1,
                                                1,
                                                1,
                                                EnumSet.allOf(Chemistry.class))))),
                new BenchFact.InstrumentRemoved("Charger A"),
                new BenchFact.BayUseSet("Charger A · 2", BenchFact.BayUse.ASIDE),
                new BenchFact.BenchHoursSet(BenchHours.USUAL),
                new Amendment.ActUndone(7),
                new Amendment.ActRedone(7));
    }
}
