package pentacell.desktop.build;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.build.Filling;
import pentacell.core.build.JudgedLayout;
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
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Build: a cell, a group, a lead or the whole pack with its volts; or a cell
/// alone as it goes into the holder, to be told its place; `out` behind it as it leaves.
final class BuildQuick implements QuickSource {
    private static final Pattern GROUP = Pattern.compile("g(?:roup)?\\s*(\\d+)\\s+(\\S+)");
    private static final Pattern LEAD = Pattern.compile("(?:tap|lead)\\s*(\\d+)\\s+(\\S+)");
    private static final Pattern WHOLE = Pattern.compile("(pack|out|output)\\s+(\\S+)");
    private static final Pattern CELL = Pattern.compile("(\\S+)\\s+(\\S+)");

    private final BuildModel model;

    BuildQuick(BuildModel model) {
        this.model = model;
    }

    /// A line as it was understood.
    private sealed interface Line {
        /// Something to log.
        record ToLog(String subject, double volts, Fact fact) implements Line {}

        /// A cell that goes into the holder or out of it; nothing to log before a layout is taken.
        record Where(CellId cell, String sentence, Optional<AssemblyFact.Put> put)
                implements Line {}

        /// Not understood.
        record No(String why) implements Line {}
    }

    @Override
    public String inHand() {
        return model.packProperty().get();
    }

    @Override
    public String example() {
        return "HB03-07   HB03-07 3.68   g3 3.712   tap 3 12.51   pack 29.2";
    }

    private Line line(String text) {
        String pack = model.packProperty().get();
        Optional<Pack> matched = Packs.of(expected()).pack(pack);
        if (matched.isEmpty()) return new Line.No("no pack is matched");
        String plain = text.strip();
        String small = plain.toLowerCase(Locale.ROOT);
        int series = matched.get().groups().size();
        Matcher group = GROUP.matcher(small);
        if (group.matches()) {
            int number = number(group.group(1));
            if (number < 1 || number > series)
                return new Line.No("the pack has groups 1 to " + series);
            return volts(group.group(2), 10)
                    .map(volts ->
                            (Line)
                                    new Line.ToLog(
                                            "group " + number,
                                            volts,
                                            new AssemblyFact.GroupVoltageRead(
                                                    pack, number - 1, volts)))
                    .orElseGet(() -> noVolts(group.group(2)));
        }
        Matcher lead = LEAD.matcher(small);
        if (lead.matches()) {
            int number = number(lead.group(1));
            if (number > series) return new Line.No("the plug has leads 0 to " + series);
            return volts(lead.group(2), 1000)
                    .map(volts ->
                            (Line)
                                    new Line.ToLog(
                                            "lead " + number,
                                            volts,
                                            new AssemblyFact.TapsRead(
                                                    pack,
                                                    List.of(
                                                            new TapReading(
                                                                    number,
                                                                    OptionalDouble.of(volts))))))
                    .orElseGet(() -> noVolts(lead.group(2)));
        }
        Matcher whole = WHOLE.matcher(small);
        if (whole.matches()) {
            MeterPoint point =
                    whole.group(1).startsWith("out") ? MeterPoint.OUTPUT : MeterPoint.PACK;
            return volts(whole.group(2), 1000)
                    .map(volts ->
                            (Line)
                                    new Line.ToLog(
                                            point.words(),
                                            volts,
                                            new AssemblyFact.WholeRead(pack, point, volts)))
                    .orElseGet(() -> noVolts(whole.group(2)));
        }
        return cell(plain, matched.get());
    }

    private WorkshopState expected() {
        return model.desk().ledger().expected();
    }

    private Line cell(String plain, Pack matched) {
        Matcher cell = CELL.matcher(plain);
        String named = cell.matches() ? cell.group(1) : plain;
        if (CellId.problem(named).isPresent()
                || Cells.of(expected()).cell(new CellId(named)).isEmpty())
            return new Line.No("no cell " + named);
        CellId id = new CellId(named);
        boolean isOut = cell.matches() && cell.group(2).equalsIgnoreCase("out");
        if (!cell.matches() || isOut) return held(id, matched, isOut);
        if (matched.groupOf(id).isEmpty())
            return new Line.No(new Filling.NotOfThisPack(id).sentence());
        return volts(cell.group(2), 10)
                .map(volts ->
                        (Line) new Line.ToLog(named, volts, new CellFact.VoltageRead(id, volts)))
                .orElseGet(() -> noVolts(cell.group(2)));
    }

