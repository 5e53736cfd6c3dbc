package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.prove.facts.Proofs;
import pentacell.core.service.facts.PackInUse;
import pentacell.core.service.facts.PacksInUse;
import pentacell.desktop.frame.Station;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.SlowDisk;

/// The fields of all stations under fast hands, on a disk that writes nothing until it is let go:
/// what is typed goes on from what was typed before, and all of it arrives once.
@Tag("window")
final class FastLinesTest {
    private static final List<CellId> ON_SHELF =
            List.of(new CellId("HB05-11"), new CellId("HB05-12"));
    private static final Donor UNREAD =
            new Donor(
                    "ZZ01",
                    "library tablet dock",
                    "",
                    "",
                    Optional.empty(),
                    Arrangement.parse("3S2P"),
                    Optional.empty(),
                    Optional.empty(),
                    OptionalDouble.empty());

    @TempDir private Path folder;
    private SlowDisk disk;
    private BenchFixture bench;
    private Typist typist;

    @BeforeEach
    void open() throws Exception {
        disk = SlowDisk.taking(Duration.ofMillis(5));
        Logbook book = disk.open(BenchFixture.demoCopy(folder));
        book.log("Add donor " + UNREAD.code(), List.of(new DonorFact.DonorAdded(UNREAD)));
        Instant early = Instant.now().minus(Duration.ofDays(400));
        book.logAll(
                ON_SHELF.stream()
                        .map(id ->
                                new Logbook.Draft(
                                        early.plusSeconds(60L * ON_SHELF.indexOf(id)),
                                        "Lay down " + id,
                                        List.of(new RunFact.HoldBegan(id, 7))))
                        .toList());
        disk.held();
        bench = BenchFixture.on(book);
        typist = new Typist(bench, Duration.ZERO);
    }

    @AfterEach
    void close() throws Exception {
        disk.letGo();
        bench.close();
    }

    private void go(int station) {
        bench.keys(KeyCode.CONTROL, KeyCode.valueOf("DIGIT" + station));
    }

    private void write() {
        disk.letGo();
        bench.await("all is written", () -> !bench.bench.desk().ledger().isWaiting());
        assertEquals(List.of(), bench.texts(".line-failed"));
    }

    @Test
    void everyStationWithALinePutsTheCaretThereAndF2BringsItBack() {
        for (Station station : bench.bench.stations()) {
            if (station.line().isEmpty()) continue;
            go(station.number());
            assertEquals("quick-line", caret(), station.name());
            bench.click("#find-or-do");
            assertEquals("find-or-do", caret());
            bench.keys(KeyCode.F2);
            assertEquals("quick-line", caret(), "F2 at " + station.name());
        }
    }

    private String caret() {
        return bench.bench.frame().scene().getFocusOwner() instanceof TextInputControl field
                ? field.getId()
                : "";
    }

    @Test
    void whatIsTypedRightAfterAStationIsEnteredIsNotLost() {
        go(5);
        typist.type("60w peak 150w 8h 20-30v");
        assertEquals("60w peak 150w 8h 20-30v", bench.field("#quick-line"));
        go(9);
        typist.type("note all is well\n");
        write();
        assertTrue(use().events().stream().anyMatch(event -> event.words().equals("all is well")));
    }

    @Test
    void readingsOfADonorGoToOneGroupAfterTheOther() {
        go(1);
        String code = UNREAD.code();
        typist.type(code + " 3.91\n3.92\n3.93\np11.8\n12min\n");
        write();
        DonorRecord read = Donors.of(bench.state()).record(code).orElseThrow();
        assertEquals(Map.of(1, 3.91, 2, 3.92, 3, 3.93), read.groupVolts());
        assertEquals(11.8, read.packVolts().orElseThrow());
        assertEquals(12, read.minutes());
    }

    @Test
    void voltagesOnTheHoldShelfGoToTheCellsInTheOrderTheyAreDue() {
        go(3);
        bench.click("#tab-hold-shelf");
        bench.keys(KeyCode.F2);
        assertEquals("Shelf: " + ON_SHELF.get(0), bench.text("#in-hand"));
        typist.type("4.171\n4.172\n");
        write();
        assertEquals(
                List.of(4.171, 4.172),
                ON_SHELF.stream()
                        .map(id ->
                                Cells.of(bench.state())
                                        .cell(id)
                                        .orElseThrow()
                                        .volts()
                                        .orElseThrow())
                        .toList());
    }

    @Test
    void scannedIdsAreCheckedOffOnceAndAWrongOneIsKeptAside() {
        go(6);
        bench.await("a match is shown", () -> bench.isVisible("#tab-pick-list"));
        bench.click("#tab-pick-list");
        bench.await("a cell is to be fetched", () -> bench.text("#pick-next").contains("to group"));
        String next = bench.text("#pick-next").replaceFirst(".*   (\\S+)   to group.*", "$1");
        Pack shown =
                Packs.of(bench.state()).all().values().stream()
                        .filter(each -> each.groupOf(new CellId(next)).isPresent())
                        .findFirst()
                        .orElseThrow();
        List<CellId> open =
                shown.groups().stream()
                        .flatMap(List::stream)
                        .filter(id -> !shown.picked().contains(id))
                        .limit(6)
                        .toList();
        bench.click("#pick-check");
        Typist scanner = new Typist(bench, Duration.ofMillis(2));
        for (CellId id : open) scanner.type(id + "\n");
        scanner.type(open.get(0) + "\n");
        scanner.type("QQ99-01\n");
        scanner.type(open.get(1) + "\n");
        assertEquals(List.of("■ " + open.get(0), "■ QQ99-01"), bench.texts(".line-failed"));
        assertTrue(bench.text("#pick-answer").contains("already in the hand"));
        disk.letGo();
        bench.await(
                "all are checked off",
                () ->
                        Packs.of(bench.state())
                                .pack(shown.name())
                                .orElseThrow()
                                .picked()
                                .containsAll(open));
        assertEquals(
                shown.picked().size() + open.size(),
                Packs.of(bench.state()).pack(shown.name()).orElseThrow().picked().size());
    }

