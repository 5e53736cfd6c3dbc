package pentacell.core.measure;

import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import pentacell.core.unit.Middle;
import pentacell.core.unit.Quantity;

/// Finds what a board sends when it has read nothing: 0 V of groups that stood at 3.9 V a moment
/// before and after, or hundreds of amps that move no voltage.
///
/// A reading that is only unlikely stays. A slip is one that no cell can give, or that its
/// neighbours rule out: far from both while no more current flows than in either.
public final class LogSlips {
    /// No cell of any chemistry gets over or, reversed, under these, in V.
    private static final double MOST_VOLTS = 6;

    private static final double LEAST_VOLTS = -3;

    /// No pack of salvaged cells carries more, in A.
    private static final double MOST_AMPS = 1000;

    /// Between these, in V, nearly every cell in use stands: only what lies outside is looked at.
    private static final double USUAL_LEAST_VOLTS = 2.5;

    private static final double USUAL_MOST_VOLTS = 4.3;

    /// A voltage is far from its neighbours beyond this, in V.
    private static final double FAR_VOLTS = 1;

    /// So many moments in a row are a slip at most; more are a state.
    private static final int LONGEST = 3;

    /// Currents are looked at that are over so many times what flows in all but a hundredth of the
    /// time.
    private static final double FAR_AMPS = 4;

    private static final double USUAL_SHARE = 0.99;

    /// A single cell still has this resistance, and a group of very many (common practice), in Ω.
    private static final double LEAST_OHMS_OF_CELL = 0.003;

    private static final double LEAST_OHMS_OF_GROUP = 0.0001;

    /// What a current should move the voltages by, to be judged by that, in V.
    private static final double JUDGED_VOLTS = 0.02;

    /// No step of the current moves the voltages by so many times what others do.
    private static final double MANY = 10;

    /// So many steps of the current tell the resistance.
    private static final int TELLING_STEPS = 20;

    private final Column amps;
    private final List<Column> volts;
    private final double leastOhms;
    private final SortedMap<Integer, String> found = new TreeMap<>();

    /// Worked out once, when a moment is to be judged.
    private OptionalDouble usualOhms = OptionalDouble.empty();

    private LogSlips(Column amps, List<Column> volts, double leastOhms) {
        this.amps = amps;
        this.volts = volts;
        this.leastOhms = leastOhms;
    }

    /// Slips in the readings of a pack: what was wrong, by the index of its moment.
    ///
    /// @param amps with either sign for what is drawn
    /// @param volts of each group, as long as the currents
    public static SortedMap<Integer, String> ofPack(Column amps, List<Column> volts) {
        LogSlips slips = new LogSlips(amps, volts, LEAST_OHMS_OF_GROUP);
        slips.impossible();
        slips.betweenNeighbours();
        return slips.found;
    }

    /// Slips in the readings of a single cell, such as can be in themselves.
    ///
    /// @param amps with either sign for what is drawn
    /// @param volts as many
    public static SortedMap<Integer, String> ofCell(Column amps, Column volts) {
        LogSlips slips = new LogSlips(amps, List.of(volts), LEAST_OHMS_OF_CELL);
        slips.betweenNeighbours();
        return slips.found;
    }

    /// A column without the readings of some moments.
    public static Column without(Column column, SortedMap<Integer, String> slips) {
        if (slips.isEmpty()) return column;
        Column.Builder rest = new Column.Builder();
        for (int i = 0; i < column.size(); i++) if (!slips.containsKey(i)) rest.add(column.get(i));
        return rest.build();
    }

    private void impossible() {
        for (int g = 0; g < volts.size(); g++) {
            Column each = volts.get(g);
            for (int i : outside(each, LEAST_VOLTS, MOST_VOLTS).toArray())
                found.putIfAbsent(
                        i,
                        "group %d reads %s, which no cell gives".formatted(g + 1, volts(each, i)));
        }
        outside(amps, -MOST_AMPS, MOST_AMPS)
                .forEach(i ->
                        found.putIfAbsent(i, "%s is no current of such a pack".formatted(amps(i))));
    }

    private String volts(Column group, int moment) {
        return Quantity.VOLTAGE.text(group.get(moment), 2);
    }

    private String amps(int moment) {
        return Quantity.CURRENT.text(amps.get(moment), 1);
    }

    private static IntStream outside(Column column, double least, double most) {
        return column.least() >= least && column.most() <= most
                ? IntStream.empty()
                : IntStream.range(0, column.size())
                        .filter(i -> column.get(i) < least || column.get(i) > most);
    }

    private BitSet unusualVolts() {
        BitSet unusual = new BitSet();
        for (Column each : volts)
            outside(each, USUAL_LEAST_VOLTS, USUAL_MOST_VOLTS).forEach(unusual::set);
        return unusual;
    }

