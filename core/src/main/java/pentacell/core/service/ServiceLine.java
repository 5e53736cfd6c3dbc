package pentacell.core.service;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import pentacell.core.cell.CellId;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.PackLines;
import pentacell.core.line.Piece;
import pentacell.core.line.TypedFigures;
import pentacell.core.pack.Pack;
import pentacell.core.service.facts.UseFact;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.DayText;
import pentacell.core.unit.Limit;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;

/// What is typed over a pack in use: `0a 3.84 3.83 …` (the groups by hand), `HB01-04 3.71` or
/// `HB01-04 41c` (a cell that is probed; the figure alone for the next one), `retest g2 23.9Ah`,
/// `note … 2026-03-01`.
public final class ServiceLine {
    private static final Pattern GROUPS = Pattern.compile("(\\S+?)\\s*a((?:\\s+\\S+)+)");
    private static final Pattern RETEST =
            Pattern.compile("retest\\s+g?(?:roup)?\\s*(\\d{1,3})\\s+(\\S+?\\s*ah)(?:\\s+(\\S+))?");
    private static final Pattern NOTE = Pattern.compile("(?i)note\\s+(.+?)(?:\\s+(\\d{4}-\\S+))?");
    private static final Pattern CELL = Pattern.compile("(\\S+)\\s+(\\S+)");

    private final String text;
    private final Pack pack;
    private final LocalDate today;
    private final Probing probing;

    /// The search that is on.
    ///
    /// @param next the cell that a figure alone belongs to
    public record Probing(CanFault fault, Optional<CellId> next) {}

    private ServiceLine(String text, Pack pack, LocalDate today, Probing probing) {
        this.text = text.strip();
        this.pack = pack;
        this.today = today;
        this.probing = probing;
    }

    /// Reads a line about a pack.
    ///
    /// @param today the last day that something can have happened on
    public static Line<LineAct> read(
            String text, WorkshopState state, String pack, LocalDate today, Probing probing) {
        return PackLines.read(
                text,
                state,
                pack,
                matched -> new ServiceLine(text, matched, today, probing).line());
    }

    private Line<LineAct> line() {
        String small = text.toLowerCase(Locale.ROOT);
        Matcher note = NOTE.matcher(text);
        if (note.matches()) return note(note);
        Matcher retest = RETEST.matcher(small);
        if (retest.matches()) return retest(retest);
        if (figure(small).isPresent()) return alone(small);
        Matcher cell = CELL.matcher(text);
        if (cell.matches()) {
            Optional<CellId> named = cell(cell.group(1));
            if (named.isPresent()) return probed(named.get(), cell.group(2), text);
        }
        Matcher groups = GROUPS.matcher(small);
        if (groups.matches())
            return TypedFigures.groupRow(groups.group(1), groups.group(2), pack.groups().size())
                    .then(this::groups);
        return Line.wrong(
                "expected amps with all groups (0a 3.84 …), a cell (%s 3.71), a test (retest g2 23.9Ah) or a note"
                        .formatted(pack.groups().getFirst().getFirst()));
    }

    private Optional<CellId> cell(String named) {
        return pack.groups().stream()
                .flatMap(List::stream)
                .filter(id -> id.text().equalsIgnoreCase(named))
                .findFirst();
    }

    /// A voltage or a temperature.
    private static OptionalDouble figure(String typed) {
        return NumberText.parse(typed.replaceFirst("(?i)(v|°?c)$", ""));
    }

    private Line<LineAct> alone(String figure) {
        return probing.next()
                .map(cell -> probed(cell, figure, cell + " " + text))
                .orElse(Line.wrong("which cell? Type its id first, such as HB01-04 3.71"));
    }

