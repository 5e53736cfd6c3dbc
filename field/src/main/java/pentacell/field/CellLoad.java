package pentacell.field;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;

/// How a single cell is discharged on a bench, from full to its end voltage.
public enum CellLoad {
    STEADY,
    /// Two currents in turn, without a rest.
    TWO_LEVELS,
    /// A current for 40 s, then 20 s of rest.
    BURSTS,
    /// A current for five minutes, then one minute of rest.
    PAUSES,
    RIDE,
    RIDE_WITH_REGENERATION,
    /// Charged for 10 s every five minutes.
    CHARGE_PULSES,
    /// Stopped for an hour on the way and then continued.
    INTERRUPTED,
    /// Discharged, charged to half and left.
    THEN_CHARGED,
    /// Charged at constant current and constant voltage first, and rested.
    AFTER_A_CHARGE;

    /// Half a minute of rest comes before anything else.
    private static final double FIRST_SECONDS = 30;

    private static final double REST_SECONDS = 600;
    private static final double CHARGE_AMPS = 1;

    /// Current at which a charge at constant voltage ends, in A.
    public static final double CHARGE_END_AMPS = 0.1;

    /// What is drawn from a cell; it ends after the rest that follows.
    ///
    /// @param endVolts of the discharge
    public Course of(FieldPack cell, double endVolts, Random random) {
        return new Course(this, cell, endVolts, random);
    }

    /// The current of one such run, called with times that rise.
    public static final class Course implements DoubleUnaryOperator {
        private final CellLoad load;
        private final FieldPack cell;
        private final double endVolts;
        private final Random random;
        private double dischargeFrom = Double.NaN;
        private double chargeEnded = Double.NaN;
        private double ended = Double.NaN;
        private double burst;
        private double burstEnds;
        private double last;
        private double amps;
        private double drawn;

        private Course(CellLoad load, FieldPack cell, double endVolts, Random random) {
            this.load = load;
            this.cell = cell;
            this.endVolts = endVolts;
            this.random = random;
        }

        /// What it gave until its end voltage, less what was given back, in Ah.
        public double drawnAmpHours() {
            return drawn;
        }

        @Override
        public double applyAsDouble(double at) {
            boolean discharges = at >= dischargeFrom;
            if (discharges && Double.isNaN(ended)) {
                drawn += amps * (at - last) / 3600;
                if (cell.lowest() < endVolts) ended = at;
            }
            last = at;
            amps = next(at);
            return amps;
        }

        private double next(double at) {
            if (at < FIRST_SECONDS) return 0;
            if (!Double.isNaN(ended)) return afterwards(at - ended);
            if (load == AFTER_A_CHARGE && Double.isNaN(chargeEnded)) return charge(at);
            double begins = load == AFTER_A_CHARGE ? chargeEnded + REST_SECONDS : FIRST_SECONDS;
            if (at < begins) return 0;
            if (Double.isNaN(dischargeFrom)) dischargeFrom = at;
            return discharge(at - begins);
        }

        private double afterwards(double since) {
            if (since < REST_SECONDS) return 0;
            if (load != THEN_CHARGED) return Double.NaN;
            return since < 3000 ? -CHARGE_AMPS : since < 3600 ? 0 : Double.NaN;
        }

        private double charge(double at) {
            double room = (cell.limitVolts() - cell.lowest()) / (2 * cell.ohms(0));
            amps = -Math.clamp(-amps + 0.2 * room, 0, CHARGE_AMPS);
            if (amps > -CHARGE_END_AMPS && at > FIRST_SECONDS + 120) {
                chargeEnded = at;
                return 0;
            }
            return amps;
        }

        private double discharge(double since) {
            return switch (load) {
                case STEADY, THEN_CHARGED, AFTER_A_CHARGE -> 1;
                case TWO_LEVELS -> since % 120 < 80 ? 0.4 : 2;
                case BURSTS -> since % 60 < 40 ? 1.5 : 0;
                case PAUSES -> since % 360 < 300 ? 1 : 0;
                case CHARGE_PULSES -> since % 300 < 290 ? 1 : -1;
                case INTERRUPTED -> since < 2400 || since > 6000 ? 1 : 0;
                case RIDE, RIDE_WITH_REGENERATION -> ride(since);
            };
        }

        private double ride(double since) {
            if (since >= burstEnds) {
                burstEnds = since + 10 + 40 * random.nextDouble();
                boolean stops = random.nextInt(4) == 0;
                burst = !stops ? 0.3 + 1.7 * random.nextDouble() : load == RIDE ? 0 : -0.5;
            }
            return burst;
        }
    }
}
