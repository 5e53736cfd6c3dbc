package pentacell.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import pentacell.core.cell.CellFormat;
import pentacell.core.need.Box;
import pentacell.core.need.Packing;

/// How cans lie in a box: square or nested rows, in layers, with their axis along any of the three
/// sides.
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
        NESTED("nested");

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
    /// layers and then has most room to spare. When they go into none: the one that most go into,
    /// and which side would have to be longer by how much.
    public static BoxFit of(CellFormat format, Box box, Packing packing, int cells) {
        Way best =
                ways(format, box, packing)
                        .max(
                                Comparator.comparing((Way way) -> way.most() >= cells)
                                        .thenComparingInt(way ->
                                                way.most() >= cells ? -way.layersFor(cells) : 0)
                                        .thenComparingInt(Way::most)
                                        .thenComparing(way -> way.pattern == Pattern.SQUARE))
                        .orElseThrow();
        int shown = Math.min(cells, best.most());
        List<List<Spot>> layers = new ArrayList<>();
        List<Spot> floor = best.spots();
        for (int left = shown; left > 0; left -= floor.size())
            layers.add(floor.subList(0, Math.min(left, floor.size())));
        return new BoxFit(
                best.pattern,
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
        double high = LONGEST_MILLIMETRES - longest(box);
        if (high <= 0 || most(format, grown(box, side, high), packing) < cells)
            return OptionalDouble.empty();
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
        double pitch = format.diameterMillimetres() + packing.betweenMillimetres();
        double tall = format.lengthMillimetres() + 2 * packing.endMillimetres();
        double corner = packing.wallMillimetres();
        return Stream.of(Pattern.values())
                .flatMap(pattern ->
                        Stream.of(Run.ALONG, Run.ACROSS)
                                .flatMap(run ->
                                        Stream.of(
                                                new Way(
                                                        pattern,
                                                        run,
                                                        Axis.HEIGHT,
                                                        a,
                                                        b,
                                                        count(c, tall),
                                                        pitch,
                                                        corner),
                                                new Way(
                                                        pattern,
                                                        run,
                                                        Axis.WIDTH,
                                                        a,
                                                        c,
                                                        count(b, tall),
                                                        pitch,
                                                        corner),
                                                new Way(
                                                        pattern,
                                                        run,
                                                        Axis.LENGTH,
                                                        b,
                                                        c,
                                                        count(a, tall),
                                                        pitch,
                                                        corner))));
    }

    /// Which way the rows run.
    private enum Run {
        ALONG,
        ACROSS
    }

    /// One way to lay them.
    private record Way(
            Pattern pattern,
            Run run,
            Axis axis,
            double length,
            double width,
            int layers,
            double pitch,
            double corner) {
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
            if (rowsWidth() < pitch - 1e-9) return 0;
            return 1 + count(rowsWidth() - pitch, rowStep());
        }

        private double rowStep() {
            return pattern == Pattern.SQUARE ? pitch : pitch * Math.sqrt(3) / 2;
        }

        /// Every second row of nested ones is shifted by half a pitch.
        private int inRow(int row) {
            return count(rowLength() - shift(row), pitch);
        }

        private double shift(int row) {
            return pattern == Pattern.NESTED && row % 2 == 1 ? pitch / 2 : 0;
        }

        private int perLayer() {
            int rows = rows();
            return (rows + 1) / 2 * inRow(0) + rows / 2 * inRow(1);
        }

        List<Spot> spots() {
            List<Spot> spots = new ArrayList<>();
            for (int row = 0; row < rows(); row++)
                for (int place = 0; place < inRow(row); place++) {
                    double inRow = corner + shift(row) + (place + 0.5) * pitch;
                    double across = corner + pitch / 2 + row * rowStep();
                    spots.add(run == Run.ALONG ? new Spot(inRow, across) : new Spot(across, inRow));
                }
            return spots;
        }
    }

    private static int count(double length, double pitch) {
        return Math.max(0, (int) Math.floor(length / pitch + 1e-9));
    }
}