    private BitSet unusualAmps() {
        double usual = usualAmps();
        BitSet unusual = new BitSet();
        outside(amps, -FAR_AMPS * usual, FAR_AMPS * usual).forEach(unusual::set);
        return unusual;
    }

    /// What the current stays within in all but a hundredth of the time, in A.
    private double usualAmps() {
        double[] sizes =
                SomeMoments.of(amps.size())
                        .mapToDouble(i -> Math.abs(amps.get(i)))
                        .sorted()
                        .toArray();
        return sizes.length == 0 ? 0 : sizes[(int) (USUAL_SHARE * (sizes.length - 1))];
    }

    /// Judges a moment by those before and after it.
    private interface Judge {
        /// What is wrong with it; empty when nothing is.
        Optional<String> slip(int moment, int before, int after);
    }

    private void betweenNeighbours() {
        betweenNeighbours(unusualVolts(), this::voltSlip);
        betweenNeighbours(unusualAmps(), this::ampSlip);
    }

    /// Judges short runs of moments that stand out by what is on both sides of them.
    private void betweenNeighbours(BitSet unusual, Judge judge) {
        found.keySet().forEach(unusual::set);
        for (int from = unusual.nextSetBit(0); from >= 0; ) {
            int end = unusual.nextClearBit(from);
            // a log may begin or end with one: then there is one neighbour
            int before = from > 0 ? from - 1 : end;
            int after = end < amps.size() ? end : before;
            if (end - from <= LONGEST && before < amps.size())
                for (int i = from; i < end; i++) {
                    int moment = i;
                    judge.slip(i, before, after)
                            .ifPresent(wrong -> found.putIfAbsent(moment, wrong));
                }
            from = unusual.nextSetBit(end);
        }
    }

    private Optional<String> voltSlip(int moment, int before, int after) {
        double flows = Math.abs(amps.get(moment));
        double more = flows - Math.min(Math.abs(amps.get(before)), Math.abs(amps.get(after)));
        // one group may break down under a peak, all of them at once do not
        boolean isByCurrent =
                more > 0
                        && (usualOhms() == 0
                                || Math.min(moved(moment, before), moved(moment, after))
                                        < FAR_VOLTS + MANY * more * usualOhms());
        if (isByCurrent) return Optional.empty();
        for (int g = 0; g < volts.size(); g++) {
            Column each = volts.get(g);
            if (leap(each, moment, before, after) > FAR_VOLTS)
                return Optional.of(
                        "%sreads %s between %s and %s"
                                .formatted(
                                        volts.size() == 1 ? "" : "group %d ".formatted(g + 1),
                                        volts(each, moment),
                                        volts(each, before),
                                        volts(each, after)));
        }
        return Optional.empty();
    }

    /// How far a reading lies from the nearer of its neighbours, with both on the same side; else
    /// 0.
    private static double leap(Column column, int moment, int before, int after) {
        double fromBefore = column.get(moment) - column.get(before);
        double fromAfter = column.get(moment) - column.get(after);
        return fromBefore * fromAfter <= 0
                ? 0
                : Math.min(Math.abs(fromBefore), Math.abs(fromAfter));
    }

    private Optional<String> ampSlip(int moment, int before, int after) {
        double step = leap(amps, moment, before, after);
        double expected = step * Math.max(leastOhms, usualOhms() / 2);
        boolean isMoved =
                moved(moment, before) > expected / 2 || moved(moment, after) > expected / 2;
        return expected < JUDGED_VOLTS || isMoved
                ? Optional.empty()
                : Optional.of("%s flow and no voltage moves".formatted(amps(moment)));
    }

    /// How far the middle of the groups moved between two moments, in V.
    private double moved(int moment, int neighbour) {
        return Math.abs(middle(moment) - middle(neighbour));
    }

    private double middle(int moment) {
        return Middle.of(volts.stream().mapToDouble(each -> each.get(moment)).toArray());
    }

    /// Resistance of the usual group, in Ω; 0 when the log does not tell it.
    private double usualOhms() {
        if (usualOhms.isEmpty()) usualOhms = OptionalDouble.of(ohmsOfSteps());
        return usualOhms.getAsDouble();
    }

    private double ohmsOfSteps() {
        double usual = usualAmps();
        double[] ohms =
                SomeMoments.of(amps.size())
                        .filter(i -> i > 0)
                        .filter(i -> isUsualStep(Math.abs(amps.get(i) - amps.get(i - 1)), usual))
                        .mapToDouble(i -> moved(i, i - 1) / Math.abs(amps.get(i) - amps.get(i - 1)))
                        .toArray();
        return ohms.length < TELLING_STEPS ? 0 : Middle.of(ohms);
    }

    private static boolean isUsualStep(double step, double usual) {
        return step > usual / 4 && step < 2 * usual;
    }
}
