package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Trays;
import pentacell.core.donor.Donor;
import pentacell.core.donor.Donors;
import pentacell.core.donor.Purchases;
import pentacell.core.stock.Standing;

/// Harvest as a person handles it.
@Tag("window")
final class HarvestStationTest {
    @TempDir Path folder;

    @Test
    void byKeyboardAloneFromAnEmptyFileToFourteenCellsWithVerdictsAndLabels() throws Exception {
        Path labels = folder.resolve("labels.pdf");
        try (BenchFixture bench = BenchFixture.open(folder.resolve("new.pentacell"))) {
            when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(labels));
            bench.command("define model");
            bench.type("Quill Q22\tICR19/66\t\t2150");
            bench.keys(KeyCode.ENTER);
            bench.await("the model", () -> !Catalogue.of(bench.state()).models().isEmpty());
            bench.command("add tray");
            bench.type("T1\t3\t6");
            bench.keys(KeyCode.ENTER);
            bench.await("the tray", () -> !Trays.of(bench.state()).all().isEmpty());

            bench.command("add lot");
            bench.type("\tlibrary clearing\t3\t18.50\tEUR\t4.2");
            bench.keys(KeyCode.ENTER);
            bench.await("the lot", () -> Purchases.of(bench.state()).lots().containsKey("K1"));
            assertEquals(
                    22.7,
                    List.copyOf(Purchases.of(bench.state()).lots().values()).get(0).cost(),
                    1e-9);

            bench.command("add donor");
            addDonor(bench, "library dock", "3S2P");
            addDonor(bench, "library dock", "2S2P");
            addDonor(bench, "hedge trimmer", "4S1P");
            bench.await(
                    "three donors with proposed codes",
                    () ->
                            List.copyOf(Donors.of(bench.state()).described().keySet())
                                    .equals(List.of("LD01", "LD02", "HT01")));
            assertEquals(Optional.of("K1"), donor(bench, "LD02").lot());
            assertEquals("Quill Q22", donor(bench, "LD02").cellModel());
            bench.keys(KeyCode.ESCAPE);

            bench.enter("LD01 3.93 3.41 3.92 p11.26");
            bench.await("the diagnosis", () -> bench.text("#diagnosis").contains("group 2."));
            assertTrue(bench.text("#advice").startsWith("Repair"), bench.text("#advice"));
            bench.enter("LD02 3.71 3.72 p7.43 o0");
            bench.await("a dead board", () -> bench.text("#diagnosis").contains("board is dead"));
            bench.enter("HT01 3.6 -3.61 3.6 3.6");
            bench.await("an error", () -> bench.text("#diagnosis").contains("cannot be right"));
            bench.enter("2:3.61");
            bench.await("a good pack", () -> bench.text("#diagnosis").contains("alike"));

            nameCells(bench, "LD01", "2s 5st 6l");
            nameCells(bench, "LD02", "");
            nameCells(bench, "HT01", "all:t");
            bench.await("fourteen cells", () -> Cells.of(bench.state()).all().size() == 14);

            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT2);
            for (String line :
                    List.of(
                            "LD01-01 3.93 58",
                            "3.92",
                            "3.41",
                            "3.40",
                            "3.92",
                            "3.91", // LD01
                            "LD02-01 3.71",
                            "3.70",
                            "2.72",
                            "1.95", // LD02
                            "HT01-01 3.6",
                            "3.6",
                            "0.7",
                            "3.6")) {
                int before = read(bench);
                bench.enter(line);
                bench.await("a voltage more", () -> read(bench) == before + 1);
            }
            assertEquals(Standing.OUT, standing(bench, "LD01-06"), "it leaks");
            assertEquals(Standing.UNDER_TEST, standing(bench, "LD02-04"));
            assertEquals(Standing.OUT, standing(bench, "HT01-03"), "0.7 V");
            assertTrue(
                    Cells.of(bench.state()).all().values().stream()
                            .allMatch(c -> c.place().isPresent()));

