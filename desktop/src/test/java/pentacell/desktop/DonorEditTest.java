package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Construction;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.donor.Lot;
import pentacell.core.donor.Purchases;

/// Donors and lots described anew, entries struck, packs that are not this trade.
@Tag("window")
final class DonorEditTest {
    @TempDir Path folder;

    @Test
    void aDonorIsDescribedAnewUnderItsCode() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.enter("HT08");
            bench.command("edit donor");
            bench.keys(KeyCode.CONTROL, KeyCode.A);
            bench.type("saw pack\t");
            bench.keys(KeyCode.CONTROL, KeyCode.A);
            bench.enter("5S2P");
            bench.await("saved", () -> donor(bench, "HT08").kind().equals("saw pack"));
            assertEquals("5S2P", donor(bench, "HT08").arrangement().orElseThrow().toString());
            assertEquals("Tessaly T30", donor(bench, "HT08").cellModel(), "the rest stays");
            assertEquals(
                    5, Donors.of(bench.state()).record("HT08").orElseThrow().groupVolts().size());
        }
    }

    @Test
    void aReadingOfADonorIsStruckWithAReasonAndStaysToBeSeen() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            double before = record(bench, "LD08").packVolts().orElseThrow();
            bench.enter("LD08 p9.9");
            bench.await("read", () -> record(bench, "LD08").packVolts().orElse(0) == 9.9);
            long entry = record(bench, "LD08").lifeLine().getLast().sequence();
            bench.click("#strike-" + entry);
            bench.enter("");
            assertEquals(9.9, record(bench, "LD08").packVolts().orElse(0), "not without a reason");
            bench.enter("meter on the wrong lead");
            bench.await("struck", () -> record(bench, "LD08").packVolts().orElse(0) == before);
            assertTrue(record(bench, "LD08").lifeLine().getLast().isStruck());
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("back", () -> record(bench, "LD08").packVolts().orElse(0) == 9.9);
        }
    }

    private static DonorRecord record(BenchFixture bench, String code) {
        return Donors.of(bench.state()).record(code).orElseThrow();
    }

    @Test
    void aLotIsDescribedAnewUnderItsCode() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.enter("LD08");
            Lot before = lot(bench, "K2");
            bench.command("edit lot");
            assertEquals("K2", bench.robot.lookup("#lot-code").queryAs(TextField.class).getText());
            TextField packs = bench.robot.lookup("#lot-packs").queryAs(TextField.class);
            bench.robot.interact(() -> packs.setText("12"));
            bench.click("#lot-form-verb");
            bench.await("saved", () -> lot(bench, "K2").packs() == 12);
            assertEquals(before.price(), lot(bench, "K2").price());
        }
    }

    private static Lot lot(BenchFixture bench, String code) {
        return Optional.ofNullable(Purchases.of(bench.state()).lots().get(code)).orElseThrow();
    }

    @Test
    void aPackOfPouchCellsIsLeftWhole() throws Exception {
        try (BenchFixture bench = BenchFixture.open(folder.resolve("a.pentacell"))) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            bench.robot.interact(() ->
                    bench.bench
                            .desk()
                            .ledger()
                            .log(
                                    "pouch",
                                    List.of(new DonorFact.DonorAdded(pouch())),
                                    () -> bench.bench.desk().selection().selectDonor("TT01")));
            bench.await("it says so", () -> bench.text("#diagnosis").contains("holds pouch cells"));
            bench.robot.interact(() ->
                    bench.stations()
                            .filter(station -> station.number() == 1)
                            .forEach(station -> station.showPane("Teardown")));
            assertTrue(bench.written("#teardown-pane").contains("pierce"));
            assertFalse(bench.isShown("#cell-count"));
        }
    }

    private static Donor pouch() {
        return new Donor(
                "TT01",
                "thin tablet",
                "",
                "",
                Optional.empty(),
                Arrangement.parse("1S1P"),
                Optional.of(Construction.POUCH_CELLS),
                Optional.empty(),
                OptionalDouble.empty());
    }

    private static Donor donor(BenchFixture bench, String code) {
        return Donors.of(bench.state()).record(code).orElseThrow().donor();
    }
}
