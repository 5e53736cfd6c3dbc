package pentacell.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.cell.Chemistry;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.Piece;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.Losses;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.PlanFact;
import pentacell.core.plan.facts.Planned;
import pentacell.core.plan.facts.Plans;
import pentacell.core.plan.facts.Window;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;

/// A need as it is typed in one line: `60w peak 150w 8h 10.5-15v`, or `250w 12wh/km 40km 30-42v lfp
/// 85%`. Order does not matter, comma or point; a word before a figure says what it is, else its
/// unit does.
///
/// @param chemistry where one was named
/// @param lowTripVolts of the device, in V
/// @param highTripVolts of the device, in V
/// @param steadyWatts in W
/// @param peakWatts in W
/// @param idleWatts in W
/// @param efficiency as a share
/// @param hours wanted, in h
/// @param kilometres wanted
/// @param wattHoursPerKilometre in Wh
/// @param problems what was not understood, or is missing, in words
public record NeedLine(
        Optional<Chemistry> chemistry,
        OptionalDouble lowTripVolts,
        OptionalDouble highTripVolts,
        OptionalDouble steadyWatts,
        OptionalDouble peakWatts,
        OptionalDouble idleWatts,
        OptionalDouble efficiency,
        OptionalDouble hours,
        OptionalDouble kilometres,
        OptionalDouble wattHoursPerKilometre,
        List<String> problems) {
    private static final Pattern WINDOW =
            Pattern.compile(
                    "([\\d.,]+)\\s*v?\\s*[-–]\\s*([\\d.,]+)\\s*v", Pattern.CASE_INSENSITIVE);
    private static final Pattern FIGURE =
            Pattern.compile("([\\d.,]+)\\s*(wh/km|kwh|kw|w|km|h|v|%)", Pattern.CASE_INSENSITIVE);

    public NeedLine {
        problems = List.copyOf(problems);
    }

    /// Reads a line; what is not understood becomes a problem.
    public static NeedLine read(String text) {
        return new Reading().of(text);
    }

    private static final class Reading {
        private Optional<Chemistry> chemistry = Optional.empty();
        private OptionalDouble low = OptionalDouble.empty();
        private OptionalDouble high = OptionalDouble.empty();
        private OptionalDouble steady = OptionalDouble.empty();
        private OptionalDouble peak = OptionalDouble.empty();
        private OptionalDouble idle = OptionalDouble.empty();
        private OptionalDouble efficiency = OptionalDouble.empty();
        private OptionalDouble hours = OptionalDouble.empty();
        private OptionalDouble kilometres = OptionalDouble.empty();
        private OptionalDouble perKilometre = OptionalDouble.empty();
        private final List<String> problems = new ArrayList<>();

        NeedLine of(String text) {
            String word = "";
            for (String token : text.strip().split("[\\s;]+")) {
                if (token.isEmpty()) continue;
                Matcher window = WINDOW.matcher(token);
                Matcher figure = FIGURE.matcher(token);
                Optional<Chemistry> named = Chemistry.parse(token);
                if (window.matches()) window(token, window);
                else if (figure.matches()) figure(token, word, figure);
                else if (named.isPresent()) chemistry = named;
                else if (token.equalsIgnoreCase("peak") || token.equalsIgnoreCase("idle")) {
                    word = token.toLowerCase(Locale.ROOT);
                    continue;
                } else
                    problems.add(
                            "\"%s\" was not understood; expected figures such as 60w, peak 150w, 8h, 10.5-15v, 12wh/km, 40km, 85%%, or nmc, lfp"
                                    .formatted(token));
                word = "";
            }
            if (steady.isEmpty()) problems.add("what does it draw? Such as 60w");
            if (high.isEmpty()) problems.add("what voltage does it run at? Such as 10.5-15v");
            return new NeedLine(
                    chemistry,
                    low,
                    high,
                    steady,
                    peak,
                    idle,
                    efficiency,
                    hours,
                    kilometres,
                    perKilometre,
                    problems);
        }

        private void window(String token, Matcher written) {
            OptionalDouble from = NumberText.parse(written.group(1));
            OptionalDouble to = NumberText.parse(written.group(2));
            if (from.isEmpty() || to.isEmpty() || from.getAsDouble() >= to.getAsDouble()) {
                problems.add("\"%s\": expected the lower voltage first".formatted(token));
                return;
            }
            low = from;
            high = to;
        }

        private void figure(String token, String word, Matcher written) {
            OptionalDouble number = NumberText.parse(written.group(1));
            if (number.isEmpty()) {
                problems.add("\"%s\" is no number".formatted(token));
                return;
            }
            double value = number.getAsDouble();
            switch (written.group(2).toLowerCase(Locale.ROOT)) {
                case "w" -> watts(word, value);
                case "kw" -> watts(word, 1000 * value);
                case "h" -> hours = OptionalDouble.of(value);
                case "km" -> kilometres = OptionalDouble.of(value);
                case "wh/km" -> perKilometre = OptionalDouble.of(value);
                case "%" -> efficiency = OptionalDouble.of(value / 100);
                case "v" -> high = OptionalDouble.of(value);
                default ->
                        problems.add("\"%s\": say what it draws and for how long".formatted(token));
            }
        }

        private void watts(String word, double watts) {
            switch (word) {
                case "peak" -> peak = OptionalDouble.of(watts);
                case "idle" -> idle = OptionalDouble.of(watts);
                default -> steady = OptionalDouble.of(watts);
            }
        }
    }

    /// The need as typed, on top of what is known of it already.
    ///
    /// @param before what was said of it before; what the line does not name stays
    /// @throws IllegalArgumentException when a figure cannot be; when there are problems
    public Need need(Optional<Need> before, Chemistry otherwise) {
        if (!problems.isEmpty()) throw new IllegalArgumentException(problems.get(0));
        double steady = steadyWatts.orElseThrow();
        Window window = new Window(lowTripVolts.orElse(0), highTripVolts.orElseThrow());
        LoadItem load = new LoadItem("", steady, 1, Math.max(steady, peakWatts.orElse(steady)));
        Need base =
                before.orElseGet(() -> Need.of(chemistry.orElse(otherwise), window, List.of(load)));
        Losses losses =
                new Losses(
                        efficiency.orElse(base.losses().efficiency()),
                        idleWatts.orElse(base.losses().idleWatts()));
        return base.with(need ->
                need.chemistry(chemistry.orElse(base.chemistry()))
                        .said(window)
                        .measured(Optional.empty())
                        .loads(List.of(load))
                        .losses(losses)
                        .hours(hours.isPresent() ? hours : base.hours())
                        .wattHoursPerKilometre(
                                wattHoursPerKilometre.isPresent()
                                        ? wattHoursPerKilometre
                                        : base.wattHoursPerKilometre())
                        .kilometres(kilometres.isPresent() ? kilometres : base.kilometres()));
    }

    /// The line as a need of a pack.
    ///
    /// @param before what is known of its need; what the line does not name stays
    public static Line<LineAct> line(
            String text, String pack, Optional<Need> before, Chemistry otherwise) {
        if (text.isBlank()) return Line.blank();
        NeedLine line = read(text);
        List<Piece> pieces = line.pieces();
        if (!line.problems.isEmpty())
            return new Line.Incomplete<>(pieces, line.problems.getFirst());
        try {
            Need need = line.need(before, otherwise);
            return new Line.Complete<>(
                    pieces,
                    "",
                    LineAct.logs(
                            "State need of " + pack, text, state -> stated(state, pack, need)));
        } catch (IllegalArgumentException cannotBe) {
            return new Line.Incomplete<>(pieces, String.valueOf(cannotBe.getMessage()));
        }
    }

    /// A need as a fact of its pack; none when that is its need already.
    public static List<PlanFact> stated(WorkshopState state, String pack, Need need) {
        return Plans.of(state).plan(pack).map(Planned::need).equals(Optional.of(need))
                ? List.of()
                : List.of(new PlanFact.NeedStated(pack, need));
    }

    private List<Piece> pieces() {
        List<Piece> pieces = new ArrayList<>();
        chemistry.ifPresent(named -> pieces.add(Piece.plain(named.words(), "cells")));
        if (highTripVolts.isPresent())
            pieces.add(
                    Piece.plain(
                            Quantity.VOLTAGE.number(lowTripVolts.orElse(0), 1)
                                    + "–"
                                    + Quantity.VOLTAGE.text(highTripVolts.getAsDouble(), 1),
                            "device"));
        add(pieces, steadyWatts, Quantity.POWER, "steady");
        add(pieces, peakWatts, Quantity.POWER, "peak");
        add(pieces, idleWatts, Quantity.POWER, "idle");
        if (efficiency.isPresent())
            pieces.add(
                    Piece.plain(
                            Quantity.PERCENT.text(100 * efficiency.getAsDouble(), 0),
                            "efficiency"));
        add(pieces, hours, Quantity.HOURS, "needed");
        add(pieces, kilometres, Quantity.DISTANCE, "needed");
        add(pieces, wattHoursPerKilometre, Quantity.ENERGY, "per km");
        return pieces;
    }

    private static void add(
            List<Piece> pieces, OptionalDouble value, Quantity quantity, String kind) {
        if (value.isPresent()) pieces.add(Piece.plain(quantity.text(value.getAsDouble()), kind));
    }
}
