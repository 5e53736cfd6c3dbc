package pentacell.core.build;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.Assembly;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.MeterPoint;
import pentacell.core.build.facts.TapReading;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.journal.Fact;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.LineAct.Subject;
import pentacell.core.line.PackLines;
import pentacell.core.line.Piece;
import pentacell.core.line.TypedFigures;
import pentacell.core.pack.Pack;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Limit;
import pentacell.core.unit.Quantity;

/// What is typed while a pack is built: `g3 3.712` (a group), `tap 3 12.51` (a balance lead), `pack
/// 29.2`, `out 29.2`, `HB03-07 3.68` (a cell); `HB03-07` as the cell goes into the holder, `HB03-07
/// out` as it leaves it.
public final class BuildLine {
    private static final Pattern GROUP = Pattern.compile("g(?:roup)?\\s*(\\d+)\\s+(\\S+)");
    private static final Pattern LEAD = Pattern.compile("(?:tap|lead)\\s*(\\d+)\\s+(\\S+)");
    private static final Pattern WHOLE = Pattern.compile("(pack|out|output)\\s+(\\S+)");
    private static final Pattern CELL = Pattern.compile("(\\S+)\\s+(\\S+)");

    private final String text;
    private final WorkshopState state;
    private final Pack pack;
    private final Optional<Layout> shown;

    private BuildLine(String text, WorkshopState state, Pack pack, Optional<Layout> shown) {
        this.text = text.strip();
        this.state = state;
        this.pack = pack;
        this.shown = shown;
    }

    /// Reads a line about a pack.
    ///
    /// @param shown the layout that is looked at, when it is not the one that was taken
    public static Line<LineAct> read(
            String text, WorkshopState state, String pack, Optional<Layout> shown) {
        return PackLines.read(
                text, state, pack, matched -> new BuildLine(text, state, matched, shown).line());
    }

    private Line<LineAct> line() {
        String small = text.toLowerCase(Locale.ROOT);
        Matcher group = GROUP.matcher(small);
        if (group.matches()) return group(group.group(1), group.group(2));
        Matcher lead = LEAD.matcher(small);
        if (lead.matches()) return lead(TypedFigures.number(lead.group(1)), lead.group(2));
        Matcher whole = WHOLE.matcher(small);
        if (whole.matches()) {
            MeterPoint point =
                    whole.group(1).startsWith("out") ? MeterPoint.OUTPUT : MeterPoint.PACK;
            OptionalDouble volts = TypedFigures.volts(whole.group(2), Limit.PACK_VOLTAGE);
            if (volts.isEmpty()) return TypedFigures.wrong(whole.group(2), Limit.PACK_VOLTAGE);
            return reading(
                    point.words(),
                    volts.getAsDouble(),
                    new AssemblyFact.WholeRead(pack.name(), point, volts.getAsDouble()));
        }
        return cell();
    }

    private Line<LineAct> group(String digits, String figure) {
        int series = pack.groups().size();
        OptionalInt number = TypedFigures.group(digits, series);
        if (number.isEmpty()) return TypedFigures.noGroup(series);
        OptionalDouble volts = TypedFigures.volts(figure, Limit.VOLTAGE);
        if (volts.isEmpty()) return TypedFigures.wrong(figure, Limit.VOLTAGE);
        return reading(
                "group " + number.getAsInt(),
                volts.getAsDouble(),
                new AssemblyFact.GroupVoltageRead(
                        pack.name(), number.getAsInt() - 1, volts.getAsDouble()));
    }

    private Line<LineAct> lead(int number, String figure) {
        int series = pack.groups().size();
        if (number > series) return Line.wrong("the plug has leads 0 to " + series);
        OptionalDouble volts = TypedFigures.volts(figure, Limit.PACK_VOLTAGE);
        if (volts.isEmpty()) return TypedFigures.wrong(figure, Limit.PACK_VOLTAGE);
        return reading(
                "lead " + number,
                volts.getAsDouble(),
                new AssemblyFact.TapsRead(pack.name(), List.of(new TapReading(number, volts))));
    }

    private Line<LineAct> reading(String subject, double volts, Fact fact) {
        return new Line.Complete<>(
                List.of(
                        Piece.plain(subject, "read"),
                        Piece.plain(Quantity.VOLTAGE.text(volts), "volts")),
                "",
                LineAct.logs("Read " + subject, text, fact));
    }

    private Line<LineAct> cell() {
        Matcher cell = CELL.matcher(text);
        String named = cell.matches() ? cell.group(1) : text;
        if (CellId.problem(named).isPresent() || Cells.of(state).cell(new CellId(named)).isEmpty())
            return Line.wrong("no cell " + named);
        CellId id = new CellId(named);
        boolean isOut = cell.matches() && cell.group(2).equalsIgnoreCase("out");
        if (!cell.matches() || isOut) return inHand(id, isOut);
        if (pack.groupOf(id).isEmpty()) return Line.wrong(new Filling.NotOfThisPack(id).sentence());
        OptionalDouble volts = TypedFigures.volts(cell.group(2), Limit.VOLTAGE);
        if (volts.isEmpty()) return TypedFigures.wrong(cell.group(2), Limit.VOLTAGE);
        return reading(
                named, volts.getAsDouble(), new CellFact.VoltageRead(id, volts.getAsDouble()));
    }

    /// A cell that is held over the holder, or taken out of it.
    private Line<LineAct> inHand(CellId id, boolean isOut) {
        Assembly assembly = Assemblies.of(state).assembly(pack.name());
        Optional<Layout> lookedAt = shown.or(assembly::layout);
        if (lookedAt.isEmpty()) return Line.wrong("no layout yet");
        Filling filling = Filling.of(state, pack, id, lookedAt.get());
        if (filling instanceof Filling.NotOfThisPack) return Line.wrong(filling.sentence());
        boolean isIn = assembly.inHolder().contains(id);
        if (isOut)
            return isIn
                    ? put(id, AssemblyFact.Put.OUT, id + " leaves the holder")
                    : Line.wrong(id + " is not in the holder");
        if (!assembly.layout().equals(lookedAt))
            return told(id, filling.sentence() + ", once this layout is taken");
        return isIn
                ? told(id, filling.sentence() + "; it is in already")
                : put(id, AssemblyFact.Put.IN, filling.sentence());
    }

    private Line<LineAct> put(CellId id, AssemblyFact.Put put, String sentence) {
        String words =
                switch (put) {
                    case IN -> "Put %s into the holder".formatted(id);
                    case OUT -> "Take %s out of the holder".formatted(id);
                };
        return answered(
                LineAct.logs(words, text, new AssemblyFact.CellPut(pack.name(), id, put)).about(id),
                sentence);
    }

    private static Line<LineAct> told(CellId id, String sentence) {
        return answered(LineAct.takes(new Subject.OfCell(id)), sentence);
    }

    private static Line<LineAct> answered(LineAct act, String sentence) {
        return new Line.Complete<>(List.of(), sentence, act.answering(sentence));
    }
}