    /// What is said of a cell that is held over the holder, or taken out of it.
    private Line held(CellId id, Pack matched, boolean isOut) {
        Assembly assembly = Assemblies.of(expected()).assembly(matched.name());
        Optional<Layout> lookedAt =
                model.shownProperty().get().map(JudgedLayout::layout).or(assembly::layout);
        if (lookedAt.isEmpty()) return new Line.No("no layout yet");
        Filling filling = Filling.of(expected(), matched, id, lookedAt.get());
        if (filling instanceof Filling.NotOfThisPack) return new Line.No(filling.sentence());
        boolean isIn = assembly.inHolder().contains(id);
        if (isOut && !isIn) return new Line.No(id + " is not in the holder");
        if (isOut)
            return new Line.Where(id, id + " leaves the holder", Optional.of(AssemblyFact.Put.OUT));
        if (!assembly.layout().equals(lookedAt))
            return new Line.Where(
                    id, filling.sentence() + ", once this layout is taken", Optional.empty());
        return isIn
                ? new Line.Where(id, filling.sentence() + "; it is in already", Optional.empty())
                : new Line.Where(id, filling.sentence(), Optional.of(AssemblyFact.Put.IN));
    }

    private static Line noVolts(String text) {
        return new Line.No("\"%s\": expected volts".formatted(text));
    }

    private static int number(String digits) {
        return digits.length() > 4 ? Integer.MAX_VALUE : Integer.parseInt(digits);
    }

    private static Optional<Double> volts(String text, double most) {
        OptionalDouble read =
                NumberText.parse(text.endsWith("v") ? text.substring(0, text.length() - 1) : text);
        return read.isPresent() && Math.abs(read.getAsDouble()) <= most
                ? Optional.of(read.getAsDouble())
                : Optional.empty();
    }

    @Override
    public Reading read(String text) {
        if (text.isBlank()) return new Reading(List.of(), "", State.INCOMPLETE, "");
        return switch (line(text)) {
            case Line.ToLog log ->
                    new Reading(
                            List.of(
                                    new Chip(log.subject(), "read", Look.PLAIN),
                                    new Chip(
                                            Quantity.VOLTAGE.text(log.volts()),
                                            "volts",
                                            Look.PLAIN)),
                            "",
                            State.COMPLETE,
                            "");
            case Line.Where where -> new Reading(List.of(), where.sentence(), State.COMPLETE, "");
            case Line.No no -> new Reading(List.of(), no.why(), State.INCOMPLETE, no.why());
        };
    }

    @Override
    public Entered enter(String text) {
        return switch (line(text)) {
            case Line.ToLog log -> toLog(text, "Read " + log.subject(), log.fact());
            case Line.Where where -> {
                model.desk().selection().select(where.cell());
                model.desk().notices().say(where.sentence());
                yield where.put()
                        .map(put ->
                                toLog(
                                        text,
                                        put == AssemblyFact.Put.IN
                                                ? "Put %s into the holder".formatted(where.cell())
                                                : "Take %s out of the holder"
                                                        .formatted(where.cell()),
                                        new AssemblyFact.CellPut(
                                                model.packProperty().get(), where.cell(), put)))
                        .orElseGet(() -> Entered.done(text, () -> {}));
            }
            case Line.No no -> new Entered.Refused(no.why());
        };
    }

    private Entered toLog(String text, String words, Fact fact) {
        return Entered.fact(model.desk().ledger(), text, words, fact);
    }

    @Override
    public void onChange(Runnable changed) {
        model.packProperty().subscribe(name -> changed.run());
        model.builtProperty().subscribe(now -> changed.run());
        model.desk().ledger().expectedProperty().subscribe(state -> changed.run());
    }
}
