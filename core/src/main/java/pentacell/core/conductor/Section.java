package pentacell.core.conductor;

/// The cross-section of a conductor.
public sealed interface Section {
    /// Area in mm².
    double squareMillimetres();

    /// A round wire.
    ///
    /// @param diameterMillimetres above 0 and at most 100
    record Round(double diameterMillimetres) implements Section {
        public Round {
            requireSize("a wire's diameter", diameterMillimetres, 100);
        }

        /// The wire of an American gauge: d = 0.127·92^((36 − n) ÷ 39) mm (ASTM B258).
        ///
        /// @param gauge −3 (written 4/0) to 50
        public static Round ofAwg(int gauge) {
            if (gauge < -3 || gauge > 50)
                throw new IllegalArgumentException(
                        "a gauge is 50 to 0, or 2/0 to 4/0 as -1 to -3, was " + gauge);
            return new Round(0.127 * Math.pow(92, (36 - gauge) / 39.0));
        }

        @Override
        public double squareMillimetres() {
            return Math.PI / 4 * diameterMillimetres * diameterMillimetres;
        }
    }

    /// A stranded wire or anything else of which only the area is known.
    ///
    /// @param squareMillimetres above 0 and at most 10000
    record Area(double squareMillimetres) implements Section {
        public Area {
            requireSize("a section", squareMillimetres, 10_000);
        }
    }

    /// A flat strip.
    record Strip(double widthMillimetres, double thicknessMillimetres) implements Section {
        public Strip {
            requireSize("a strip's width", widthMillimetres, 1000);
            requireSize("a strip's thickness", thicknessMillimetres, 100);
        }

        @Override
        public double squareMillimetres() {
            return widthMillimetres * thicknessMillimetres;
        }
    }

    private static void requireSize(String what, double size, double most) {
        if (!(size > 0 && size <= most))
            throw new IllegalArgumentException(
                    "%s is above 0 and at most %.0f, was %s".formatted(what, most, size));
    }
}
