package pentacell.core.test.facts;

import java.util.List;
import java.util.stream.Collectors;
import pentacell.core.unit.Limit;
import pentacell.core.unit.Quantity;

/// What an instrument puts a cell through.
///
/// @param stages in order
/// @param sampleSeconds how often it logs a sample, in s
/// @param limits what stops it whatever the stage
public record Programme(List<Stage> stages, double sampleSeconds, Limits limits) {
    public Programme {
        stages = List.copyOf(stages);
        if (stages.isEmpty()) throw new IllegalArgumentException("a programme has a stage");
        if (!(sampleSeconds >= 0.1 && sampleSeconds <= 3600))
            throw new IllegalArgumentException(
                    "a sample is taken every 0.1 to 3600 s, was " + sampleSeconds);
    }

    /// One stage of a programme.
    public sealed interface Stage {
        /// The stage in a word or two.
        String words();
    }

    /// Steady current up to a voltage, then that voltage until the current has fallen.
    public record Charge(double amps, double volts, double cutoffAmps) implements Stage {
        public Charge {
            check(amps, volts);
            if (!(cutoffAmps > 0 && cutoffAmps <= amps))
                throw new IllegalArgumentException(
                        "a charge ends above 0 and at most at its own current, was " + cutoffAmps);
        }

        @Override
        public String words() {
            return "charge " + Quantity.CURRENT.text(amps) + " to " + setting(volts);
        }
    }

    /// No current.
    public record Rest(double seconds) implements Stage {
        public Rest {
            if (!(seconds > 0 && seconds <= 1e7))
                throw new IllegalArgumentException("a rest is above 0 s, was " + seconds);
        }

        @Override
        public String words() {
            return "rest";
        }
    }

    /// Steady current down to a voltage.
    public record Discharge(double amps, double volts) implements Stage {
        public Discharge {
            check(amps, volts);
        }

        @Override
        public String words() {
            return "discharge " + Quantity.CURRENT.text(amps) + " to " + setting(volts);
        }
    }

    /// Discharge currents after one another, each for some seconds, to read the resistance from.
    public record Pulse(List<Level> levels) implements Stage {
        public Pulse {
            levels = List.copyOf(levels);
            if (levels.isEmpty()) throw new IllegalArgumentException("a pulse has a level");
        }

        @Override
        public String words() {
            return "pulse";
        }
    }

    /// A current for some seconds.
    public record Level(double amps, double seconds) {
        public Level {
            if (!(Limit.CURRENT.holds(amps) && seconds > 0 && seconds <= 3600))
                throw new IllegalArgumentException(
                        "a level is a current above 0 for up to an hour, was %s A, %s s"
                                .formatted(amps, seconds));
        }
    }

    /// What stops a programme whatever the stage.
    ///
    /// @param mostVolts in V
    /// @param leastVolts in V
    /// @param mostCelsius temperature of the can, in °C
    /// @param mostSeconds time of the whole programme, in s
    public record Limits(
            double mostVolts, double leastVolts, double mostCelsius, double mostSeconds) {
        public Limits {
            if (!(mostVolts > leastVolts && mostCelsius > 0 && mostSeconds > 0))
                throw new IllegalArgumentException("limits must leave something between them");
        }
    }

    private static void check(double amps, double volts) {
        if (!(Limit.CURRENT.holds(amps) && volts > 0 && volts < 5))
            throw new IllegalArgumentException(
                    "a stage has a current above 0 A and a voltage of 0 to 5 V, was %s A, %s V"
                            .formatted(amps, volts));
    }

    private static String setting(double volts) {
        return Quantity.VOLTAGE.text(volts, 2);
    }

    /// The programme in words.
    public String words() {
        return stages.stream()
                .filter(stage -> !(stage instanceof Rest))
                .map(Stage::words)
                .collect(Collectors.joining(", "));
    }
}
