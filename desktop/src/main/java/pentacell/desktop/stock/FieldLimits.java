package pentacell.desktop.stock;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.school.GradePolicy;

/// The limits of grading as lines in the field that can be taken hold of.
final class FieldLimits {
    private static final double NEAR_PIXELS = 5;
    private static final double LEAST_SHARE = 0.3;
    private static final double MOST_SHARE = 1.1;

    private FieldLimits() {}

    /// A line that is held.
    sealed interface Held {
        /// The limits when the hand is at a place; whole per cent and whole mΩ.
        GradePolicy at(double x, double y);
    }

    /// The least state of health, by the line of one model.
    ///
    /// @param rated what a can of the model is rated for, in mAh
    record Health(FieldPicture.Area field, GradePolicy now, double rated) implements Held {
        @Override
        public GradePolicy at(double x, double y) {
            double share = Math.rint(100 * field.x().value(x) / rated) / 100;
            return now.withMinSoh(Math.clamp(share, LEAST_SHARE, MOST_SHARE));
        }
    }

    /// The highest IR; dragged over the top there is none.
    record Resistance(FieldPicture.Area field, GradePolicy now) implements Held {
        @Override
        public GradePolicy at(double x, double y) {
            if (y <= field.y().last()) return now.withMaxMilliohms(OptionalDouble.empty());
            double least = Math.max(1, Math.rint(field.y().from()));
            return now.withMaxMilliohms(
                    OptionalDouble.of(Math.max(least, Math.rint(field.y().value(y)))));
        }
    }

    /// Where the line of the highest IR lies: at the top of the field when there is none.
    static double y(FieldPicture.Area field, GradePolicy policy) {
        return policy.maxMilliohms().isPresent()
                ? Math.clamp(
                        field.y().pixel(policy.maxMilliohms().getAsDouble()),
                        field.y().last(),
                        field.y().first())
                : field.y().last();
    }

    /// The line under the hand, if any.
    static Optional<Held> under(FieldPicture picture, FieldPicture.Area field, double x, double y) {
        boolean isAcross = x > field.x().first() && x < field.x().last();
        if (isAcross && Math.abs(y - y(field, picture.policy())) <= NEAR_PIXELS)
            return Optional.of(new Resistance(field, picture.policy()));
        if (y < field.y().last() || y > field.y().first()) return Optional.empty();
        for (double rated : picture.ratings().values()) {
            double line = field.x().pixel(rated * picture.policy().minSohShare());
            if (isAcross && Math.abs(x - line) <= NEAR_PIXELS)
                return Optional.of(new Health(field, picture.policy(), rated));
        }
        return Optional.empty();
    }
}
