package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.Objects;
import javafx.scene.control.Button;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.workshop.demo.TarnHollow;

/// The trade-off as a person reads it: drawn, understood, one of its matches taken.
@Tag("window")
final class TradeOffPaneTest {
    @TempDir Path folder;

    @Test
    void theHandIsHeldAgainstWhatTheMatchWasToBeBestAt() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            bench.await("a hand has dealt", () -> !bench.text("#figure-by-hand").equals("–"));
            assertTrue(Integer.parseInt(bench.text("#figure-by-hand")) > 20_000);
            // the demo's second pack was matched for the least spread
            bench.choose("#pack-name", TarnHollow.DOME);
            bench.await(
                    "its spread is shown",
                    () ->
                            bench.text("#figure-by-hand").length() <= 3
                                    && bench.robot
                                            .lookup("Spread by hand / mAh")
                                            .tryQuery()
                                            .isPresent());
            assertTrue(
                    Integer.parseInt(bench.text("#figure-by-hand"))
                            > Integer.parseInt(bench.text("#figure-spread")));
            // the same cells dealt, held against a match that is to be best at something else
            bench.choose("#pack-name", TarnHollow.LONG_NIGHT);
            bench.await("its capacity is shown", () -> bench.text("#figure-by-hand").length() == 5);
            bench.click("#rule-tightest");
            bench.click("#match");
            bench.await(
                    "the spread of the same deal is shown",
                    () -> bench.text("#figure-by-hand").length() <= 3);
        }
    }

    @Test
    void aMatchOfTheCurveIsTaken() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT6);
            int usable = Integer.parseInt(bench.text("#figure-usable"));
            bench.await("a hand has dealt", () -> !bench.text("#figure-by-hand").equals("–"));
            int byHand = Integer.parseInt(bench.text("#figure-by-hand"));
            assertTrue(byHand < usable, byHand + " of " + usable);
            bench.click("#tab-trade-off");
            assertTrue(
                    bench.text("#trade-off-by-hand").contains(byHand + "\u00a0mAh")
                            && bench.text("#trade-off-by-hand").contains("% less"),
                    bench.text("#trade-off-by-hand"));
            Button take = bench.robot.lookup("#trade-off-take").queryButton();
            assertTrue(take.isDisabled(), "nothing is chosen yet");
            bench.click("#trade-off-draw");
            bench.await(
                    "the curve is drawn",
                    () -> bench.text("#trade-off-progress").equals("12 of 12 points"));
            String meaning = bench.text("#trade-off-meaning");
            assertTrue(
                    meaning.startsWith("Down to ")
                            && meaning.contains("you give up 0.")
                            && meaning.contains("times its share instead of 1.2"),
                    meaning);
            TableView<?> table = bench.robot.lookup("#trade-off-table").queryAs(TableView.class);
            assertEquals(12, table.getItems().size());
            bench.robot.interact(() -> {
                table.requestFocus();
                table.getSelectionModel().select(4);
            });
            String against = bench.text("#trade-off-by-hand");
            bench.click("#trade-off-take");
            bench.await(
                    "it is taken", () -> pack(bench).rules().maxIrSpreadMilliohms().isPresent());
            double limit = pack(bench).rules().maxIrSpreadMilliohms().orElseThrow();
            bench.await(
                    "the figures are of the match that was taken",
                    () -> Double.parseDouble(bench.text("#figure-ir-spread")) <= limit + 0.05);
            bench.await(
                    "the hand is held against the match that was taken",
                    () -> !bench.text("#trade-off-by-hand").equals(against));
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("and undone", () -> pack(bench).rules().maxIrSpreadMilliohms().isEmpty());
        }
    }

    private static Pack pack(BenchFixture bench) {
        return Objects.requireNonNull(
                Packs.of(bench.state()).pack(TarnHollow.LONG_NIGHT).orElse(null));
    }
}