    /// A figure with its unit is what it says; one without is what the search is after, as long as
    /// a cell can have that voltage.
    private Line<LineAct> probed(CellId cell, String typed, String whole) {
        String small = typed.toLowerCase(Locale.ROOT);
        double read = figure(small).orElse(Double.NaN);
        boolean isCelsius =
                small.endsWith("c")
                        || !small.endsWith("v")
                                && (probing.fault() == CanFault.HEATER
                                        || !Limit.VOLTAGE.holds(read));
        return isCelsius ? warm(cell, typed, whole) : volts(cell, typed, whole);
    }

    private Line<LineAct> volts(CellId cell, String typed, String whole) {
        OptionalDouble volts = TypedFigures.volts(typed, Limit.VOLTAGE);
        if (volts.isEmpty()) return TypedFigures.wrong(typed, Limit.VOLTAGE);
        return logs(
                "Read " + cell,
                whole,
                new UseFact.CanProbed(pack.name(), cell, volts.getAsDouble()),
                List.of(
                        Piece.plain(cell.text(), "cell"),
                        Piece.plain(Quantity.VOLTAGE.text(volts.getAsDouble()), "at rest")));
    }

    private Line<LineAct> warm(CellId cell, String typed, String whole) {
        OptionalDouble celsius = TypedFigures.celsius(typed);
        if (celsius.isEmpty()) return TypedFigures.wrong(typed, Limit.WARMTH);
        return logs(
                "Warmth of " + cell,
                whole,
                new UseFact.CanWarm(pack.name(), cell, celsius.getAsDouble()),
                List.of(
                        Piece.plain(cell.text(), "cell"),
                        Piece.plain(Quantity.TEMPERATURE.text(celsius.getAsDouble()), "warm")));
    }

    private static Line<LineAct> logs(String words, String text, UseFact fact, List<Piece> pieces) {
        return new Line.Complete<>(pieces, "", LineAct.logs(words, text, fact));
    }

    private Optional<LocalDate> day(@Nullable String typed) {
        if (typed == null) return Optional.of(today);
        try {
            return Optional.of(LocalDate.parse(typed)).filter(day -> !day.isAfter(today));
        } catch (DateTimeParseException none) {
            return Optional.empty();
        }
    }

    private static Line<LineAct> noDay(@Nullable String typed) {
        return Line.wrong(
                "\"%s\": expected a day such as 2026-03-01, not after today".formatted(typed));
    }

    private Line<LineAct> note(Matcher note) {
        Optional<LocalDate> on = day(note.group(2));
        if (on.isEmpty()) return noDay(note.group(2));
        return logs(
                "Note on " + pack.name(),
                text,
                new UseFact.EventNoted(pack.name(), note.group(1), on.get()),
                List.of(
                        Piece.plain(note.group(1), "happened"),
                        Piece.plain(DayText.of(on.get()), "on")));
    }

    private Line<LineAct> retest(Matcher retest) {
        OptionalInt group = TypedFigures.group(retest.group(1), pack.groups().size());
        OptionalDouble ampHours = TypedFigures.read(retest.group(2), "ah", Limit.GROUP_CHARGE);
        Optional<LocalDate> on = day(retest.group(3));
        if (group.isEmpty()) return TypedFigures.noGroup(pack.groups().size());
        if (ampHours.isEmpty()) return TypedFigures.wrong(retest.group(2), Limit.GROUP_CHARGE);
        if (on.isEmpty()) return noDay(retest.group(3));
        return logs(
                "Test of group " + group.getAsInt(),
                text,
                new UseFact.GroupRetested(
                        pack.name(), group.getAsInt() - 1, ampHours.getAsDouble(), on.get()),
                List.of(
                        Piece.plain("group " + group.getAsInt(), "tested"),
                        Piece.plain(Quantity.CHARGE.text(ampHours.getAsDouble()), "gave"),
                        Piece.plain(DayText.of(on.get()), "on")));
    }

    private Line<LineAct> groups(Line.Complete<TypedFigures.GroupRow> row) {
        return logs(
                "Read the groups of " + pack.name(),
                text,
                new UseFact.GroupsSeen(pack.name(), row.act().amps(), row.act().volts()),
                row.pieces());
    }
}
