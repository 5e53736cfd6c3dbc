package pentacell.core.service;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.linear.DecompositionSolver;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;

/// Least squares with as few terms as explain what was seen, in volts.
///
/// Terms that are nearly alike (a slope that hardly changes, and an offset) would be given large
/// figures of opposite signs that say nothing; and among many groups one always seems to have a
/// little of something. So a term is kept only when the others cannot stand in for it, when it
/// differs from nothing by several standard errors, and when without it clearly more is left.
///
/// All is done on the sums of products of the terms, so that leaving one out costs nothing.
final class SparseFit {
    /// Without a term the usual rest grows by this at least, in V.
    private static final double MISSED_VOLTS = 0.0003;

    /// And by this part of what is left.
    private static final double MISSED_PART = 0.2;

    /// By so many standard errors a term differs from nothing.
    private static final double SIGNIFICANT = 4;

    /// A term that others make up to less than this part, squared, is one of them: slopes are not
    /// known better.
    private static final double ALIKE = 0.03;

    private final int terms;
    private final double[][] products;
    private final double[] withSeen;
    private double seenSquares;
    private int count;

    /// @param terms how many there are
    SparseFit(int terms) {
        this.terms = terms;
        products = new double[terms][terms];
        withSeen = new double[terms];
    }

    /// Takes in what was seen, and the value of each term there.
    void add(double seen, double... values) {
        for (int i = 0; i < terms; i++) {
            withSeen[i] += values[i] * seen;
            for (int k = 0; k <= i; k++) products[i][k] += values[i] * values[k];
        }
        seenSquares += seen * seen;
        count++;
    }

    /// The terms that are needed, with their factors.
    ///
    /// @param dispensable all terms, in the order in which they are tried to be left out
    /// @param doubtful one that is tried late; where `instead` explains clearly more in its place,
    ///   that is kept
    Fitted of(List<Integer> dispensable, int doubtful, int instead) {
        Scaled scaled = new Scaled();
        List<Integer> kept = scaled.missed(dispensable);
        if (scaled.isBetter(doubtful, instead, kept)) {
            kept.set(kept.indexOf(doubtful), instead);
            kept = scaled.missed(kept);
        }
        return new Fitted(scaled.factors(kept), !scaled.isNeeded(doubtful, instead, kept));
    }

    /// What was found.
    static final class Fitted {
        private final double[] factors;
        private final boolean isEither;

        private Fitted(double[] factors, boolean isEither) {
            this.factors = factors;
            this.isEither = isEither;
        }

        /// The factor of a term; 0 of one that is left out.
        double factor(int term) {
            return factors[term];
        }

        /// Whether the doubtful term was kept, and the other in its place would do about as well.
        boolean isEither() {
            return isEither;
        }
    }

    /// The sums with each term as long as the others: ampere-hours times volts beside ones would
    /// cost digits.
    private final class Scaled {
        private final double[] length = new double[terms];
        private final RealMatrix products = MatrixUtils.createRealMatrix(SparseFit.this.products);
        private final RealVector withSeen = MatrixUtils.createRealVector(SparseFit.this.withSeen);

        Scaled() {
            // only one half was summed up, the other is the same
            for (int i = 0; i < terms; i++)
                for (int k = 0; k < i; k++) products.setEntry(k, i, products.getEntry(i, k));
            for (int i = 0; i < terms; i++) {
                double square = products.getEntry(i, i);
                length[i] = square > 0 ? Math.sqrt(square) : 1;
            }
            for (int i = 0; i < terms; i++) {
                withSeen.setEntry(i, withSeen.getEntry(i) / length[i]);
                for (int k = 0; k < terms; k++)
                    products.multiplyEntry(i, k, 1 / (length[i] * length[k]));
            }
        }

        /// Those that are missed, tried one after the other.
        List<Integer> missed(List<Integer> dispensable) {
            List<Integer> kept = new ArrayList<>(dispensable);
            boolean isOneLess = true;
            while (isOneLess) {
                isOneLess = false;
                for (int term : dispensable) {
                    if (!kept.contains(term) || isMissed(term, kept)) continue;
                    kept.remove(Integer.valueOf(term));
                    isOneLess = true;
                    break;
                }
            }
            return kept;
        }

        /// Whether a term is missed when only the others are kept.
        boolean isMissed(int term, List<Integer> kept) {
            double left = left(kept);
            return own(term, kept) >= ALIKE
                    && isClearlyMore(left(without(term, kept)) - left, left, kept.size());
        }

        /// What of a term the others that are kept cannot make up, squared.
        private double own(int term, List<Integer> kept) {
            return products.getEntry(term, term)
                    - explained(indices(without(term, kept)), products.getColumnVector(term));
        }

        private static List<Integer> without(int term, List<Integer> kept) {
            return kept.stream().filter(each -> each != term).toList();
        }

        private boolean isClearlyMore(double more, double left, int fitted) {
            double noise = left / Math.max(1, count - fitted);
            return more > SIGNIFICANT * SIGNIFICANT * noise
                    && more / count
                            > MISSED_VOLTS * MISSED_VOLTS + MISSED_PART * MISSED_PART * noise;
        }

        /// Whether one term in the place of another leaves clearly less, and all can still be told
        /// from each other.
        boolean isBetter(int term, int by, List<Integer> kept) {
            if (!kept.contains(term) || kept.contains(by)) return false;
            List<Integer> then = new ArrayList<>(kept);
            then.set(then.indexOf(term), by);
            return then.stream().allMatch(each -> own(each, then) >= ALIKE)
                    && isClearlyMore(left(kept) - left(then), left(then), then.size());
        }

        /// Whether a term that is kept cannot be had from another in its place.
        boolean isNeeded(int term, int by, List<Integer> kept) {
            if (!kept.contains(term)) return true;
            List<Integer> then = new ArrayList<>(without(term, kept));
            if (!then.contains(by)) then.add(by);
            return isClearlyMore(left(then) - left(kept), left(kept), then.size());
        }

        /// What some terms leave unexplained of the squares.
        private double left(List<Integer> kept) {
            return Math.max(0, seenSquares - explained(indices(kept), withSeen));
        }

        double[] factors(List<Integer> kept) {
            int[] some = indices(kept);
            RealVector fit = solved(some, withSeen);
            double[] factors = new double[terms];
            for (int i = 0; i < some.length; i++)
                factors[some[i]] = fit.getEntry(i) / length[some[i]];
            return factors;
        }

        /// What some terms explain of the squares.
        private double explained(int[] some, RealVector with) {
            return some.length == 0 ? 0 : solved(some, with).dotProduct(part(some, with));
        }

        /// Factors of some terms; none of terms that cannot be told apart.
        private RealVector solved(int[] some, RealVector with) {
            RealVector right = part(some, with);
            if (some.length == 0) return right;
            DecompositionSolver solver =
                    new LUDecomposition(products.getSubMatrix(some, some)).getSolver();
            return solver.isNonSingular() ? solver.solve(right) : right.mapMultiply(0);
        }

        private static RealVector part(int[] some, RealVector with) {
            RealVector part = MatrixUtils.createRealVector(new double[some.length]);
            for (int i = 0; i < some.length; i++) part.setEntry(i, with.getEntry(some[i]));
            return part;
        }

        private static int[] indices(List<Integer> terms) {
            return terms.stream().mapToInt(each -> each).toArray();
        }
    }
}
