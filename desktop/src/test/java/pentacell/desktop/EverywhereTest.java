package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.stage.WindowEvent;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.donor.Purchases;
import pentacell.core.pack.Packs;
import pentacell.desktop.frame.CurrentSelection;
import pentacell.desktop.frame.Station;
import pentacell.workshop.demo.TarnHollow;

/// What holds at every station: *Find or do*, the keys of a desktop program, the card of the pack
/// in hand.
@Tag("window")
final class EverywhereTest {
    @TempDir Path folder;

    @Test
    void everyPaneOfEveryStationIsFoundByItsName() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            List<String> missing = new ArrayList<>();
            for (Station station : bench.stations().toList())
                for (String pane : station.panes()) {
                    bench.keys(KeyCode.CONTROL, KeyCode.K);
                    bench.set("#find-or-do", pane.toLowerCase(Locale.ROOT));
                    bench.await("something is found", () -> bench.isShown("#found"));
                    if (found(bench).stream().noneMatch((station.name() + ": " + pane)::equals))
                        missing.add(station.name() + ": " + pane);
                    bench.keys(KeyCode.ESCAPE);
                }
            assertEquals(List.of(), missing);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"currents", "joining"})
    void aPaneThatIsFoundIsGoneTo(String pane) throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.command(pane);
            bench.await(
                    pane + " is shown",
                    () ->
                            bench.isVisible("#" + pane + "-pane")
                                    && bench.isShown("#" + pane + "-pane"));
        }
    }

    @Test
    void whereNothingFitsItSaysSoAndEnterDoesNothing() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.K);
            bench.type("zzqx");
            bench.await(
                    "it says so",
                    () -> found(bench).toString().contains("Nothing found for “zzqx”. Try "));
            assertEquals(1, found(bench).size());
            bench.keys(KeyCode.ENTER);
            assertEquals("zzqx", bench.field("#find-or-do"), "still there to be changed");
        }
    }

    private static List<String> found(BenchFixture bench) {
        ListView<?> list = (ListView<?>) bench.bench.frame().scene().lookup("#found");
        return list.getItems().stream().map(String::valueOf).toList();
    }

    @Test
    void theUsualKeysCloseTheWorkshopAndThenTheProgram() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.S);
            bench.awaitSaid("saved");
            bench.keys(KeyCode.CONTROL, KeyCode.W);
            bench.awaitSaid("demo.pentacell is closed. Ctrl+O opens a workshop");
            assertEquals("", bench.bench.desk().ledger().fileNameProperty().get());
            assertTrue(Cells.of(bench.state()).all().isEmpty());
            AtomicInteger asked = new AtomicInteger();
            bench.robot.interact(() ->
                    bench.bench
                            .frame()
                            .scene()
                            .getWindow()
                            .addEventFilter(
                                    WindowEvent.WINDOW_CLOSE_REQUEST,
                                    event -> {
                                        asked.incrementAndGet();
                                        event.consume();
                                    }));
            bench.keys(KeyCode.CONTROL, KeyCode.Q);
            bench.await("the window is asked to close", () -> asked.get() == 1);
        }
    }

    @Test
    void theBenchCardListsTheKeysOfTheWindow() throws Exception {
        String handbook = Files.readString(Path.of("../docs/bench-card.md"));
        for (String key : List.of("Ctrl+O", "Ctrl+N", "Ctrl+S", "Ctrl+W", "Ctrl+Q", "F2"))
            assertTrue(handbook.contains(key), key);
    }

    @ParameterizedTest
    @CsvSource({"DIGIT7, build-pack", "DIGIT8, prove-pack", "DIGIT9, service-pack"})
    void theCardShowsThePackInHandOfTheStation(KeyCode station, String choice) throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT5);
            bench.keys(KeyCode.CONTROL, station);
            @SuppressWarnings("unchecked")
            ComboBox<String> packs =
                    (ComboBox<String>) bench.robot.lookup("#" + choice).queryAs(ComboBox.class);
            bench.await("a pack is in hand", () -> packs.getValue() != null);
            bench.await(
                    "the card shows it",
                    () -> bench.text("#pack-card-name").equals(packs.getValue()));
            for (String other : List.of(TarnHollow.DOME, TarnHollow.RED_LAMPS)) {
                bench.choose("#" + choice, other);
                bench.await(
                        "the card shows " + other,
                        () -> bench.text("#pack-card-name").equals(other));
                assertTrue(bench.isShown("#pack-card-name"));
            }
        }
    }

    /// A cell that was looked at elsewhere makes room for the pack and comes back; one of the pack
    /// stays.
    @Test
    void theCardComesBackToTheCell() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            CellId ofPack =
                    Packs.of(bench.state())
                            .pack(TarnHollow.LONG_NIGHT)
                            .orElseThrow()
                            .groups()
                            .getFirst()
                            .getFirst();
            CurrentSelection selection = bench.bench.desk().selection();
            bench.robot.interact(() -> selection.select(new CellId("HB05-02")));
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT8);
            bench.choose("#prove-pack", TarnHollow.LONG_NIGHT);
            bench.await(
                    "the pack", () -> bench.text("#pack-card-name").equals(TarnHollow.LONG_NIGHT));
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT9);
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT2);
            assertEquals("HB05-02", bench.text("#card-id"));
            bench.robot.interact(() -> selection.select(ofPack));
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT8);
            assertEquals(ofPack.text(), bench.text("#card-id"));
        }
    }

    @Test
    void aLotIsBoughtInWholePacks() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT1);
            int lots = Purchases.of(bench.state()).lots().size();
            bench.command("add lot");
            bench.await("the form is open", () -> bench.isVisible("#lot-form"));
            bench.set("#lot-source", "harbour flea market");
            bench.set("#lot-packs", "2.5");
            bench.set("#lot-price", "25");
            bench.click("#lot-packs");
            bench.keys(KeyCode.ENTER);
            bench.await("it is refused", () -> bench.text("#lot-form-message").contains("whole"));
            assertEquals("2.5", bench.field("#lot-packs"));
            assertEquals(lots, Purchases.of(bench.state()).lots().size());
            bench.set("#lot-packs", "2");
            bench.keys(KeyCode.ENTER);
            bench.await(
                    "it is logged", () -> Purchases.of(bench.state()).lots().size() == lots + 1);
        }
    }

    @Test
    void enterImportsWhatWasLookedAt() throws Exception {
        Path csv = folder.resolve("more.csv");
        Files.writeString(csv, "Cell;Voltage / V\nN-1;3,6\nN-2;3,7\n");
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            when(bench.files.which(any(), any(), any())).thenReturn(Optional.of(csv));
            bench.keys(KeyCode.CONTROL, KeyCode.I);
            bench.await("it can be taken", () -> bench.isVisible("#import-take"));
            bench.await(
                    "the button has the keys",
                    () -> bench.bench.frame().scene().lookup("#import-take").isFocused());
            assertFalse(Cells.of(bench.state()).cell(new CellId("N-2")).isPresent());
            bench.keys(KeyCode.ENTER);
            bench.await(
                    "it is imported",
                    () -> Cells.of(bench.state()).cell(new CellId("N-2")).isPresent());
        }
    }
}
