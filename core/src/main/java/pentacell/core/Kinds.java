package pentacell.core;

import static java.util.Map.entry;

import java.util.Map;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TrayFact;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.PurchaseFact;
import pentacell.core.imports.ImportFact;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.core.pack.PackFact;
import pentacell.core.plan.facts.PlanFact;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.school.GradeFact;
import pentacell.core.school.SchoolFact;
import pentacell.core.service.facts.UseFact;
import pentacell.core.test.facts.BenchFact;

/// The kind of every fact, as written in workshop files. A class may be renamed, but its kind never
/// changes, or old files could no longer be read. `docs/file-format.md` describes the bodies.
public final class Kinds {
    /// All kinds, by type; no two types have the same.
    public static final Map<Class<? extends Fact>, String> ALL =
            Map.ofEntries(
                    entry(Amendment.ActUndone.class, "act-undone"),
                    entry(Amendment.ActRedone.class, "act-redone"),
                    entry(Amendment.EntryCorrected.class, "entry-corrected"),
                    entry(Amendment.EntryStruck.class, "entry-struck"),
                    entry(Amendment.StandInsCount.class, "stand-ins-count"),
                    entry(Amendment.EntryLost.class, "entry-lost"),
                    entry(CatalogueFact.ModelDefined.class, "model-defined"),
                    entry(TrayFact.TrayAdded.class, "tray-added"),
                    entry(PurchaseFact.LotAdded.class, "lot-added"),
                    entry(PurchaseFact.NewCellPriced.class, "new-cell-priced"),
                    entry(DonorFact.DonorAdded.class, "donor-added"),
                    entry(DonorFact.GroupsRead.class, "groups-read"),
                    entry(DonorFact.PackVoltageRead.class, "pack-voltage-read"),
                    entry(DonorFact.OutputVoltageRead.class, "output-voltage-read"),
                    entry(DonorFact.SignsSeen.class, "signs-seen"),
                    entry(DonorFact.GroupCharged.class, "group-charged"),
                    entry(DonorFact.StepChecked.class, "step-checked"),
                    entry(DonorFact.MinutesSpent.class, "minutes-spent"),
                    entry(DonorFact.PartSaved.class, "part-saved"),
                    entry(DonorFact.WayDecided.class, "way-decided"),
                    entry(CellFact.CellNamed.class, "cell-named"),
                    entry(CellFact.CansCounted.class, "cans-counted"),
                    entry(CellFact.CellPlaced.class, "cell-placed"),
                    entry(CellFact.VoltageRead.class, "voltage-read"),
                    entry(CellFact.ResistanceRead.class, "resistance-read"),
                    entry(CellFact.CapacityMeasured.class, "capacity-measured"),
                    entry(CellFact.BlemishesSeen.class, "blemishes-seen"),
                    entry(CellFact.PrepDone.class, "prep-done"),
                    entry(CellFact.LabelPrinted.class, "label-printed"),
                    entry(CellFact.HandedOver.class, "handed-over"),
                    entry(CellFact.CellNoted.class, "cell-noted"),
                    entry(CellFact.CellDecided.class, "cell-decided"),
                    entry(RunFact.RunStarted.class, "run-started"),
                    entry(RunFact.RunEnded.class, "run-ended"),
                    entry(RunFact.CapacityCorrected.class, "capacity-corrected"),
                    entry(RunFact.HeatSeen.class, "heat-seen"),
                    entry(RunFact.CurveOdd.class, "curve-odd"),
                    entry(RunFact.HoldBegan.class, "hold-began"),
                    entry(RunFact.ReferenceChosen.class, "reference-chosen"),
                    entry(SchoolFact.BandsChosen.class, "bands-chosen"),
                    entry(SchoolFact.RepairChosen.class, "repair-chosen"),
                    entry(SchoolFact.TestChosen.class, "test-chosen"),
                    entry(SchoolFact.MeterChosen.class, "meter-chosen"),
                    entry(SchoolFact.HoldChosen.class, "hold-chosen"),
                    entry(BenchFact.InstrumentAdded.class, "instrument-added"),
                    entry(BenchFact.InstrumentRemoved.class, "instrument-removed"),
                    entry(BenchFact.BayUseSet.class, "bay-use-set"),
                    entry(BenchFact.BenchHoursSet.class, "bench-hours-set"),
                    entry(GradeFact.GradeLimitsChosen.class, "grade-limits-chosen"),
                    entry(GradeFact.SelectionSaved.class, "selection-saved"),
                    entry(GradeFact.SelectionDropped.class, "selection-dropped"),
                    entry(PlanFact.NeedStated.class, "need-stated"),
                    entry(PlanFact.PackChosen.class, "pack-chosen"),
                    entry(PlanFact.PlanDropped.class, "plan-dropped"),
                    entry(PlanFact.PartsPriced.class, "parts-priced"),
                    entry(PackFact.GroupsMatched.class, "groups-matched"),
                    entry(PackFact.CellsSwapped.class, "cells-swapped"),
                    entry(PackFact.CellLock.class, "cell-lock"),
                    entry(PackFact.CellPicked.class, "cell-picked"),
                    entry(PackFact.CellReserved.class, "cell-reserved"),
                    entry(PackFact.PackDissolved.class, "pack-dissolved"),
                    entry(AssemblyFact.LayoutChosen.class, "layout-chosen"),
                    entry(AssemblyFact.JoiningChosen.class, "joining-chosen"),
                    entry(AssemblyFact.BalancingChosen.class, "balancing-chosen"),
                    entry(AssemblyFact.GroupVoltageRead.class, "group-voltage-read"),
                    entry(AssemblyFact.TapsRead.class, "taps-read"),
                    entry(AssemblyFact.PlugsSaid.class, "plugs-said"),
                    entry(AssemblyFact.CellPut.class, "cell-put"),
                    entry(AssemblyFact.TapsCleared.class, "taps-cleared"),
                    entry(AssemblyFact.WholeRead.class, "whole-read"),
                    entry(AssemblyFact.WorkTicked.class, "work-ticked"),
                    entry(AssemblyFact.StandingSaid.class, "standing-said"),
                    entry(ProofFact.LoadTested.class, "load-tested"),
                    entry(ProofFact.HandRead.class, "hand-read"),
                    entry(ProofFact.MomentsRead.class, "moments-read"),
                    entry(ProofFact.GroupTested.class, "group-tested"),
                    entry(ProofFact.FullRead.class, "full-read"),
                    entry(ProofFact.ChargeSeen.class, "charge-seen"),
                    entry(ProofFact.SystemSeen.class, "system-seen"),
                    entry(ProofFact.TripSeen.class, "trip-seen"),
                    entry(ProofFact.WarmRead.class, "warm-read"),
                    entry(ProofFact.AmbientRead.class, "ambient-read"),
                    entry(ProofFact.BarRead.class, "bar-read"),
                    entry(UseFact.HistoryLogged.class, "history-logged"),
                    entry(UseFact.GroupsSeen.class, "groups-seen"),
                    entry(UseFact.CanProbed.class, "can-probed"),
                    entry(UseFact.CanWarm.class, "can-warm"),
                    entry(UseFact.EventNoted.class, "event-noted"),
                    entry(UseFact.GroupRetested.class, "group-retested"),
                    entry(UseFact.CellReconnected.class, "cell-reconnected"),
                    entry(UseFact.CellReplaced.class, "cell-replaced"),
                    entry(UseFact.AlarmsSet.class, "alarms-set"),
                    entry(UseFact.TroubleSetAside.class, "trouble-set-aside"),
                    entry(ImportFact.FileImported.class, "file-imported"));

    private Kinds() {}
}
