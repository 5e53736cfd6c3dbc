package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.build.BuildLine;
import pentacell.core.build.ScanLine;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Trays;
import pentacell.core.harvest.HarvestLine;
import pentacell.core.intake.CellLine;
import pentacell.core.intake.WorkshopBench;
import pentacell.core.journal.Fact;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.pack.Packs;
import pentacell.core.plan.NeedLine;
import pentacell.core.prove.ProveLine;
import pentacell.core.service.CanFault;
import pentacell.core.service.ServiceLine;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.MoveLine;
import pentacell.core.test.BenchLine;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.logbook.Opening.Opened;

/// Whatever is typed at any station: a line that shows as complete can be logged, and one that
/// cannot says why.
final class TypedLinesTest {
    private static final Instant NOW = Instant.parse("2027-06-01T12:00:00Z");
    private static final String PACK = TarnHollow.LONG_NIGHT;
    private static final int LINES = 300;

    /// What people and scanners type, right and wrong, at any station.
    private static final List<String> TOKENS =
            List.of(
                    "HB01",
                    "HB03",
                    "hb02",
                    "HB01-01",
                    "HB01-02",
                    "hb03-01",
                    "HB99-01",
                    "ZZ-1",
                    "T1",
                    "T1-A01",
                    "loose",
                    ">",
                    "..",
                    "g1",
                    "g3",
                    "group",
                    "g99",
                    "g0",
                    "full",
                    "tap",
                    "lead",
                    "pack",
                    "out",
                    "output",
                    "trip",
                    "ambient",
                    "bar",
                    "retest",
                    "note",
                    "stop",
                    "b1",
                    "b2",
                    "b9",
                    "peak",
                    "idle",
                    "lfp",
                    "nmc",
                    "swollen",
                    "12min",
                    "99999min",
                    "0",
                    "1",
                    "3",
                    "3.68",
                    "3,7v",
                    "-3.6",
                    "56",
                    "56mohm",
                    "2143",
                    "2.1Ah",
                    "20.9ah",
                    "-4ah",
                    "70wh",
                    "4a",
                    "0.5A",
                    "1e5a",
                    "29.2",
                    "1e6",
                    "1e300",
                    "41c",
                    "-300c",
                    "4.5mV",
                    "60w",
                    "1kw",
                    "8h",
                    "-8h",
                    "10-15v",
                    "15-10v",
                    "0-0v",
                    "40km",
                    "12wh/km",
                    "0wh/km",
                    "85%",
                    "0%",
                    "900%",
                    "x2",
                    "x0",
                    "s",
                    "st",
                    "\"",
                    "\"torn",
                    "2026-03-01",
                    "2099-01-01",
                    "2026-13-40",
                    "t",
                    "1.1",
                    "99.99",
                    "NaN",
                    "∞",
                    "=",
                    "2:3.5",
                    "9:3.5",
                    "p11.4",
                    "o0",
                    "3.7 3.7 3.7 3.7 3.7 3.7 3.7");

    @TempDir private Path folder;

    /// A grammar.
    ///
    /// @param own what is typed at its station above all
    record Grammar(
            String name, BiFunction<String, WorkshopState, Line<LineAct>> read, List<String> own) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Grammar> grammars() {
        return Stream.of(
                new Grammar(
                        "harvest",
                        (text, state) -> HarvestLine.read(text, state, Optional.of("HB01")),
                        List.of("3.9", "p11.4", "swollen", "12min")),
                new Grammar(
                        "intake",
                        (text, state) ->
                                CellLine.read(
                                        text,
                                        new WorkshopBench(
                                                state,
                                                Optional.of(new CellId("HB01-01")),
                                                Trays.of(state).all().values().stream().findFirst(),
                                                0)),
                        List.of("3.68", "56", "2143", "st")),
                new Grammar(
                        "move",
                        (text, state) ->
                                MoveLine.read(
                                        text.contains(">") ? text : text + " > T1",
                                        state,
                                        Optional.of(new CellId("HB01-01"))),
                        List.of("> T1", "> T2-A02")),
                new Grammar("test", TypedLinesTest::reading, List.of("4.172", "HB01-01")),
                new Grammar(
                        "plan",
                        (text, state) -> NeedLine.line(text, PACK, Optional.empty(), Chemistry.NMC),
                        List.of("60w", "8h", "10-15v", "peak 150w", "lfp", "12wh/km 40km")),
                new Grammar(
                        "build",
                        (text, state) -> BuildLine.read(text, state, PACK, Optional.empty()),
                        List.of("g3", "tap 3", "pack", "3.7", "12.5", "out")),
                new Grammar(
                        "prove",
                        (text, state) -> ProveLine.read(text, state, PACK, NOW, ZoneOffset.UTC),
                        List.of(
                                "g1 20.9Ah",
                                "full g3",
                                "4.18",
                                "4a 3.7 3.7 3.7 3.7 3.7 3.7 3.7",
                                "trip 20.6",
                                "ambient 22",
                                "bar 3 4.5mV 30A",
                                "21.5")),
                new Grammar(
                        "service",
                        (text, state) ->
                                ServiceLine.read(
                                        text,
                                        state,
                                        PACK,
                                        LocalDate.ofInstant(NOW, ZoneOffset.UTC),
                                        new ServiceLine.Probing(
                                                CanFault.BROKEN_JOINT, Optional.of(cellOf(state)))),
                        List.of(
                                "0a 3.7 3.7 3.7 3.7 3.7 3.7 3.7",
                                "retest g2 23.9Ah",
                                "3.71",
                                "41c",
                                "note fell")),
                new Grammar("pick", (text, state) -> ScanLine.read(text, state, PACK), List.of()));
    }

