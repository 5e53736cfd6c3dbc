package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.donor.DonorFact.DonorWay;
import pentacell.core.donor.Donors;
import pentacell.core.donor.Purchases;
import pentacell.core.stock.Standing;
import pentacell.desktop.frame.Settings;
import pentacell.reports.LabelLayout;

/// What the forms refuse, what labels are due, which cautions come back.
@Tag("window")
final class FormsAndLabelsTest {
    @TempDir Path folder;

    @Test
    void aDonorThatCannotBeIsRefusedInWordsAndWhatWasTypedStays() throws Exception {
        try (BenchFixture bench = BenchFixture.open(folder.resolve("a.pentacell"))) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.click("#harvest-add-donor");
            bench.keys(KeyCode.ENTER);
            assertTrue(complaint(bench, "donor").contains("Kind of pack is missing"));
            set(bench, "#donor-kind", "drill pack");
            set(bench, "#donor-arrangement", "S5");
            bench.click("#donor-form-verb");
            assertTrue(complaint(bench, "donor").contains("\"S5\" is not an arrangement"));
            set(bench, "#donor-arrangement", "5S");
            set(bench, "#donor-volts", "18,O");
            bench.click("#donor-form-verb");
            assertTrue(complaint(bench, "donor").contains("letter O"));
            assertEquals("drill pack", field(bench, "#donor-kind").getText());
            set(bench, "#donor-volts", "18");
            set(bench, "#donor-ah", "2");
            set(bench, "#donor-wh", "63");
            bench.click("#donor-form-verb");
            bench.await("added", () -> Donors.of(bench.state()).described().containsKey("DP01"));
            assertTrue(complaint(bench, "donor").contains("misread or misprinted"), "63 for 36 Wh");
            set(bench, "#donor-code", "DP01");
            set(bench, "#donor-kind", "drill pack");
            bench.click("#donor-form-verb");
            assertTrue(complaint(bench, "donor").contains("DP01 is taken"));
            assertEquals(1, Donors.of(bench.state()).described().size());
        }
    }

    @Test
    void aLotThatCannotBeIsRefusedInWordsAndItsCurrencyIsRemembered() throws Exception {
        Settings kept = Settings.forNow();
        try (BenchFixture bench = BenchFixture.open(folder.resolve("a.pentacell"), kept)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.click("#harvest-add-lot");
            set(bench, "#lot-source", "flea market");
            set(bench, "#lot-packs", "2");
            set(bench, "#lot-price", "free");
            bench.click("#lot-form-verb");
            assertTrue(complaint(bench, "lot").contains("\"free\" is not a number"));
            set(bench, "#lot-price", "12.5");
            set(bench, "#lot-currency", "francs");
            bench.click("#lot-form-verb");
            assertTrue(complaint(bench, "lot").contains("three capital letters"));
            set(bench, "#lot-currency", "chf");
            set(bench, "#lot-date", "yesterday");
            bench.click("#lot-form-verb");
            assertTrue(complaint(bench, "lot").contains("\"yesterday\" is not a date"));
            set(bench, "#lot-date", "2026-02-28");
            bench.click("#lot-form-verb");
            bench.await("added", () -> Purchases.of(bench.state()).lots().containsKey("K1"));
            assertEquals(Optional.of("CHF"), kept.get("currency"));
        }
    }

    @Test
    void aDonorIsDecidedOtherwiseOnlyWithAReason() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.enter("LD08");
            bench.click("#donor-decide");
            assertTrue(Donors.of(bench.state()).record("LD08").orElseThrow().decision().isEmpty());
            bench.click("#donor-decision-reason");
            bench.enter("wanted for its cells");
            bench.await(
                    "decided",
                    () ->
                            Donors.of(bench.state())
                                    .record("LD08")
                                    .orElseThrow()
                                    .decision()
                                    .filter(decided -> decided.way() == DonorWay.HARVEST)
                                    .isPresent());
            assertTrue(bench.text("#repair-words").contains("Decided by hand"));
        }
    }

    @Test
    void aLabelIsDueAgainWhenItsFiguresChangeAndTheGridCanBeOnesOwn() throws Exception {
        Path pdf = folder.resolve("labels.pdf");
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(pdf));
            CellId id = new CellId("HB01-01");
            assertFalse(Cells.of(bench.state()).cell(id).orElseThrow().needsLabel());
            bench.click("#quick-line");
            bench.enter("HB01-01 2290mah");
            bench.await("due", () -> Cells.of(bench.state()).cell(id).orElseThrow().needsLabel());
            bench.click("#tab-labels");
            bench.await("counted", () -> bench.text("#label-summary").equals("42 labels"));
            set(bench, "#label-own", "A4 9x9 70x70");
            bench.click("#label-own");
            bench.keys(KeyCode.ENTER);
            bench.awaitSaid("is not a grid");
            set(bench, "#label-own", "A4 4x9 50x30");
            bench.click("#label-own");
            bench.keys(KeyCode.ENTER);
            assertEquals(
                    LabelLayout.parse("A4 4x9 50x30").orElseThrow(),
                    bench.robot.lookup("#label-layout").queryAs(ComboBox.class).getValue());
            bench.click("#print-labels");
            bench.await(
                    "printed",
                    () ->
                            Cells.of(bench.state()).all().values().stream()
                                    .filter(CellRecord::needsLabel)
                                    .allMatch(cell ->
                                            bench.bench.desk().ledger().judged().standing(cell.id())
                                                    == Standing.OUT));
        }
        try (PDDocument document = Loader.loadPDF(Files.readAllBytes(pdf))) {
            assertEquals(2, document.getNumberOfPages(), "42 labels of 36 a sheet");
        }
    }

    @Test
    void aNoticeStaysAwayForAPersonADangerComesBackWithTheNextStart() throws Exception {
        Settings person = Settings.forNow();
        Path file = folder.resolve("a.pentacell");
        try (BenchFixture bench = BenchFixture.open(file, person)) {
            bench.click("#tab-recycle-box");
            bench.click("#seen-rejects");
            bench.click("#tab-look-twice");
            bench.click("#seen-polarity");
            assertFalse(isShown(bench, "#seen-polarity"));
        }
        try (BenchFixture next = BenchFixture.open(file, person)) {
            next.click("#tab-look-twice");
            assertFalse(isShown(next, "#seen-polarity"));
            next.click("#tab-recycle-box");
            assertTrue(isShown(next, "#seen-rejects"));
            next.keys(KeyCode.CONTROL, KeyCode.K);
            next.enter("show all cautions");
            next.click("#tab-look-twice");
            assertTrue(isShown(next, "#seen-polarity"));
        }
        try (BenchFixture other = BenchFixture.open(file)) {
            other.click("#tab-look-twice");
            assertTrue(isShown(other, "#seen-polarity"), "another person has not seen it");
        }
    }

    private static boolean isShown(BenchFixture bench, String query) {
        return bench.find(query, Node.class).isPresent();
    }

    private static String complaint(BenchFixture bench, String form) {
        return bench.text("#" + form + "-form-message");
    }

    private static TextField field(BenchFixture bench, String query) {
        return bench.robot.lookup(query).queryAs(TextField.class);
    }

    private static void set(BenchFixture bench, String query, String text) {
        TextField field = field(bench, query);
        bench.robot.interact(() -> field.setText(text));
    }
}
