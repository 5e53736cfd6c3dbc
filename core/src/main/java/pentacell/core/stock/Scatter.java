package pentacell.core.stock;

import java.util.List;

/// How pairs of values scatter together.
///
/// @param count number of pairs
/// @param meanX mean of the first values
/// @param meanY mean of the second values
/// @param varianceX variance of the first values (divisor n − 1)
/// @param varianceY variance of the second values
/// @param covariance covariance of both
public record Scatter(
        int count,
        double meanX,
        double meanY,
        double varianceX,
        double varianceY,
        double covariance) {

    /// A pair of values.
    public record Pair(double x, double y) {}

    /// The scatter of some pairs; variances are 0 for fewer than two.
    public static Scatter of(List<Pair> pairs) {
        int n = pairs.size();
        double meanX = pairs.stream().mapToDouble(Pair::x).average().orElse(Double.NaN);
        double meanY = pairs.stream().mapToDouble(Pair::y).average().orElse(Double.NaN);
        double xx = 0;
        double yy = 0;
        double xy = 0;
        for (Pair pair : pairs) {
            xx += (pair.x() - meanX) * (pair.x() - meanX);
            yy += (pair.y() - meanY) * (pair.y() - meanY);
            xy += (pair.x() - meanX) * (pair.y() - meanY);
        }
        double divisor = Math.max(1, n - 1);
        return new Scatter(n, meanX, meanY, xx / divisor, yy / divisor, xy / divisor);
    }

    /// The one-σ ellipse when x and y are drawn to scale.
    ///
    /// Its axes are the eigenvectors of the scaled covariance matrix, its half axes the square
    /// roots of the eigenvalues: λ = (a + d) ÷ 2 ± √(((a − d) ÷ 2)² + b²), angle ½·atan2(2b, a −
    /// d).
    ///
    /// @param scaleX drawing units for one unit of x, may be negative
    /// @param scaleY drawing units for one unit of y, may be negative
    public Ellipse ellipse(double scaleX, double scaleY) {
        double a = varianceX * scaleX * scaleX;
        double d = varianceY * scaleY * scaleY;
        double b = covariance * scaleX * scaleY;
        double middle = (a + d) / 2;
        double half = Math.hypot((a - d) / 2, b);
        return new Ellipse(
                Math.sqrt(middle + half),
                Math.sqrt(Math.max(0, middle - half)),
                Math.toDegrees(Math.atan2(2 * b, a - d) / 2));
    }

    /// An ellipse about the mean.
    ///
    /// @param major longer half axis in drawing units
    /// @param minor shorter half axis in drawing units
    /// @param degrees direction of the longer axis, from the x axis towards the y axis
    public record Ellipse(double major, double minor, double degrees) {}
}
