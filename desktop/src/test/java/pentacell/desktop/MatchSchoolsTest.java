package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.TestConditions;
import pentacell.core.journal.Fact;
import pentacell.core.pack.MatchSchool;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.workshop.demo.TarnHollow;

/// Schools, spares, going on, comparing, several packs, and what can be saved, as a person does it.
@Tag("window")
final class MatchSchoolsTest {
    @TempDir Path folder;

    @Test
    void aSchoolIsChosenAndWhatItNeedsIsOffered() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            assertFalse(bench.robot.lookup("#rule-figure").query().getParent().isVisible());
            choose(bench, MatchSchool.NARROW_BINS);
            assertTrue(bench.text("#rule-school-means").startsWith("All cells of the pack"));
            bench.set("#rule-figure", "20");
            bench.click("#match");
            bench.await(
                    "no bin is so narrow",
                    () -> bench.text("#match-message").startsWith("No bin of 20"));
            bench.click("#take-nearest");
            bench.await("it is matched", () -> pack(bench).rules().policy().isPresent());
            double width = pack(bench).rules().policyInUse().figure();
            assertTrue(width > 100 && width < 1000, "width " + width);
            choose(bench, MatchSchool.RESISTANCE_FIRST);
            bench.click("#match");
            bench.await(
                    "the school sets the limit",
                    () -> pack(bench).rules().maxIrSpreadMilliohms().isPresent());
            assertTrue(pack(bench).rules().maxIrSpreadMilliohms().orElseThrow() < 3);
        }
    }

    @Test
    void ofTwoSizesOneIsChosen() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            CellModel large =
                    CellModel.rated(
                            "Brimhal B40",
                            CellFormat.parse("21700").orElseThrow(),
                            Chemistry.NMC,
                            4000);
            List<Fact> facts = new ArrayList<>(List.of(new CatalogueFact.ModelDefined(large)));
            for (int i = 1; i <= 4; i++) {
                CellId cell = new CellId("LG-" + i);
                facts.add(
                        new CellFact.CellNamed(cell, Optional.empty(), Optional.of(large.name())));
                facts.add(new CellFact.VoltageRead(cell, 3.6));
                facts.add(
                        new CellFact.ResistanceRead(cell, 20, CellFact.ResistanceMethod.AC_1_KHZ));
                facts.add(new CellFact.CapacityMeasured(cell, 3600, TestConditions.NOT_STATED));
            }
            bench.robot.interact(
                    () -> bench.bench.desk().ledger().log("Large cells", facts, () -> {}));
            ComboBox<CellFormat> size = sizes(bench);
            bench.await("it is offered", () -> size.getItems().contains(large.format()));
            assertEquals("18650", size.getValue().code(), "what most cells are");
            bench.choose("#pack-name", "Large");
            bench.set("#rule-series", "2");
            bench.set("#rule-parallel", "2");
            bench.robot.interact(() -> size.setValue(large.format()));
            assertTrue(
                    bench.text("#stock-said").startsWith("4 cells usable"),
                    bench.text("#stock-said"));
            bench.click("#match");
            bench.await("it is matched", () -> Packs.of(bench.state()).pack("Large").isPresent());
            assertTrue(
                    Packs.of(bench.state()).pack("Large").orElseThrow().groups().stream()
                            .flatMap(List::stream)
                            .allMatch(cell -> cell.text().startsWith("LG-")));
        }
    }

    @SuppressWarnings("unchecked")
    private static ComboBox<CellFormat> sizes(BenchFixture bench) {
        return (ComboBox<CellFormat>) bench.robot.lookup("#rule-size").queryAs(ComboBox.class);
    }

    @Test
    void sparesAreChosenKeptAndReleased() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            bench.click("#more-rules");
            bench.set("#rule-spares", "3");
            bench.click("#match");
            bench.await("three are held back", () -> pack(bench).spares().size() == 3);
            CellId spare = pack(bench).spares().iterator().next();
            bench.click("#match-improve");
            bench.awaitSaid("Matched");
            assertEquals(3, pack(bench).spares().size(), "they stay, and no more are chosen");
            bench.robot.interact(() -> bench.bench.desk().selection().select(spare));
            bench.click("#tab-skyline");
            bench.keys(KeyCode.K);
            bench.await("it is free again", () -> !pack(bench).spares().contains(spare));
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("and kept again", () -> pack(bench).spares().contains(spare));
        }
    }

    @Test
    void theMatchBeforeIsComparedAndTakenBack() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            List<List<CellId>> before = pack(bench).groups();
            bench.set("#rule-ir-spread", "6");
            bench.click("#match");
            bench.await("it is matched anew", () -> !pack(bench).groups().equals(before));
            bench.click("#tab-compare");
            TableView<?> table = bench.robot.lookup("#compare-table").queryAs(TableView.class);
            bench.await("both are there", () -> table.getItems().size() == 12);
            bench.await(
                    "and said",
                    () -> bench.text("#compare-meaning").startsWith("The second gives 0."));
            assertTrue(bench.text("#compare-meaning").contains("% more"));
            bench.click("#compare-take");
            bench.await("the groups are back", () -> pack(bench).groups().equals(before));
        }
    }

    @Test
    void twoPacksAreMatchedFromOneStockInOneStep() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            bench.choose("#pack-name", "Gate lamp");
            bench.set("#rule-series", "3");
            bench.set("#rule-parallel", "6");
            bench.click("#tab-several-packs");
            bench.click("#several-add");
            assertTrue(
                    bench.text("#several-match").startsWith("Match 2 packs, 88 cells"),
                    bench.text("#several-match"));
            bench.click("#several-evenly");
            bench.click("#several-match");
            bench.await(
                    "both are matched",
                    () -> Packs.of(bench.state()).pack("Gate lamp").isPresent());
            Pack lamp = Packs.of(bench.state()).pack("Gate lamp").orElseThrow();
            Set<CellId> both = new HashSet<>(lamp.cells());
            both.retainAll(pack(bench).cells());
            assertEquals(Set.of(), both);
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("one step back", () -> Packs.of(bench.state()).pack("Gate lamp").isEmpty());
        }
    }

    @Test
    void theMatchIsSavedAsATableADocumentAndAPicture() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            MenuButton menu = bench.robot.lookup("#match-save").queryAs(MenuButton.class);
            String[] kinds = {".csv", ".json", ".pdf", ".pdf", ".svg"};
            String[] begins = {"cell_id,group,position", "{", "%PDF", "%PDF", "<?xml"};
            for (int i = 0; i < kinds.length; i++) {
                Path file = folder.resolve("match" + i + kinds[i]);
                when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(file));
                int at = i;
                bench.robot.interact(() -> menu.getItems().get(at).fire());
                bench.await(
                        "it is written", () -> Files.exists(file) && file.toFile().length() > 0);
                String begin =
                        new String(
                                Files.readAllBytes(file),
                                0,
                                begins[i].length(),
                                java.nio.charset.StandardCharsets.ISO_8859_1);
                assertEquals(begins[i], begin);
            }
        }
    }

    private static void choose(BenchFixture bench, MatchSchool school) {
        bench.choose("#rule-school", school);
    }

    private static Pack pack(BenchFixture bench) {
        return Objects.requireNonNull(
                Packs.of(bench.state()).pack(TarnHollow.LONG_NIGHT).orElse(null));
    }
}
