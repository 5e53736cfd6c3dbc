package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.bay.Bay;
import pentacell.core.bay.BenchHours;
import pentacell.core.bay.Instrument;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Place;
import pentacell.core.cell.PrepWork;
import pentacell.core.cell.Tray;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Construction;
import pentacell.core.donor.Donor;
import pentacell.core.donor.Lot;
import pentacell.core.donor.PackLabel;
import pentacell.core.donor.Price;
import pentacell.core.donor.WarningSign;
import pentacell.core.fact.CellFact;
import pentacell.core.fact.DonorFact;
import pentacell.core.fact.Fact;
import pentacell.core.fact.Oddity;
import pentacell.core.fact.PackFact;
import pentacell.core.fact.RunFact;
import pentacell.core.fact.TestConditions;
import pentacell.core.match.MatchRules;
import pentacell.core.match.Selection;
import pentacell.core.school.BandPolicy;
import pentacell.core.school.HoldPolicy;
import pentacell.core.school.RepairPolicy;
import pentacell.core.school.TestPolicy;

/// Facts as rows of the journal, and back.
final class FactCodecTest {
    private static final CellId A = new CellId("HB03-07");
    private static final CellId B = new CellId("HB03-08");

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
                        Optional.of(Chemistry.LFP));
        return Stream.of(
                new Fact.ModelDefined(model),
                new Fact.DonorAdded(
                        Donor.of("HB03", "hire-bicycle module", "Halvorn HX26", "łódź \"β\"")),
                new Fact.TrayAdded(new Tray("T1", 8, 12)),
                new Fact.FileImported("cells.csv", "ab12", 7),
                new Fact.EntryCorrected(3, new CellFact.CellPlaced(A, new Place("T1", 2, 3))),
                new Fact.EntryStruck(3, A, "wrong cell"),
                new CellFact.CellNamed(A, Optional.of("HB03"), Optional.empty()),
                new CellFact.CellPlaced(A, new Place("T1", 27, 3)),
                new CellFact.VoltageRead(A, -3.6),
                new CellFact.ResistanceRead(A, 56.2, CellFact.ResistanceMethod.DC),
                new CellFact.CapacityMeasured(A, 2143, TestConditions.of(4.2, 1, 3.0)),
                new CellFact.CapacityMeasured(A, 2143, TestConditions.NOT_STATED),
                new CellFact.CellNoted(A, "warm; 'x' \n y"),
                new CellFact.CellDecided(A, CellFact.Decision.OUT, "leaks"),
                new Fact.LotAdded(
                        new Lot(
                                "K1",
                                "flea market",
                                LocalDate.of(2026, 3, 1),
                                new Price(25.5, "EUR"),
                                4.9,
                                6,
                                45)),
                new Fact.DonorAdded(
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
                new Fact.BandsChosen(BandPolicy.RESCUE_NMC.copy("shed")),
                new Fact.RepairChosen(RepairPolicy.HARVEST_ALWAYS),
                new Fact.NewCellPriced(new Price(3.2, "EUR"), 9.4),
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
                new PackFact.CellLock("Long night", A, PackFact.Lock.LOCKED),
                new PackFact.CellPicked("Long night", A, PackFact.Pick.PUT_BACK),
                new RunFact.RunStarted(A, "R1", "Charger A · 2", "charge, discharge"),
                new RunFact.RunEnded(
                        A,
                        "R1",
                        RunFact.RunEnd.BROKEN,
                        "the instrument was started anew",
                        OptionalDouble.of(4000)),
                new RunFact.CapacityCorrected(
                        A,
                        "R1",
                        2101.5,
                        23.4,
                        List.of(new RunFact.Share(RunFact.Correction.BAY_GAIN, -61.2))),
                new RunFact.HeatSeen(A, "R1", 3.5, 1.0),
                new RunFact.CurveOdd(A, "R1", Oddity.CONTACT_BLIP, 812.5, "contact"),
                new RunFact.HoldBegan(A, 21),
                new RunFact.ReferenceChosen(A, RunFact.Reference.YES),
                new Fact.TestChosen(TestPolicy.RATING),
                new Fact.HoldChosen(HoldPolicy.LONG),
                new Fact.InstrumentAdded(
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
                new Fact.InstrumentRemoved("Charger A"),
                new Fact.BayUseSet("Charger A · 2", Fact.BayUse.ASIDE),
                new Fact.BenchHoursSet(BenchHours.USUAL),
                new Fact.ActUndone(7),
                new Fact.ActRedone(7));
    }

    @ParameterizedTest
    @MethodSource("everyKindOfFact")
    void everyFactIsReadBackAsItWasWritten(Fact fact) {
        FactCodec codec = new FactCodec();
        assertEquals(fact, codec.fact(FactCodec.kind(fact.getClass()), codec.body(fact)));
    }

    @Test
    void aDonorFromBeforeItHadALabelIsStillRead() {
        // as file format 1 wrote it
        String body =
                """
                {"donor":{"code":"HB03","kind":"module","cellModel":"Halvorn HX26","note":"8S2P"}}\
                """;
        assertEquals(
                new Fact.DonorAdded(Donor.of("HB03", "module", "Halvorn HX26", "8S2P")),
                new FactCodec().fact("donor-added", body));
    }

    /// Bodies as earlier formats wrote them are read as before.
    @Test
    void bodiesOfEarlierFormatsAreRead() {
        FactCodec codec = new FactCodec();
        assertEquals(
                new CellFact.ResistanceRead(A, 56.2, CellFact.ResistanceMethod.DC),
                codec.fact(
                        "resistance-read",
                        "{\"cell\":\"%s\",\"milliohms\":56.2,\"method\":\"DC\"}"
                                .formatted(A.text())));
        assertEquals(
                new CellFact.CapacityMeasured(A, 2143, TestConditions.of(4.2, 1, 3.0)),
                codec.fact(
                        "capacity-measured",
                        "{\"cell\":\"%s\",\"milliampHours\":2143,\"conditions\":{\"chargeEndVolts\":4.2,\"dischargeAmps\":1.0,\"endVolts\":3.0}}"
                                .formatted(A.text())));
    }
}
