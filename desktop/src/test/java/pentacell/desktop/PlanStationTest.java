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
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TableView;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.Part;
import pentacell.core.plan.facts.Planned;
import pentacell.core.plan.facts.Plans;
import pentacell.workshop.demo.TarnHollow;

/// Planning as a person does it: a need is typed, a pack chosen, checked, priced and matched.
@Tag("window")
final class PlanStationTest {
    @TempDir Path folder;

    @Test
    void aNeedTypedInOneLineBecomesAPackThatIsMatched() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT5);
            named(bench, "Warm room 24 V");
            assertTrue(bench.text("#in-hand").contains("Warm room"));
            bench.click("#quick-line");
            bench.hands.type("25w peak 60w 8h 20-30v\n");
            bench.await("the need is logged", () -> planned(bench, "Warm room 24 V").isPresent());
            assertEquals(
                    OptionalDouble.of(8),
                    planned(bench, "Warm room 24 V").orElseThrow().need().hours());
            bench.await("a pack is proposed", () -> !bench.text("#plan-arrangement").equals("–"));
            bench.click("#tab-packs");
            String first = bench.text("#plan-arrangement");
            assertTrue(bench.text("#packs-meaning").startsWith(first + " takes the fewest"));
            bench.robot.interact(() -> bench.robot.lookup("#ladder").query().requestFocus());
            bench.keys(KeyCode.DOWN);
            bench.await("the next", () -> !bench.text("#plan-arrangement").equals(first));
            bench.keys(KeyCode.UP);
            bench.await(
                    "the best is looked at", () -> bench.text("#plan-arrangement").equals(first));
            bench.keys(KeyCode.ENTER);
            bench.await(
                    "it is chosen",
                    () -> planned(bench, "Warm room 24 V").orElseThrow().chosen().isPresent());
            Chosen chosen = planned(bench, "Warm room 24 V").flatMap(Planned::chosen).orElseThrow();
            assertEquals(first, chosen.arrangement());
            bench.click("#plan-match");
            bench.await("Match is shown", () -> bench.isVisible("#rules"));
            assertEquals(String.valueOf(chosen.series()), field(bench, "#rule-series"));
            assertEquals(String.valueOf(chosen.parallel()), field(bench, "#rule-parallel"));
            bench.click("#match");
            bench.await(
                    "it is matched",
                    () -> Packs.of(bench.state()).pack("Warm room 24 V").isPresent());
            Pack pack = Packs.of(bench.state()).pack("Warm room 24 V").orElseThrow();
            assertEquals(chosen.arrangement(), pack.rules().arrangement());
        }
    }

    @Test
    void theNightOfTheObservatoryIsTypedFieldByField() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT5);
            named(bench, "Second night");
            bench.click("#tab-need");
            set(bench, "#need-low", "20");
            set(bench, "#need-high", "30");
            TextArea loads = bench.robot.lookup("#need-loads").queryAs(TextArea.class);
            bench.robot.interact(loads::requestFocus);
            bench.robot.interact(
                    () -> loads.setText("telescope mount 12w\ncamera cooler 30w 50% peak 42w"));
            set(bench, "#need-hours", "10");
            bench.click("#need-hours");
            bench.keys(KeyCode.ENTER);
            bench.await("it is logged", () -> planned(bench, "Second night").isPresent());
            Planned night = planned(bench, "Second night").orElseThrow();
            assertEquals(27, night.need().steadyFromPack(), 1e-9);
            assertEquals(54, night.need().peakFromPack(), 1e-9);
            bench.await("worked out", () -> !bench.text("#plan-hours").equals("–"));
            double before = Double.parseDouble(bench.text("#plan-hours"));
            bench.robot.interact(loads::requestFocus);
            bench.robot.interact(() -> loads.appendText("\ndew heaters 18w"));
            bench.await(
                    "the figures move while it is typed",
                    () -> Double.parseDouble(bench.text("#plan-hours")) != before);
            assertEquals(
                    2,
                    planned(bench, "Second night").orElseThrow().need().loads().size(),
                    "nothing is logged before the field is left");
            bench.click("#need-hours");
            bench.await(
                    "left, it is",
                    () -> planned(bench, "Second night").orElseThrow().need().loads().size() == 3);
            set(bench, "#need-hours", "long");
            bench.click("#need-low");
            assertTrue(
                    bench.text("#need-message").contains("\"long\": expected hours"),
                    bench.text("#need-message"));
            assertEquals(
                    OptionalDouble.of(10),
                    planned(bench, "Second night").orElseThrow().need().hours());
            set(bench, "#need-hours", "10");
            bench.click("#tab-packs");
            bench.await(
                    "it is looked at again", () -> !bench.text("#plan-arrangement").equals("–"));
            bench.click("#plan-choose");
            bench.await(
                    "it is chosen",
                    () -> planned(bench, "Second night").orElseThrow().chosen().isPresent());
            Chosen chosen = planned(bench, "Second night").flatMap(Planned::chosen).orElseThrow();
            bench.click("#plan-match");
            bench.await("Match is shown", () -> bench.isVisible("#rules"));
            bench.click("#match");
            bench.await(
                    "it is matched",
                    () -> Packs.of(bench.state()).pack("Second night").isPresent());
            assertEquals(
                    chosen.arrangement(),
                    Packs.of(bench.state())
                            .pack("Second night")
                            .orElseThrow()
                            .rules()
                            .arrangement());
        }
    }

    @Test
    void anotherChoiceSaysWhatItMakesOfTheMatch() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT5);
            bench.await("the demo's pack", () -> bench.text("#plan-arrangement").equals("7S10P"));
            assertEquals("Matched as 7S10P.", bench.text("#plan-standing"));
            assertTrue(bench.text("#plan-card-verdict").contains("one thing needs"));
            set(bench, "#own-series", "7");
            set(bench, "#own-parallel", "11");
            bench.keys(KeyCode.ENTER);
            bench.await("it is looked at", () -> bench.text("#plan-arrangement").equals("7S11P"));
            bench.click("#plan-choose");
            bench.await(
                    "the match is stale",
                    () -> bench.text("#plan-standing").contains("match it again for 7S11P"));
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await(
                    "undone",
                    () ->
                            planned(bench, TarnHollow.LONG_NIGHT)
                                    .flatMap(Planned::chosen)
                                    .orElseThrow()
                                    .equals(new Chosen(7, 10)));
        }
    }

    @Test
    void checksRunBoxAndPartsAnswerTheirQuestion() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT5);
            bench.await("the demo's pack", () -> bench.text("#plan-arrangement").equals("7S10P"));
            bench.click("#tab-checks");
            assertTrue(bench.written("#checks").contains("Charger: its supply"));
            assertTrue(bench.text("#checks-meaning").startsWith("7S10P works"));
            bench.click("#tab-run");
            assertTrue(bench.text("#run-meaning").startsWith("The first group is empty after"));
            assertTrue(bench.text("#run-others").contains("As matched now"));
            bench.click("#tab-box");
            assertTrue(bench.text("#box-meaning").startsWith("70 cells go in, in 1 layer"));
            bench.click("#tab-parts");
            TableView<?> parts = bench.robot.lookup("#parts-table").queryAs(TableView.class);
            bench.robot.interact(() -> parts.getSelectionModel().select(0));
            set(bench, "#part-price", "2 eur");
            bench.click("#part-price-set");
            bench.await("cells have another price", () -> price(bench, Part.CELL) == 2);
            assertFalse(bench.text("#parts-meaning").isEmpty());
            set(bench, "#part-price", "dear");
            bench.click("#part-price-set");
            assertTrue(bench.text("#parts-problems").contains("is no price"));
        }
    }

    @Test
    void pricesComeFromATableAndThePlanGoesOnPaper() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT5);
            bench.await("the demo's pack", () -> bench.text("#plan-arrangement").equals("7S10P"));
            bench.click("#tab-parts");
            Path prices = folder.resolve("prices.csv");
            when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(prices));
            bench.click("#prices-save");
            bench.awaitSaid("Written to");
            String table = Files.readString(prices);
            assertTrue(table.startsWith("part,unit,price,currency"));
            Files.writeString(
                    prices, table.replace("strip,m,1.4", "strip,m,3") + "gold,kg,9,EUR\r\n");
            when(bench.files.which(any(), any(), any())).thenReturn(Optional.of(prices));
            bench.click("#prices-import");
            bench.await("strip is dearer", () -> price(bench, Part.STRIP) == 3);
            assertTrue(
                    bench.text("#parts-problems").contains("\"gold\" is not known"),
                    bench.text("#parts-problems"));
            MenuButton menu = bench.robot.lookup("#plan-save").queryAs(MenuButton.class);
            String[] begins = {"%PDF", "%PDF", "part,what", "{"};
            for (int i = 0; i < begins.length; i++) {
                Path file = folder.resolve("plan" + i);
                when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(file));
                int at = i;
                bench.robot.interact(() -> menu.getItems().get(at).fire());
                bench.await("it is written", () -> Files.exists(file));
                assertEquals(
                        begins[i],
                        new String(
                                Files.readAllBytes(file),
                                0,
                                begins[i].length(),
                                StandardCharsets.ISO_8859_1));
            }
        }
    }

    @Test
    void whatIsBeingTypedStaysWhenSomethingElseIsLogged() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT5);
            bench.await("the demo's pack", () -> bench.text("#plan-arrangement").equals("7S10P"));
            bench.click("#tab-need");
            set(bench, "#need-hours", "9");
            bench.robot.interact(() ->
                    bench.bench
                            .desk()
                            .ledger()
                            .log(
                                    "Note",
                                    List.of(new CellFact.CellNoted(new CellId("HB04-06"), "warm")),
                                    () -> {}));
            bench.await("it is logged", () -> bench.text("#undo").contains("Note"));
            assertEquals("9", field(bench, "#need-hours"));
            set(bench, "#need-spares", "2.5");
            bench.click("#need-low");
            assertEquals("\"2.5\" is not a whole number of cells.", bench.text("#need-message"));
            assertEquals(2, planned(bench, TarnHollow.LONG_NIGHT).orElseThrow().need().spares());
        }
    }

    @Test
    void fieldsThatAreOnlyLookedAtLogNothing() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT5);
            bench.await("the demo's pack", () -> bench.text("#plan-arrangement").equals("7S10P"));
            String before = bench.text("#undo");
            bench.click("#tab-need");
            for (String field :
                    new String[] {"#need-low", "#need-hours", "#need-supply", "#need-fuse-wire"})
                bench.robot.interact(() -> bench.robot.lookup(field).query().requestFocus());
            bench.click("#need-low");
            bench.keys(KeyCode.ENTER);
            assertEquals("", bench.text("#need-message"));
            assertEquals(before, bench.text("#undo"), "what is shown is what was logged");
        }
    }

    @Test
    void aPlanIsCopiedAndDropped() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT5);
            bench.click("#plan-copy");
            String copy = TarnHollow.LONG_NIGHT + " 2";
            bench.await("it is copied", () -> planned(bench, copy).isPresent());
            assertEquals(
                    planned(bench, TarnHollow.LONG_NIGHT).orElseThrow().need(),
                    planned(bench, copy).orElseThrow().need());
            MenuButton more = bench.robot.lookup("#plan-more").queryAs(MenuButton.class);
            bench.robot.interact(() -> more.getItems().get(0).fire());
            bench.await("it is dropped", () -> planned(bench, copy).isEmpty());
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("and back", () -> planned(bench, copy).isPresent());
        }
    }

    private static void named(BenchFixture bench, String name) {
        bench.choose("#plan-name", name);
    }

    private static void set(BenchFixture bench, String field, String text) {
        TextField node = bench.robot.lookup(field).queryAs(TextField.class);
        bench.robot.interact(node::requestFocus);
        bench.robot.interact(() -> node.setText(text));
    }

    private static String field(BenchFixture bench, String field) {
        return bench.robot.lookup(field).queryAs(TextField.class).getText();
    }

    private static Optional<Planned> planned(BenchFixture bench, String pack) {
        return Plans.of(bench.state()).plan(pack);
    }

    private static double price(BenchFixture bench, Part part) {
        return Objects.requireNonNull(Plans.of(bench.state()).prices().get(part)).amount();
    }
}
