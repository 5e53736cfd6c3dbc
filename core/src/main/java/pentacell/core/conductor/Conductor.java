package pentacell.core.conductor;

import java.util.OptionalDouble;

/// A conductor of a pack.
///
/// @param lengthMetres above 0 and at most 10000
/// @param layers how many lie on each other, 1 to 100
public record Conductor(Material material, Section section, double lengthMetres, int layers) {
    public Conductor {
        if (!(lengthMetres > 0 && lengthMetres <= 10_000))
            throw new IllegalArgumentException(
                    "a conductor is above 0 and at most 10000 m long, was " + lengthMetres);
        if (layers < 1 || layers > 100)
            throw new IllegalArgumentException("layers are 1 to 100, were " + layers);
    }

    /// Area of all layers, in mm².
    public double squareMillimetres() {
        return layers * section.squareMillimetres();
    }

    /// Resistance in Ω at a temperature: R = ρ·L ÷ A.
    ///
    /// @param celsius −100 to 300
    public double ohms(double celsius) {
        if (!(celsius >= -100 && celsius <= 300))
            throw new IllegalArgumentException(
                    "a conductor's temperature is −100 to 300 °C, was " + celsius);
        return material.ohmMetres(celsius) * lengthMetres / (squareMillimetres() * 1e-6);
    }

    /// Current that melts it in free air, in A; for round wire of a metal that Preece measured.
    public OptionalDouble fusingAmps() {
        if (!(section instanceof Section.Round round)) return OptionalDouble.empty();
        OptionalDouble one = material.fusingAmps(round.diameterMillimetres());
        return one.isPresent() ? OptionalDouble.of(layers * one.getAsDouble()) : one;
    }

    /// What it may carry for long.
    public Allowed allowed() {
        return Allowed.of(this);
    }
}