            bench.command("intake: labels");
            bench.await("the labels", () -> bench.text("#label-summary").equals("12 labels"));
            bench.keys(KeyCode.TAB);
            pressButtonByKeyboard(bench, "#print-labels");
            bench.await(
                    "all labels are printed",
                    () ->
                            Cells.of(bench.state()).all().values().stream()
                                    .filter(CellRecord::needsLabel)
                                    .allMatch(cell ->
                                            standing(bench, cell.id().text()) == Standing.OUT));
            assertEquals("0 labels", bench.text("#label-summary"), "only what is new");
        }
        try (PDDocument document = Loader.loadPDF(Files.readAllBytes(labels))) {
            String text = new PDFTextStripper().getText(document);
            assertTrue(text.contains("LD01-01") && text.contains("HT01-04"), text);
        }
    }

    private static Donor donor(BenchFixture bench, String code) {
        return Donors.of(bench.state()).record(code).orElseThrow().donor();
    }

    private static void addDonor(BenchFixture bench, String kind, String arrangement) {
        int before = Donors.of(bench.state()).described().size();
        bench.type("\t" + kind + "\t" + arrangement + "\t");
        // the boxes for model and lot
        bench.keys(KeyCode.DOWN);
        bench.type("\t");
        bench.keys(KeyCode.DOWN);
        bench.type("\t\t");
        bench.keys(KeyCode.ENTER);
        bench.await(
                "a donor more", () -> Donors.of(bench.state()).described().size() == before + 1);
    }

    private static void nameCells(BenchFixture bench, String donor, String faults) {
        int before = Cells.of(bench.state()).all().size();
        bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
        bench.enter(donor);
        bench.command("name cells");
        bench.type("\t" + faults);
        bench.keys(KeyCode.ENTER);
        bench.await("cells more", () -> Cells.of(bench.state()).all().size() > before);
    }

    private static void pressButtonByKeyboard(BenchFixture bench, String query) {
        for (int i = 0; i < 60; i++) {
            if (bench.robot.lookup(query).query().isFocused()) {
                bench.keys(KeyCode.SPACE);
                return;
            }
            bench.keys(KeyCode.TAB);
        }
        throw new AssertionError(query + " cannot be reached with Tab");
    }

    private static int read(BenchFixture bench) {
        return (int)
                Cells.of(bench.state()).all().values().stream()
                        .filter(cell -> cell.firstVolts().isPresent())
                        .count();
    }

    private static Standing standing(BenchFixture bench, String id) {
        return bench.bench.desk().ledger().judged().standing(new CellId(id));
    }

    @Test
    void aRepairIsPlannedLoggedAndReadAgain() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.enter("LD08");
            bench.await(
                    "its plan",
                    () ->
                            bench.find("#off-volts-2", javafx.scene.control.TextField.class)
                                    .isPresent());
            bench.click("#off-volts-2");
            bench.enter("3.96");
            bench.await(
                    "it rests",
                    () ->
                            Donors.of(bench.state()).record("LD08").orElseThrow().charges().size()
                                    == 1);
            assertTrue(bench.text("#repair-words").contains("passes at 3.930"));
            assertTrue(
                    bench.robot.lookup(".hyperlink").queryAll().stream()
                            .anyMatch(link ->
                                    link.toString().contains("LD08 group 2: read again from")));
            bench.click("#quick-line");
            bench.enter("2:3.80");
            bench.await("it fell", () -> bench.text("#repair-words").contains("It fell"));
        }
    }

    @Test
    void theSchoolOfHarvestingRefusesTheRepairWithItsReason() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.enter("LD08");
            bench.click("#harvest-always");
            bench.await("harvest", () -> bench.text("#advice").startsWith("Harvest"));
            assertTrue(bench.text("#repair-words").contains("fell once tends to fall again"));
            bench.click("#undo");
            bench.await("repair again", () -> bench.text("#advice").startsWith("Repair"));
        }
    }

    @Test
    void stepsAreCheckedOffAndTheirHazardGoesWithThem() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.enter("HB06");
            bench.click("#tab-teardown");
            int hazards = bench.robot.lookup(".hazard").queryAll().size();
            assertTrue(hazards >= 5, hazards + " hazards");
            bench.click("#step-open");
            bench.await(
                    "the step is logged",
                    () ->
                            Donors.of(bench.state())
                                    .record("HB06")
                                    .orElseThrow()
                                    .stepsDone()
                                    .contains("open"));
            assertEquals(hazards - 1, bench.robot.lookup(".hazard").queryAll().size());
            assertTrue(bench.robot.lookup("#step-open").queryAs(CheckBox.class).isSelected());
        }
    }

    @Test
    void aDangerComesBackWithTheNextStartANoticeDoesNot() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.click("#tab-recycle-box");
            bench.click("#seen-rejects");
            assertFalse(bench.find("#seen-rejects", javafx.scene.Node.class).isPresent());
            bench.click("#tab-to-prepare");
            bench.click("#seen-grinding");
            assertFalse(bench.find("#seen-grinding", javafx.scene.Node.class).isPresent());
            assertEquals(
                    Optional.of("GRINDING"), bench.bench.desk().settings().get("cautions-seen"));
        }
    }

    @Test
    void yieldIsWrittenAsCsvAndReadingsComeFromOne() throws Exception {
        Path csv = folder.resolve("yield.csv");
        Path readings = folder.resolve("r.csv");
        Files.writeString(readings, "group;voltage_v\n1;3,61\n2;3,60\n3;3,62\n4;3,61\n5;3,60\n");
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(csv));
            when(bench.files.which(any(), any(), any())).thenReturn(Optional.of(readings));
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.click("#tab-yield-and-cost");
            assertEquals(
                    4,
                    bench.robot.lookup("#yield-table").queryAs(TableView.class).getItems().size());
            bench.click("#yield-csv");
            bench.await("the file", () -> Files.exists(csv));
            assertTrue(Files.readString(csv).contains("library docking pack,EUR,10,7,42,"));
            bench.click("#quick-line");
            bench.enter("HT08");
            bench.click("#harvest-import-readings");
            bench.await(
                    "the readings",
                    () ->
                            List.copyOf(
                                            Donors.of(bench.state())
                                                    .record("HT08")
                                                    .orElseThrow()
                                                    .groupVolts()
                                                    .values())
                                    .equals(List.of(3.61, 3.60, 3.62, 3.61, 3.60)));
        }
    }

    @Test
    void blemishesComeWithTheOutcome() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.enter("LD09");
            bench.command("name cells");
            bench.type("\t9s");
            assertTrue(bench.text("#cell-proposal").contains("the cells are 1 to 6"));
            bench.keys(KeyCode.CONTROL, KeyCode.A);
            bench.enter("4d");
            bench.await("six cells", () -> Cells.of(bench.state()).ofDonor("LD09").size() == 6);
            assertTrue(
                    Cells.of(bench.state())
                            .cell(new CellId("LD09-04"))
                            .orElseThrow()
                            .blemishes()
                            .contains(Blemish.DENT));
            assertEquals(Standing.OUT, standing(bench, "LD09-04"));
        }
    }
}
