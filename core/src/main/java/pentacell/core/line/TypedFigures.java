package pentacell.core.line;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import pentacell.core.unit.Limit;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;

/// Figures in a typed line, with or without their unit, each behind the limit of its fact.
public final class TypedFigures {
    private TypedFigures() {}

    /// A figure with or without its unit; empty when it is none, or beyond the limit.
    ///
    /// @param unit as typed, in small letters, such as `v`
    public static OptionalDouble read(String text, String unit, Limit limit) {
        String small = text.strip().toLowerCase(Locale.ROOT);
        OptionalDouble read =
                NumberText.parse(
                        small.endsWith(unit)
                                ? small.substring(0, small.length() - unit.length())
                                : small);
        return limit.holds(read.orElse(Double.NaN)) ? read : OptionalDouble.empty();
    }

    /// A voltage in V.
    public static OptionalDouble volts(String text, Limit limit) {
        return read(text, "v", limit);
    }

    /// A temperature in °C.
    public static OptionalDouble celsius(String text) {
        return read(text.replace("°", ""), "c", Limit.WARMTH);
    }

    /// A line that fails at a figure.
    public static <A> Line<A> wrong(String text, Limit limit) {
        return Line.wrong("\"%s\": expected %s".formatted(text, limit.expected()));
    }

    /// A group of a pack, from 1; empty when the pack has no such group.
    ///
    /// @param digits only digits
    public static OptionalInt group(String digits, int series) {
        int number = number(digits);
        return number >= 1 && number <= series ? OptionalInt.of(number) : OptionalInt.empty();
    }

    /// A line that names a group the pack does not have.
    public static <A> Line<A> noGroup(int series) {
        return Line.wrong("the pack has groups 1 to " + series);
    }

    /// A whole number; a very long one counts as the greatest there is.
    public static int number(String digits) {
        return digits.length() > 9 ? Integer.MAX_VALUE : Integer.parseInt(digits);
    }

    /// A current with the voltages of all groups, as they are read one after another.
    ///
    /// @param amps drawn positive, in A
    /// @param volts of the groups in order, in V
    public record GroupRow(double amps, List<Double> volts) {
        public GroupRow {
            volts = List.copyOf(volts);
        }

        /// The pieces of the line.
        public List<Piece> pieces() {
            return List.of(
                    Piece.plain(Quantity.CURRENT.text(amps), "drawn"),
                    Piece.plain(volts.size() + " groups", "read"));
        }
    }

    /// A current with the voltages of all groups of a pack.
    public static Line<GroupRow> groupRow(String amps, String volts, int series) {
        OptionalDouble drawn = read(amps, "a", Limit.PACK_CURRENT);
        if (drawn.isEmpty()) return wrong(amps, Limit.PACK_CURRENT);
        List<Double> read = new ArrayList<>();
        for (String each : volts.strip().split("\\s+")) {
            OptionalDouble one = volts(each, Limit.VOLTAGE);
            if (one.isEmpty()) return wrong(each, Limit.VOLTAGE);
            read.add(one.getAsDouble());
        }
        if (read.size() != series)
            return Line.wrong(
                    "%d of %d groups; type them all, in order".formatted(read.size(), series));
        GroupRow row = new GroupRow(drawn.getAsDouble(), read);
        return new Line.Complete<>(row.pieces(), "", row);
    }
}