    private static CellId cellOf(WorkshopState state) {
        return Packs.of(state).pack(PACK).orElseThrow().groups().getFirst().getFirst();
    }

    /// What is only done at the bays, such as loading, is not logged as an act.
    private static Line<LineAct> reading(String text, WorkshopState state) {
        Line<BenchLine.Act> line =
                BenchLine.read(text, state, Optional.of(new CellId("HB01-01")), 4);
        return line.then(complete ->
                complete.act() instanceof BenchLine.Act.Read(LineAct act)
                        ? new Line.Complete<>(complete.pieces(), complete.remark(), act)
                        : new Line.Incomplete<>(complete.pieces(), "is done at the bays"));
    }

    @ParameterizedTest
    @MethodSource("grammars")
    @DisplayName("what shows as complete can be logged; what cannot says why")
    void completeLinesCanBeLogged(Grammar grammar) throws Exception {
        try (Logbook book =
                assertInstanceOf(
                                Opened.class,
                                Logbook.open(folder.resolve("w.pentacell"), Clock.systemUTC()))
                        .logbook()) {
            book.logAll(TarnHollow.journal());
            Random random = new Random(grammar.name().hashCode());
            int logged = 0;
            for (int i = 0; i < LINES; i++) {
                String text = typed(random, grammar.own(), book.state());
                switch (grammar.read().apply(text, book.state())) {
                    case Line.Incomplete<LineAct> no ->
                            assertTrue(
                                    text.isBlank() || !no.remark().isBlank(),
                                    () -> "no reason for \"" + text + "\"");
                    case Line.Complete<LineAct> yes -> logged += log(book, text, yes);
                }
            }
            assertTrue(logged > 5, "only " + logged + " lines were complete");
        }
    }

    /// A line of one to six words: often what a station expects, else anything.
    private static String typed(Random random, List<String> own, WorkshopState state) {
        List<CellId> cells = List.copyOf(Cells.of(state).all().keySet());
        List<String> words = new ArrayList<>();
        int count = 1 + random.nextInt(random.nextBoolean() ? 3 : 6);
        boolean isUsual = random.nextBoolean();
        for (int i = 0; i < count; i++) {
            boolean isOwn = !own.isEmpty() && random.nextInt(10) < (isUsual ? 10 : 5);
            List<String> from = isOwn ? own : TOKENS;
            words.add(
                    !isOwn && random.nextInt(4) == 0
                            ? cells.get(random.nextInt(cells.size())).text()
                            : from.get(random.nextInt(from.size())));
        }
        if (random.nextInt(8) == 0) words.addFirst(cellOf(state).text());
        return String.join(random.nextInt(9) == 0 ? "  " : " ", words);
    }

    private static int log(Logbook book, String text, Line.Complete<LineAct> line)
            throws Exception {
        Optional<LineAct.ToLog> log = line.act().toLog();
        assertTrue(
                log.isPresent() || line.act().subject().isPresent(),
                () -> "\"" + text + "\" does nothing");
        if (log.isEmpty()) return 0;
        List<? extends Fact> facts = log.get().draft().from(book.state());
        assertFalse(log.get().words().isBlank(), text);
        if (facts.isEmpty()) return 0;
        book.log(log.get().words(), facts);
        return 1;
    }
}
