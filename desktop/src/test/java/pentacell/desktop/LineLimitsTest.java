package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import javafx.event.ActionEvent;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.service.facts.PacksInUse;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.frame.Station;
import pentacell.workshop.demo.TarnHollow;

/// Whatever a line accepts can be logged, and what it does not is refused with a reason: every kind
/// of line of every station with figures on both sides of every limit.
@Tag("window")
final class LineLimitsTest {
    private static final List<String> FIGURES =
            List.of(
                    "-1e6",
                    "-1000",
                    "-274",
                    "-51",
                    "-50",
                    "-41",
                    "-40",
                    "-10.01",
                    "-10",
                    "-1",
                    "-0.001",
                    "0",
                    "0.000000001",
                    "0.5",
                    "3.7",
                    "5.99",
                    "6",
                    "10",
                    "10.01",
                    "79.9",
                    "80",
                    "85",
                    "149",
                    "150",
                    "151",
                    "299",
                    "399",
                    "400",
                    "501",
                    "999",
                    "1000",
                    "1000.1",
                    "9999",
                    "10000",
                    "10001",
                    "100000",
                    "100001",
                    "1000000000",
                    "1e300",
                    "NaN",
                    "99999999999999999999999999",
                    "3,7",
                    "３.７");

    /// Lines by the number of their station; `#` is replaced by a figure.
    private static final Map<Integer, List<String>> LINES =
            Map.of(
                    1,
                    List.of(
                            "LD08 #",
                            "LD08 # 3.9 3.9",
                            "LD08 p#",
                            "LD08 o#",
                            "LD08 2:#",
                            "LD08 #min"),
                    2,
                    List.of(
                            "HB05-12 #",
                            "HB05-12 #v",
                            "HB05-12 #m",
                            "HB05-12 #dc",
                            "HB05-12 #mah",
                            "HB05-12 #ah",
                            "HB05-12 3.7 x#",
                            "HB05-12 > T2-A#"),
                    3,
                    List.of("HB05-12 #", "b# HB05-12", "stop b#"),
                    5,
                    List.of(
                            "#w 8h 20-30v",
                            "60w peak #w 8h 20-30v",
                            "60w #h 20-30v",
                            "60w 8h #-30v",
                            "60w 8h 20-#v",
                            "#wh/km 40km 30-42v",
                            "250w 12wh/km #km 30-42v",
                            "60w idle #w 8h 20-30v"),
                    7,
                    List.of("g1 #", "g# 3.7", "tap 1 #", "tap # 3.7", "pack #", "out #"),
                    8,
                    List.of(
                            "g1 #ah",
                            "g1 20ah #wh",
                            "g# 20ah",
                            "full g1 #",
                            "full g# 4.1",
                            "#a SEVEN",
                            "4a # SIX",
                            "trip #",
                            "trip 20 #",
                            "t 1.1 #",
                            "t #.1 30",
                            "ambient #",
                            "bar 1 #mv 3a",
                            "bar 1 3mv #a",
                            "bar # 3mv 3a"),
                    9,
                    List.of(
                            "#a SEVEN",
                            "0a # SIX",
                            "RL2-10 #",
                            "RL2-10 #c",
                            "RL2-10 #v",
                            "#",
                            "retest g1 #ah",
                            "retest g# 20ah"));

    @TempDir private Path folder;
    private final List<Throwable> thrown = Collections.synchronizedList(new ArrayList<>());

    @Test
    void aLineIsRefusedOrLoggedAndNeverThrows() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.robot.interact(() ->
                    Thread.currentThread()
                            .setUncaughtExceptionHandler((thread, failure) -> thrown.add(failure)));
            for (Station station : bench.bench.stations()) {
                if (station.line().isEmpty()) continue;
                bench.keys(KeyCode.CONTROL, KeyCode.valueOf("DIGIT" + station.number()));
                bench.hands.settle();
                QuickBar line = station.line().get();
                int[] logged = {0};
                bench.robot.interact(() ->
                        LINES.getOrDefault(station.number(), List.of())
                                .forEach(each ->
                                        FIGURES.forEach(
                                                figure -> enter(line, each, figure, logged))));
                assertEquals(List.of(), thrown, station.name());
                assertTrue(logged[0] > 0, station.name() + " logged none of its lines");
                bench.await("all is written", () -> !bench.bench.desk().ledger().isWaiting());
                assertEquals(List.of(), bench.texts(".line-failed"), station.name());
            }
            bench.robot.interact(() -> Thread.currentThread().setUncaughtExceptionHandler(null));
        }
    }

    private static void enter(QuickBar line, String template, String figure, int[] logged) {
        TextField field = (TextField) line.lookup("#quick-line");
        line.type(
                template.replace("SEVEN", "3.7 3.7 3.7 3.7 3.7 3.7 3.7")
                        .replace("SIX", "3.7 3.7 3.7 3.7 3.7 3.7")
                        .replace("#", figure));
        field.fireEvent(new ActionEvent());
        if (field.getText().isEmpty()) logged[0]++;
        field.setText("");
    }

    /// What is dangerous can be logged.
    @Test
    void aHotCanIsLogged() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT9);
            bench.line("RL2-10 85c");
            bench.line("RL2-09 240c");
            bench.await(
                    "both are logged",
                    () ->
                            PacksInUse.of(bench.state()).pack(TarnHollow.RED_LAMPS).warm().size()
                                    == 2);
        }
    }
}
