package pentacell.core.circuit;

import java.util.List;

/// What is drawn at a pack's terminals.
public sealed interface Load {

    /// A constant current.
    ///
    /// @param amps in A, above 0 and at most 100000
    record Amps(double amps) implements Load {
        public Amps {
            if (!(amps > 0 && amps <= 1e5))
                throw new IllegalArgumentException(
                        "a load draws above 0 and at most 100000 A, was " + amps);
        }
    }

    /// A constant power.
    ///
    /// @param watts in W, above 0 and at most 10 MW
    record Watts(double watts) implements Load {
        public Watts {
            if (!(watts > 0 && watts <= 1e7))
                throw new IllegalArgumentException(
                        "a load draws above 0 and at most 10000000 W, was " + watts);
        }
    }

    /// Nothing.
    record Rest() implements Load {}

    /// Loads one after another, again and again.
    ///
    /// @param parts at least one that draws something
    record Profile(List<Part> parts) implements Load {
        public Profile {
            parts = List.copyOf(parts);
            if (parts.stream().allMatch(part -> part.load() instanceof Rest))
                throw new IllegalArgumentException("a load profile draws something");
        }
    }

    /// A part of a profile.
    ///
    /// @param load no profile itself
    /// @param seconds how long, in s, above 0 and at most a year
    record Part(Load load, double seconds) {
        public Part {
            if (load instanceof Profile)
                throw new IllegalArgumentException("a part of a profile is no profile");
            if (!(seconds > 0 && seconds <= 366 * 86_400))
                throw new IllegalArgumentException(
                        "a part of a profile lasts above 0 s and at most a year, was " + seconds);
        }
    }
}
