package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.lang.reflect.RecordComponent;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.Chapters;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.cell.Trays;
import pentacell.core.donor.Donors;
import pentacell.core.donor.Purchases;
import pentacell.core.journal.Fact;
import pentacell.core.pack.Packs;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.facts.Bench;

/// Files that earlier programs wrote, one of each format, open with the state those programs saw.
/// The expected states were written down by the last program of format 3; since then a corrected
/// reading keeps the time of the one it corrects, the LFP schools end at the charge limit, and a
/// donor's entries say whether they were struck.
final class OldFilesTest {
    /// What facts and records hold since; older entries have none of it.
    private static final Set<String> SINCE =
            Set.of(
                    "CurveOdd.reason",
                    "RunEnded.cause",
                    "MatchRules.policy",
                    "MatchRules.targetMilliampHours",
                    "MatchRules.spares",
                    "MatchRules.evening",
                    "MatchRules.cellsFrom",
                    "MatchRules.format",
                    "CellRecord.count",
                    "LifeLineEntry.origin",
                    "Pack.spares",
                    "Pack.earlier");

    @TempDir private Path folder;

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3})
    void aFileOfAnOlderFormatHoldsWhatItHeld(int format) throws Exception {
        Path file = folder.resolve("old.pentacell");
        Files.write(file, resource("format-" + format + ".pentacell.gz"));
        try (Logbook logbook =
                assertInstanceOf(Opening.Opened.class, Logbook.open(file, Clock.systemUTC()))
                        .logbook()) {
            assertEquals(
                    new String(
                            resource("format-" + format + "-state.txt.gz"), StandardCharsets.UTF_8),
                    whole(logbook));
        }
    }

    /// As the last programs of formats 4 and 5 wrote it: a donor, two cells, a reading that was
    /// taken back, and a note in letters beyond ASCII.
    @ParameterizedTest
    @ValueSource(ints = {4, 5})
    void aSmallFileOfALaterFormatHoldsWhatItHeld(int format) throws Exception {
        Path file = folder.resolve("old.pentacell");
        Files.write(file, resource("format-" + format + ".pentacell.gz"));
        try (Logbook logbook =
                assertInstanceOf(Opening.Opened.class, Logbook.open(file, Clock.systemUTC()))
                        .logbook()) {
            Cells cells = Cells.of(logbook.state());
            CellRecord one = cells.cell(new CellId("HB03-01")).orElseThrow();
            CellRecord two = cells.cell(new CellId("HB03-02")).orElseThrow();
            assertEquals(OptionalDouble.of(3.68), one.volts());
            assertEquals(OptionalDouble.of(3.71), two.volts(), "1.2 V was taken back");
            assertEquals(Optional.of(new Place("T1", 1, 2)), two.place());
            assertTrue(one.toString().contains("dent, \"as found\" · 18\u202f°C"));
            assertEquals(2, cells.all().size());
            assertEquals("Note on HB03-01", logbook.undoStep().orElseThrow().words());
            assertEquals(1, Donors.of(logbook.state()).described().size());
        }
        assertTrue(FileCheck.of(file, Chapters.ALL).isWhole());
    }

    private static byte[] resource(String name) throws IOException {
        try (InputStream in = OldFilesTest.class.getResourceAsStream(name);
                GZIPInputStream unpacked = new GZIPInputStream(Objects.requireNonNull(in))) {
            return unpacked.readAllBytes();
        }
    }

    private static String whole(Logbook logbook) throws ReflectiveOperationException {
        WorkshopState state = logbook.state();
        StringBuilder out = new StringBuilder();
        for (var each : Cells.of(state).all().entrySet())
            line(out, "cell " + each.getKey(), each.getValue());
        lines(out, "model", Catalogue.of(state).models());
        lines(out, "donor", Donors.of(state).records());
        lines(out, "lot", Purchases.of(state).lots());
        line(out, "schools", Schools.of(state));
        line(out, "new-cell-price", Purchases.of(state).newCell());
        lines(out, "instrument", Bench.of(state).instruments());
        line(out, "hours", Bench.of(state).hours());
        lines(out, "tray", Trays.of(state).all());
        lines(out, "pack", Packs.of(state).all());
        line(out, "aside", Bench.of(state).baysAside());
        line(out, "undo", logbook.undoStep());
        line(out, "redo", logbook.redoStep());
        return out.toString();
    }

    private static void lines(StringBuilder out, String what, Map<String, ?> values)
            throws ReflectiveOperationException {
        for (var each : values.entrySet()) line(out, what + " " + each.getKey(), each.getValue());
    }

    private static void line(StringBuilder out, String what, Object value)
            throws ReflectiveOperationException {
        out.append(what).append(' ').append(text(value)).append('\n');
    }

    private static String text(Object value) throws ReflectiveOperationException {
        return switch (value) {
            case Optional<?> optional -> optional.isPresent() ? text(optional.get()) : "-";
            case OptionalDouble number ->
                    number.isPresent() ? String.valueOf(number.getAsDouble()) : "-";
            case OptionalInt number -> number.isPresent() ? String.valueOf(number.getAsInt()) : "-";
            case Set<?> set -> sorted(texts(set)).toString();
            case Collection<?> list -> texts(list).toString();
            case Map<?, ?> map -> {
                List<String> pairs = new ArrayList<>();
                for (Map.Entry<?, ?> pair : map.entrySet())
                    pairs.add(text(pair.getKey()) + ": " + text(pair.getValue()));
                yield sorted(pairs).toString();
            }
            case Enum<?> constant -> constant.name();
            case Record record -> {
                StringBuilder out =
                        new StringBuilder(
                                record instanceof Fact ? record.getClass().getSimpleName() : "");
                out.append('{');
                for (RecordComponent part : record.getClass().getRecordComponents()) {
                    if (SINCE.contains(record.getClass().getSimpleName() + "." + part.getName()))
                        continue;
                    part.getAccessor().setAccessible(true);
                    out.append(part.getName()).append('=');
                    out.append(text(part.getAccessor().invoke(record))).append(' ');
                }
                yield out.append('}').toString();
            }
            default -> value.toString();
        };
    }

    private static List<String> texts(Collection<?> values) throws ReflectiveOperationException {
        List<String> texts = new ArrayList<>();
        for (Object value : values) texts.add(text(value));
        return texts;
    }

    private static List<String> sorted(List<String> texts) {
        Collections.sort(texts);
        return texts;
    }
}
