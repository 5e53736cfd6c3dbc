package pentacell.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import pentacell.core.cell.CellFormat;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Packing;

/// How cans lie in a box: in rows, square or nested into each other or some of each, in layers,
/// with their axis along any of the three sides.
///
/// A row nested into the one before lies closer to it by 1 − √3/2 of the pitch and is shifted by
/// half of it, which may cost it a can. With k nested steps among the rows, at least ⌈k/2⌉ of them
/// are shifted; every k is tried, so no other sequence of rows holds more.
///
/// @param pattern how the rows lie
/// @param axis the side of the box that the cans point along
/// @param layers on each other along that side
/// @param most cans that go in
/// @param spots middles of the cans of each layer, in mm from the corner of the box; layers are
///   filled one after the other
/// @param over by how much a side is too short, when they do not go in
public record BoxFit(
        Pattern pattern,
        Axis axis,
        int layers,
        int most,
        List<List<Spot>> spots,
        Optional<Over> over) {
    private static final double LONGEST_MILLIMETRES = 100_000;

    public BoxFit {
        spots = spots.stream().map(List::copyOf).toList();
    }

    /// How rows lie beside each other.
    public enum Pattern {
        SQUARE("square"),
        NESTED("nested"),
        MIXED("square and nested");

        private final String words;

        Pattern(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /// A side of the box.
    public enum Axis {
        LENGTH("length"),
        WIDTH("width"),
        HEIGHT("height");

        private final String words;

        Axis(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /// The middle of a can, in mm from the corner, along the longer and the shorter side it lies
    /// in.
    public record Spot(double along, double across) {}

    /// A side that is too short.
    ///
    /// @param millimetres by how much, when only this side grows
    public record Over(Axis side, double millimetres) {}

    /// Whether all that were asked for go in.
    public boolean fits() {
        return over.isEmpty();
    }

    /// Most cans of a format that go into a box.
    public static int most(CellFormat format, Box box, Packing packing) {
        return ways(format, box, packing).mapToInt(Way::most).max().orElse(0);
    }

    /// The best arrangement of some cans in a box: of those they go into the one that needs fewest
    /// layers, square before nested since its rows meet side by side, then the one with most room
    /// to spare. When they go into none: the one that most go into, and which side would have to be
    /// longer by how much.
    public static BoxFit of(CellFormat format, Box box, Packing packing, int cells) {
        Way best =
                ways(format, box, packing)
                        .max(
                                Comparator.comparing((Way way) -> way.most() >= cells)
                                        .thenComparingInt(way ->
                                                way.most() >= cells ? -way.layersFor(cells) : 0)
                                        .thenComparing(way ->
                                                way.most() >= cells
                                                        && way.pattern() == Pattern.SQUARE)
                                        .thenComparingInt(Way::most))
                        .orElseThrow();
        int shown = Math.min(cells, best.most());
        List<List<Spot>> layers = new ArrayList<>();
        List<Spot> floor = best.spots();
        for (int left = shown; left > 0; left -= floor.size())
            layers.add(floor.subList(0, Math.min(left, floor.size())));
        return new BoxFit(
                best.pattern(),
                best.axis,
                layers.size(),
                best.most(),
                layers,
                best.most() >= cells ? Optional.empty() : shortest(format, box, packing, cells));
    }

    /// The side that has to grow least.
    private static Optional<Over> shortest(CellFormat format, Box box, Packing packing, int cells) {
        return Stream.of(Axis.values())
                .flatMap(side -> {
                    OptionalDouble by = growth(format, box, packing, cells, side);
                    return by.isPresent()
                            ? Stream.of(new Over(side, by.getAsDouble()))
                            : Stream.empty();
                })
                .min(Comparator.comparingDouble(Over::millimetres));
    }

    private static OptionalDouble growth(
            CellFormat format, Box box, Packing packing, int cells, Axis side) {
        double low = 0;
        double room = LONGEST_MILLIMETRES - longest(box);
        double high = Math.min(1, room);
        while (high < room && most(format, grown(box, side, high), packing) < cells) {
            low = high;
            high = Math.min(2 * high, room);
        }
        if (most(format, grown(box, side, high), packing) < cells) return OptionalDouble.empty();
        while (high - low > 0.05) {
            double middle = (low + high) / 2;
            if (most(format, grown(box, side, middle), packing) >= cells) high = middle;
            else low = middle;
        }
        return OptionalDouble.of(high);
    }

    private static double longest(Box box) {
        return Math.max(
                box.lengthMillimetres(), Math.max(box.widthMillimetres(), box.heightMillimetres()));
    }

    private static Box grown(Box box, Axis side, double by) {
        return new Box(
                box.lengthMillimetres() + (side == Axis.LENGTH ? by : 0),
                box.widthMillimetres() + (side == Axis.WIDTH ? by : 0),
                box.heightMillimetres() + (side == Axis.HEIGHT ? by : 0));
    }

    private static Stream<Way> ways(CellFormat format, Box box, Packing packing) {
        double wall = 2 * packing.wallMillimetres();
        double a = Math.max(0, box.lengthMillimetres() - wall - packing.boardMillimetres());
        double b = Math.max(0, box.widthMillimetres() - wall);
        double c = Math.max(0, box.heightMillimetres() - wall);
        double pitch = format.sleevedMillimetres() + packing.betweenMillimetres();
        double tall = format.lengthMillimetres() + 2 * packing.endMillimetres();
        double corner = packing.wallMillimetres();
        Stream.Builder<Way> ways = Stream.builder();
        for (Run run : Run.values()) {
            add(ways, new Way(0, run, Axis.HEIGHT, a, b, count(c, tall), pitch, corner));
            add(ways, new Way(0, run, Axis.WIDTH, a, c, count(b, tall), pitch, corner));
            add(ways, new Way(0, run, Axis.LENGTH, b, c, count(a, tall), pitch, corner));
        }
        return ways.build();
    }

    /// A way with as many nested steps as there can be, from none on.
    private static void add(Stream.Builder<Way> ways, Way square) {
        ways.add(square);
        for (Way way = square.withOneMoreNested(); way.rows() > 0; way = way.withOneMoreNested())
            ways.add(way);
    }

    /// Which way the rows run.
    private enum Run {
        ALONG,
        ACROSS
    }

    /// One way to lay them.
    ///
    /// @param nested how many of the steps from row to row are nested; they come last
    private record Way(
            int nested,
            Run run,
            Axis axis,
            double length,
            double width,
            int layers,
            double pitch,
            double corner) {
        private static final double NESTED_STEP = Math.sqrt(3) / 2;

        Way withOneMoreNested() {
            return new Way(nested + 1, run, axis, length, width, layers, pitch, corner);
        }

        Pattern pattern() {
            if (nested == 0) return Pattern.SQUARE;
            return nested == rows() - 1 ? Pattern.NESTED : Pattern.MIXED;
        }

        int most() {
            return layers * perLayer();
        }

        int layersFor(int cells) {
            int floor = Math.max(1, perLayer());
            return (cells + floor - 1) / floor;
        }

        private double rowLength() {
            return run == Run.ALONG ? length : width;
        }

        private double rowsWidth() {
            return run == Run.ALONG ? width : length;
        }

        private int rows() {
            double left = rowsWidth() - pitch - nested * NESTED_STEP * pitch;
            return left < -1e-9 ? 0 : 1 + nested + count(left, pitch);
        }

        private boolean isShifted(int row) {
            int into = row - (rows() - 1 - nested);
            return into > 0 && into % 2 == 1;
        }

        private double shift(int row) {
            return isShifted(row) ? pitch / 2 : 0;
        }

        private int inRow(double shift) {
            return count(rowLength() - shift, pitch);
        }

        private int perLayer() {
            if (rows() == 0) return 0;
            int shifted = (nested + 1) / 2;
            return (rows() - shifted) * inRow(0) + shifted * inRow(pitch / 2);
        }

        List<Spot> spots() {
            List<Spot> spots = new ArrayList<>();
            double across = corner + pitch / 2;
            for (int row = 0; row < rows(); row++) {
                if (row > 0) across += row > rows() - 1 - nested ? NESTED_STEP * pitch : pitch;
                for (int place = 0; place < inRow(shift(row)); place++) {
                    double inRow = corner + shift(row) + (place + 0.5) * pitch;
                    spots.add(run == Run.ALONG ? new Spot(inRow, across) : new Spot(across, inRow));
                }
            }
            return spots;
        }
    }

    private static int count(double length, double pitch) {
        return Math.max(0, (int) Math.floor(length / pitch + 1e-9));
    }
}
