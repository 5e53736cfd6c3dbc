package pentacell.desktop.service;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import pentacell.core.cell.CellId;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.service.CanSearch;
import pentacell.core.service.facts.UseFact;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Limit;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.OneFactLines;
import pentacell.desktop.frame.QuickLine;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Service: the groups by hand, a can that is searched, a group tested again,
/// what happened.
final class ServiceQuick {
    private static final Pattern SEEN = Pattern.compile("(\\S+?)\\s*a((?:\\s+\\S+)+)");
    private static final Pattern RETEST =
            Pattern.compile("retest\\s+g?(?:roup)?\\s*(\\d{1,3})\\s+(\\S+?)\\s*ah(?:\\s+(\\S+))?");
    private static final Pattern NOTE = Pattern.compile("(?i)note\\s+(.+?)(?:\\s+(\\d{4}-\\S+))?");
    private static final Pattern CAN = Pattern.compile("(\\S+)\\s+(\\S+)");

    private final ServiceModel model;

    private ServiceQuick(ServiceModel model) {
        this.model = model;
    }

    static QuickSource of(ServiceModel model) {
        return new OneFactLines(
                model.desk(),
                () -> model.inHand().name(),
                "0a 3.84 3.83 …   HB01-04 3.71   retest g2 23.9Ah   note …",
                new ServiceQuick(model)::line,
                changed -> {
                    model.inHand().nameProperty().subscribe(name -> changed.run());
                    model.searchedProperty().subscribe(now -> changed.run());
                });
    }

    private QuickLine line(String text) {
        Optional<Pack> pack = Packs.of(expected()).pack(model.inHand().name());
        if (pack.isEmpty()) return new QuickLine.No("no pack is matched");
        String typed = text.strip();
        String small = typed.toLowerCase(Locale.ROOT);
        int series = pack.get().groups().size();
        Matcher note = NOTE.matcher(typed);
        if (note.matches()) return note(note);
        Matcher retest = RETEST.matcher(small);
        if (retest.matches()) return retest(series, retest);
        OptionalDouble bare = figure(small);
        if (bare.isPresent()) return bare(bare.getAsDouble());
        Matcher can = CAN.matcher(typed);
        if (can.matches()) {
            Optional<CellId> cell = cell(pack.get(), can.group(1));
            if (cell.isPresent()) return can(cell.get(), can.group(2));
        }
        Matcher seen = SEEN.matcher(small);
        if (seen.matches()) return seen(series, seen);
        return new QuickLine.No(
                "expected amps with all groups (0a 3.84 …), a can (%s 3.71), a test (retest g2 23.9Ah) or a note"
                        .formatted(pack.get().groups().get(0).get(0)));
    }

    private WorkshopState expected() {
        return model.desk().ledger().expected();
    }

    private static Optional<CellId> cell(Pack pack, String text) {
        return pack.groups().stream()
                .flatMap(List::stream)
                .filter(id -> id.text().equalsIgnoreCase(text))
                .findFirst();
    }

    private static OptionalDouble figure(String text) {
        return NumberText.parse(text.replaceFirst("(?i)(v|°?c)$", ""));
    }

    private QuickLine bare(double figure) {
        return model.searchedProperty()
                .get()
                .flatMap(ServiceModel.Searched::next)
                .map(CanSearch.Can::cell)
                .map(cell ->
                        reading(cell, figure, model.sought()) instanceof QuickLine.ToLog log
                                ? log.about(cell.text())
                                : reading(cell, figure, model.sought()))
                .orElse(new QuickLine.No("which can? Type its id first, such as HB01-04 3.71"));
    }

    private QuickLine can(CellId cell, String text) {
        OptionalDouble read = figure(text);
        if (read.isEmpty()) return new QuickLine.No("\"%s\": expected volts or °C".formatted(text));
        boolean isWarmth =
                text.toLowerCase(Locale.ROOT).endsWith("c") || Math.abs(read.getAsDouble()) > 10;
        boolean isVolts = text.toLowerCase(Locale.ROOT).endsWith("v");
        return reading(
                cell,
                read.getAsDouble(),
                isWarmth || !isVolts && model.sought() == ServiceModel.Sought.HEATER
                        ? ServiceModel.Sought.HEATER
                        : ServiceModel.Sought.BROKEN_JOINT);
    }

