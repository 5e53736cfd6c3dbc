package pentacell.desktop.stock;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeoutException;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import pentacell.core.Chapters;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.desktop.frame.Arrival;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.stock.StockModel.Figures;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.Opening;

/// Stock without a window: what is shown, brushed and reckoned.
final class StockModelTest {
    @TempDir Path folder;
    private final Desk desk = new Desk(Clock.systemUTC(), Settings.forNow(), Chapters.ALL);
    private final StockModel model = new StockModel(desk);

    @BeforeAll
    static void startTheToolkit() throws TimeoutException {
        FxToolkit.registerPrimaryStage();
    }

    private static void onUi(Runnable action) {
        WaitForAsyncUtils.waitForAsyncFx(30_000, action);
    }

    @BeforeEach
    void openTheDemo() throws Exception {
        if (Logbook.open(folder.resolve("demo.pentacell"), Clock.systemUTC())
                instanceof Opening.Opened opened) {
            opened.logbook().logAll(TarnHollow.journal());
            onUi(() -> desk.put(Arrival.Ready.of(opened.logbook())));
            Awaitility.await().until(() -> !model.shownProperty().get().rows().isEmpty());
        }
    }

    @AfterEach
    void closeIt() {
        onUi(desk::close);
    }

    @Test
    void figuresOfAModelAreThoseOfItsMeasuredCells() {
        Figures q22 =
                StockModel.figures(model.shownProperty().get()).stream()
                        .filter(figures -> figures.name().equals("Quill Q22"))
                        .findFirst()
                        .orElseThrow();
        double[] capacities =
                Cells.of(desk.ledger().state()).all().values().stream()
                        .filter(cell -> cell.model().orElse("").equals("Quill Q22"))
                        .flatMapToDouble(cell -> cell.milliampHours().stream())
                        .toArray();
        double mean = java.util.Arrays.stream(capacities).average().orElseThrow();
        assertEquals(capacities.length, q22.capacity().count());
        assertEquals(mean, q22.capacity().mean(), 1e-9);
    }

    @Test
    void aBrushNarrowsTheRowsAndHasFiguresOfItsOwn() {
        Set<CellId> held =
                Set.of(new CellId("HB01-01"), new CellId("HB01-02"), new CellId("not-there"));
        onUi(() -> model.brush(held));
        assertEquals(2, model.shownProperty().get().inBrush().size());
        Figures brushed = StockModel.figures(model.shownProperty().get()).get(0);
        assertEquals("Brushed", brushed.name());
        assertEquals(2, brushed.capacity().count());
        onUi(() -> model.brush(Set.of()));
        assertEquals(219, model.shownProperty().get().inBrush().size());
    }

    @Test
    void aHiddenModelIsGoneUntilItIsShownAgain() {
        onUi(() -> model.toggle("Bramfer BF26-L"));
        assertEquals(195, model.shownProperty().get().rows().size());
        assertTrue(model.models().containsKey("Bramfer BF26-L"), "it can be asked back");
        onUi(() -> model.toggle("Bramfer BF26-L"));
        assertEquals(219, model.shownProperty().get().rows().size());
    }

    @Test
    void everyModelHasAShapeAndNeighboursDiffer() {
        List<ModelShape> shapes =
                List.of(ModelShape.of(0), ModelShape.of(1), ModelShape.of(2), ModelShape.of(3));
        assertEquals(4, Set.copyOf(shapes).size());
        assertEquals(ModelShape.of(0), ModelShape.of(4));
    }
}