    @Test
    void leadsOfThePlugAndGroupsAreReadOneAfterTheOther() {
        go(7);
        String pack = bench.text("#in-hand");
        typist.type("tap 0 0\ntap 1 4.17\ntap 2 8.34\ng1 4.17\ng2 4.18\npack 29.2\n");
        write();
        var assembly = Assemblies.of(bench.state()).assembly(pack);
        assertEquals(8.34, Objects.requireNonNull(assembly.taps().get(2)).orElseThrow());
        assertEquals(4.17, Objects.requireNonNull(assembly.taps().get(1)).orElseThrow());
        assertEquals(4.18, assembly.lastOf(1).orElseThrow().volts());
    }

    @Test
    void groupsUnderLoadAreReadOneAfterTheOther() {
        go(8);
        String pack = bench.text("#in-hand");
        int series = Packs.of(bench.state()).pack(pack).orElseThrow().groups().size();
        int tests = Proofs.of(bench.state()).proof(pack).tests().size();
        for (int group = 1; group <= series; group++)
            typist.type("full g%d 4.1%d\n".formatted(group, group));
        typist.type("4a" + " 3.71".repeat(series) + "\n4a" + " 3.69".repeat(series) + "\n");
        write();
        var proof = Proofs.of(bench.state()).proof(pack);
        for (int group = 1; group <= series; group++)
            assertEquals(
                    4.1 + group / 100.0, Objects.requireNonNull(proof.full().get(group - 1)), 1e-9);
        assertEquals(tests + 1, proof.tests().size(), "both readings belong to one test");
        assertEquals(
                2,
                proof.tests().values().stream()
                        .reduce((one, next) -> next)
                        .orElseThrow()
                        .log()
                        .seconds()
                        .size());
    }

    private PackInUse use() {
        return PacksInUse.of(bench.state()).pack(TarnHollow.RED_LAMPS);
    }

    @Test
    void bareReadingsOfASearchGoFromCanToCan() {
        go(9);
        bench.await("it is judged", () -> bench.text("#now-meaning").startsWith("Group 2"));
        bench.click("#tab-search");
        int before = use().probes().size();
        List<String> asked = new ArrayList<>();
        for (String volts : List.of("3.841", "3.842", "3.843")) {
            asked.add(bench.text("#search-meaning").replaceAll("Next: (\\S+?),.*", "$1"));
            bench.keys(KeyCode.F2);
            typist.type(volts + "\n");
        }
        bench.click("#search-reading");
        asked.add(bench.text("#search-meaning").replaceAll("Next: (\\S+?),.*", "$1"));
        typist.type("3.844\n");
        assertEquals(4, asked.stream().distinct().count(), "the next can follows at once");
        assertEquals(before, use().probes().size(), "nothing is on the disk yet");
        write();
        assertEquals(before + 4, use().probes().size());
        for (int reading = 0; reading < 4; reading++)
            assertEquals(
                    3.841 + reading / 1000.0,
                    Objects.requireNonNull(use().probes().get(new CellId(asked.get(reading))))
                            .figure(),
                    1e-9);
    }

    @Test
    void findOrDoTakesWhatWasTypedUpToEnter() {
        bench.keys(KeyCode.CONTROL, KeyCode.K);
        typist.type("hb05-12\n");
        assertEquals("HB05-12", bench.text("#card-id"));
        assertFalse(bench.bench.desk().ledger().isWaiting());
    }

    @Test
    void stepsTickedOneAfterAnotherAreAllDoneAndAHalfTypedRemarkStays() {
        go(7);
        bench.choose("#build-pack", TarnHollow.DOME);
        bench.click("#tab-steps");
        bench.await("the steps are listed", () -> bench.isVisible("#step-rings"));
        for (String step : List.of("holder", "read", "rings")) {
            bench.robot.interact(() -> node("#step-" + step).requestFocus());
            bench.keys(KeyCode.SPACE);
        }
        bench.robot.interact(() -> node("#remark-try").requestFocus());
        typist.type("strips at hand");
        assertEquals("", bench.text("#steps-message"));
        write();
        assertTrue(
                Assemblies.of(bench.state())
                        .assembly(TarnHollow.DOME)
                        .ticked()
                        .keySet()
                        .containsAll(List.of("holder", "read", "rings")));
        assertEquals("strips at hand", bench.field("#remark-try"));
        assertEquals("remark-try", caret());
    }

    private Node node(String query) {
        return bench.robot.lookup(query).query();
    }
}
