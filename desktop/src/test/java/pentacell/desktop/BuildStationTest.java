package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.Assembly;
import pentacell.core.build.facts.Joining;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.cell.CellId;
import pentacell.core.pack.Packs;
import pentacell.workshop.demo.TarnHollow;

/// Building as a person does it: cans are laid out, joined, ticked off, the plug is read, and the
/// pack is put on trial and made final.
@Tag("window")
final class BuildStationTest {
    @TempDir Path folder;

    @Test
    void fromMatchedGroupsToFinal() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT7);
            inHand(bench, TarnHollow.DOME);
            bench.await("layouts are found", () -> !layouts(bench).getItems().isEmpty());
            assertFalse(assembly(bench, TarnHollow.DOME).layout().isPresent());
            bench.robot.interact(() -> layouts(bench).requestFocus());
            bench.keys(KeyCode.DOWN);
            bench.click("#layout-take");
            bench.await(
                    "it is laid out", () -> assembly(bench, TarnHollow.DOME).layout().isPresent());
            assertEquals(
                    List.of(5, 5, 5, 5),
                    assembly(bench, TarnHollow.DOME).layout().orElseThrow().groupSizes());
            bench.click("#tab-currents");
            set(bench, "#currents-amps", "8");
            bench.keys(KeyCode.ENTER);
            bench.await(
                    "solved at 8 A", () -> bench.text("#currents-meaning").startsWith("At 8.00"));
            bench.await(
                    "and with the leads elsewhere",
                    () -> bench.text("#currents-leads").contains("corners, diagonal"));
            for (String line : List.of("g1 3.301", "g2 3.300", "g3 3.302", "g4 3.30"))
                line(bench, line);
            bench.await(
                    "four are read", () -> assembly(bench, TarnHollow.DOME).readings().size() == 4);
            bench.click("#tab-taps");
            set(bench, "#taps-typed", "0 3,30 9.90 6.60 13.20");
            bench.keys(KeyCode.ENTER);
            bench.await(
                    "a crossing is seen",
                    () -> bench.text("#taps-meaning").equals("Do not plug it in."));
            assertTrue(bench.text("#taps-faults").contains("Leads 2 and 3 have changed places"));
            bench.click("#taps-clear");
            set(bench, "#taps-typed", "0 3.30 x");
            bench.keys(KeyCode.ENTER);
            assertTrue(bench.text("#taps-message").startsWith("Lead 2, \"x\""));
            set(bench, "#taps-typed", "0 3.30 6.60 9.90 13.20");
            bench.keys(KeyCode.ENTER);
            bench.await(
                    "all are right",
                    () -> bench.text("#taps-meaning").startsWith("Every lead is where"));
            bench.click("#tab-steps");
            tick(bench, "board");
            assertTrue(bench.text("#steps-message").startsWith("First: read the whole pack"));
            assertTrue(assembly(bench, TarnHollow.DOME).ticked().isEmpty());
            for (String step :
                    List.of(
                            "holder",
                            "read",
                            "rings",
                            "try",
                            "parallel",
                            "pull",
                            "balance",
                            "series",
                            "output",
                            "taps",
                            "taps-read",
                            "whole",
                            "board",
                            "behind",
                            "cover")) {
                tick(bench, step);
                bench.await(
                        step + " is done",
                        () -> assembly(bench, TarnHollow.DOME).ticked().containsKey(step));
            }
            bench.click("#tab-trial");
            bench.click("#trial-begin");
            bench.await(
                    "it is on trial",
                    () -> assembly(bench, TarnHollow.DOME).standing() == PackStanding.TRIAL);
            for (String line : List.of("g1 3.30", "g2 3.30", "g1 3.25", "g2 3.20"))
                line(bench, line);
            bench.await("one strays", () -> bench.text("#trial-meaning").contains("Group"));
            bench.click("#trial-final");
            assertTrue(bench.text("#trial-message").startsWith("1 step is not ticked yet"));
            set(bench, "#trial-reason", "plate is at the printer");
            bench.click("#trial-final");
            bench.await(
                    "it is final",
                    () -> assembly(bench, TarnHollow.DOME).standing() == PackStanding.FINAL);
            assertTrue(bench.text("#trial-meaning").contains("plate is at the printer"));
        }
    }

    private static void tick(BenchFixture bench, String step) {
        Node box = bench.robot.lookup("#step-" + step).query();
        bench.robot.interact(box::requestFocus);
        bench.keys(KeyCode.SPACE);
    }

    @Test
    void aCellOfAGroupThatStraysIsSwapped() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            atBuild(bench);
            bench.click("#tab-trial");
            bench.await(
                    "a swap is named",
                    () -> bench.text("#trial-advice").matches("Group 5: \\S+ \\(.*"));
            String leaving = bench.text("#trial-advice").replaceFirst("Group 5: (\\S+) .*", "$1");
            List<CellId> before = groupFive(bench);
            assertTrue(before.contains(new CellId(leaving)));
            bench.click("#trial-swap");
            bench.await("it left", () -> !groupFive(bench).contains(new CellId(leaving)));
            assertEquals(
                    before.indexOf(new CellId(leaving)),
                    before.size() - 1 - changedFromEnd(before, groupFive(bench)),
                    "the new one stands in its place");
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("and back", () -> groupFive(bench).equals(before));
        }
    }

    private static List<CellId> groupFive(BenchFixture bench) {
        return Packs.of(bench.state()).pack(TarnHollow.LONG_NIGHT).orElseThrow().groups().get(4);
    }

    private static int changedFromEnd(List<CellId> before, List<CellId> after) {
        for (int i = 0; i < before.size(); i++)
            if (!before.get(before.size() - 1 - i).equals(after.get(after.size() - 1 - i)))
                return i;
        return -1;
    }

    @Test
    void leadsAreSpreadOverPlugs() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            atBuild(bench);
            bench.click("#tab-taps");
            set(bench, "#taps-plugs", "5 + 4");
            bench.keys(KeyCode.ENTER);
            assertTrue(bench.text("#taps-message").contains("8 in all, such as 4 + 4"));
            set(bench, "#taps-plugs", "5 + 3");
            bench.keys(KeyCode.ENTER);
            bench.await(
                    "two plugs", () -> assembly(bench, TarnHollow.LONG_NIGHT).plugs().count() == 2);
            assertEquals("1.5", assembly(bench, TarnHollow.LONG_NIGHT).plugs().pin(4));
            assertEquals("2.1", assembly(bench, TarnHollow.LONG_NIGHT).plugs().pin(5));
        }
    }

    @Test
    void thePaperIsWritten() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            atBuild(bench);
            bench.click("#tab-book");
            set(bench, "#plate-wording", "for the long nights");
            assertTrue(bench.text("#plate-lines").contains("for the long nights"));
            for (String each : List.of("book", "template", "faces", "plate")) {
                Path file = folder.resolve(each);
                when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(file));
                bench.click("#" + each + "-save");
                bench.await(each + " is written", () -> Files.exists(file));
                String begin =
                        new String(Files.readAllBytes(file), 0, 5, StandardCharsets.US_ASCII);
                assertTrue(begin.equals("%PDF-") || begin.startsWith("<?xml"), each + begin);
            }
            try (PDDocument book = Loader.loadPDF(folder.resolve("book").toFile())) {
                String text = new PDFTextStripper().getText(book);
                assertTrue(text.contains("on trial") && text.contains("contacts lose 4 mV at 3 A"));
                assertTrue(text.contains("leads 3 and 4 have changed places"), text);
                Packs.of(bench.state())
                        .pack(TarnHollow.LONG_NIGHT)
                        .orElseThrow()
                        .groups()
                        .forEach(group ->
                                group.forEach(cell -> assertTrue(text.contains(cell.text()))));
            }
        }
    }

    @Test
    void takenApartItsCellsAreFree() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT7);
            bench.await("the demo's trial", () -> bench.text("#build-standing").equals("on trial"));
            bench.click("#tab-trial");
            assertTrue(bench.text("#trial-meaning").contains("Group 5 strays by"));
            bench.click("#trial-apart");
            bench.await(
                    "its match is gone",
                    () -> Packs.of(bench.state()).pack(TarnHollow.LONG_NIGHT).isEmpty());
            assertEquals(PackStanding.APART, assembly(bench, TarnHollow.LONG_NIGHT).standing());
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await(
                    "and back",
                    () -> Packs.of(bench.state()).pack(TarnHollow.LONG_NIGHT).isPresent());
        }
    }

    @Test
    void whatIsJoinedIsJudgedByItsReadings() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            atBuild(bench);
            bench.click("#tab-joining");
            assertEquals(Joining.HOLDER, assembly(bench, TarnHollow.LONG_NIGHT).joining());
            List<String> group =
                    Packs.of(bench.state())
                            .pack(TarnHollow.LONG_NIGHT)
                            .orElseThrow()
                            .groups()
                            .get(0)
                            .stream()
                            .map(cell -> cell.text())
                            .toList();
            line(bench, group.get(0) + " 3.700");
            line(bench, group.get(1) + " 3.950");
            bench.await(
                    "they must not be joined",
                    () -> bench.text("#joining-meaning").startsWith("Do not join group 1 yet"));
            assertTrue(bench.text("#joining-bring").contains(group.get(1)));
            line(bench, group.get(1) + " 3.701");
            bench.await(
                    "now they may",
                    () -> bench.text("#joining-meaning").contains("what was read may be joined"));
        }
    }

    /// Build with the demo's layout.
    static void atBuild(BenchFixture bench) {
        bench.keys(KeyCode.CONTROL, KeyCode.DIGIT7);
        bench.await(
                "the demo's layout", () -> bench.text("#layout-meaning").startsWith("As chosen"));
    }

    private static void inHand(BenchFixture bench, String name) {
        bench.choose("#build-pack", name);
    }

    static void line(BenchFixture bench, String text) {
        bench.click("#quick-line");
        bench.enter(text);
    }

    static void set(BenchFixture bench, String field, String text) {
        TextField node = bench.robot.lookup(field).queryAs(TextField.class);
        bench.robot.interact(node::requestFocus);
        bench.robot.interact(() -> node.setText(text));
    }

    private static TableView<?> layouts(BenchFixture bench) {
        return bench.robot.lookup("#layouts").queryAs(TableView.class);
    }

    static Assembly assembly(BenchFixture bench, String pack) {
        return Assemblies.of(bench.state()).assembly(pack);
    }

    static Layout layout(BenchFixture bench) {
        return assembly(bench, TarnHollow.LONG_NIGHT).layout().orElseThrow();
    }
}