    private QuickLine reading(CellId cell, double figure, ServiceModel.Sought sought) {
        String pack = model.inHand().name();
        return switch (sought) {
            case BROKEN_JOINT ->
                    Math.abs(figure) > 10
                            ? new QuickLine.No(
                                    "a can reads up to 10\u00a0V; for °C search a warm can")
                            : new QuickLine.ToLog(
                                    "Read " + cell,
                                    List.of(
                                            QuickLine.chip(cell.text(), "can"),
                                            QuickLine.chip(
                                                    Quantity.VOLTAGE.text(figure), "at rest")),
                                    new UseFact.CanProbed(pack, cell, figure));
            case HEATER ->
                    !Limit.WARMTH.holds(figure)
                            ? new QuickLine.No(Limit.WARMTH.sentence())
                            : new QuickLine.ToLog(
                                    "Warmth of " + cell,
                                    List.of(
                                            QuickLine.chip(cell.text(), "can"),
                                            QuickLine.chip(
                                                    Quantity.TEMPERATURE.text(figure), "warm")),
                                    new UseFact.CanWarm(pack, cell, figure));
        };
    }

    private LocalDate today() {
        return LocalDate.ofInstant(model.desk().now(), ZoneId.systemDefault());
    }

    private Optional<LocalDate> day(@Nullable String text) {
        if (text == null) return Optional.of(today());
        try {
            return Optional.of(LocalDate.parse(text)).filter(day -> !day.isAfter(today()));
        } catch (DateTimeParseException none) {
            return Optional.empty();
        }
    }

    private QuickLine note(Matcher note) {
        Optional<LocalDate> on = day(note.group(2));
        if (on.isEmpty()) return noDay(note.group(2));
        return new QuickLine.ToLog(
                "Note on " + model.inHand().name(),
                List.of(
                        QuickLine.chip(note.group(1), "happened"),
                        QuickLine.chip(ServiceWords.day(on.get()), "on")),
                new UseFact.EventNoted(model.inHand().name(), note.group(1), on.get()));
    }

    private static QuickLine noDay(@Nullable String text) {
        return new QuickLine.No(
                "\"%s\": expected a day such as 2026-03-01, not after today".formatted(text));
    }

    private QuickLine retest(int series, Matcher retest) {
        int group = Integer.parseInt(retest.group(1));
        OptionalDouble ampHours = NumberText.parse(retest.group(2));
        Optional<LocalDate> on = day(retest.group(3));
        if (group < 1 || group > series)
            return new QuickLine.No("the pack has groups 1 to " + series);
        if (ampHours.isEmpty()
                || !(ampHours.getAsDouble() > 0 && ampHours.getAsDouble() <= 100_000))
            return new QuickLine.No("\"%s\": expected ampere-hours".formatted(retest.group(2)));
        if (on.isEmpty()) return noDay(retest.group(3));
        return new QuickLine.ToLog(
                "Test of group " + group,
                List.of(
                        QuickLine.chip("group " + group, "tested"),
                        QuickLine.chip(Quantity.CHARGE.text(ampHours.getAsDouble()), "gave"),
                        QuickLine.chip(ServiceWords.day(on.get()), "on")),
                new UseFact.GroupRetested(
                        model.inHand().name(), group - 1, ampHours.getAsDouble(), on.get()));
    }

    private QuickLine seen(int series, Matcher seen) {
        OptionalDouble amps = NumberText.parse(seen.group(1));
        if (amps.isEmpty() || Math.abs(amps.getAsDouble()) > 10_000)
            return new QuickLine.No("\"%s\": expected amps".formatted(seen.group(1)));
        List<Double> volts = new ArrayList<>();
        for (String each : seen.group(2).strip().split("\\s+")) {
            OptionalDouble one = NumberText.parse(each.replaceFirst("v$", ""));
            if (one.isEmpty() || !(one.getAsDouble() >= 0 && one.getAsDouble() <= 10))
                return new QuickLine.No("\"%s\": expected volts".formatted(each));
            volts.add(one.getAsDouble());
        }
        if (volts.size() != series)
            return new QuickLine.No(
                    "%d of %d groups; type them all, in order".formatted(volts.size(), series));
        return new QuickLine.ToLog(
                "Read the groups of " + model.inHand().name(),
                List.of(
                        QuickLine.chip(Quantity.CURRENT.text(amps.getAsDouble()), "drawn"),
                        QuickLine.chip(series + " groups", "read")),
                new UseFact.GroupsSeen(model.inHand().name(), amps.getAsDouble(), volts));
    }
}
