package pentacell.core.prove;

import java.util.List;
import pentacell.core.prove.PackVerdict.Level;

/// Something that was looked at before a pack goes into use: what was found, in figures.
/// [ProveWords] has the words.
///
/// Groups are counted from 1.
public sealed interface ProveCheck {
    /// Whether it rules out or limits the use of the pack.
    Level level();

    /// Why nothing is known yet of what a pack gives.
    enum Missing {
        /// No load test at all.
        NO_TEST,
        /// Only tests that a stand-in made up.
        STAND_INS,
        /// Only tests of an older version, which did not note whether the board was real.
        UNKNOWN_ORIGIN,
        /// No test went on to the end voltage.
        BROKEN_OFF
    }

    /// No load test tells what the pack gives.
    record Untested(Missing why) implements ProveCheck {
        @Override
        public Level level() {
            return Level.NOT_YET;
        }
    }

    /// What the pack gave, and what its cells promised, in Ah.
    record Capacity(double ampHours, double expectedAmpHours) implements ProveCheck {
        /// A pack that gives this part of what its cells promise is as it should be, and below the
        /// second is not (common practice: instruments differ by 2 to 3 %).
        private static final double AS_EXPECTED = 0.95;

        private static final double FAR_LESS = 0.9;

        /// Given of promised.
        public double part() {
            return ampHours / expectedAmpHours;
        }

        @Override
        public Level level() {
            if (part() >= AS_EXPECTED) return Level.FIT;
            return part() >= FAR_LESS ? Level.LIMITS : Level.NOT_YET;
        }
    }

    /// Hours at the steady load down to where the device trips, and hours needed.
    record Hours(double hours, double lowTripVolts, double neededHours) implements ProveCheck {
        @Override
        public Level level() {
            return hours >= neededHours ? Level.FIT : Level.LIMITS;
        }
    }

    /// What a load test shows of groups.
    enum Fault {
        /// They drop more under load than their cells explain.
        HIGH_RESISTANCE,
        /// They were not as full as the others at the start.
        STARTED_LOW,
        /// They hold less, or only started low: the test does not show which.
        MAY_HAVE_STARTED_LOW
    }

    /// Groups that the load test shows a fault of, one or more.
    record FaultyGroups(Fault fault, List<Integer> groups) implements ProveCheck {
        public FaultyGroups {
            groups = List.copyOf(groups);
        }

        @Override
        public Level level() {
            return fault == Fault.HIGH_RESISTANCE ? Level.NOT_YET : Level.LIMITS;
        }
    }

    /// The group that ends the discharge before the others, and what the pack loses by it, in Ah.
    record WeakestGroup(int group, double lostAmpHours) implements ProveCheck {
        @Override
        public Level level() {
            return Level.LIMITS;
        }
    }

    /// How far groups are apart at rest after a discharge, in mV.
    record RestSpread(double millivolts) implements ProveCheck {
        /// Good is up to this, in mV (common practice).
        static final double GOOD_MILLIVOLTS = 30;

        @Override
        public Level level() {
            return millivolts <= GOOD_MILLIVOLTS ? Level.FIT : Level.LIMITS;
        }
    }

    /// The place that is warmest beside what its load explains.
    record Heat(HeatLook.Warm warmest) implements ProveCheck {
        @Override
        public Level level() {
            return warmest.isOdd() ? Level.NOT_YET : Level.FIT;
        }
    }

    /// Busbars that drop more than their conductors explain; none when all are as expected.
    record Busbars(List<BarLook.Bar> odd) implements ProveCheck {
        public Busbars {
            odd = List.copyOf(odd);
        }

        @Override
        public Level level() {
            return odd.isEmpty() ? Level.FIT : Level.NOT_YET;
        }
    }

    /// How far groups are apart at the end of a charge without balancing, in V.
    record FullSpread(double volts) implements ProveCheck {
        @Override
        public Level level() {
            if (volts <= PackChargeEnd.GOOD_VOLTS) return Level.FIT;
            return volts <= PackChargeEnd.MOST_VOLTS ? Level.LIMITS : Level.NOT_YET;
        }
    }

    /// The charger's supply tripped.
    record SupplyTripped() implements ProveCheck {
        @Override
        public Level level() {
            return Level.LIMITS;
        }
    }

    /// Where the charger ends, the pack's limit, and what is tolerated above it, in V.
    record Charger(double volts, double limitVolts, double toleranceVolts) implements ProveCheck {
        @Override
        public Level level() {
            return volts > limitVolts + toleranceVolts + 1e-9 ? Level.NOT_YET : Level.FIT;
        }
    }
}
