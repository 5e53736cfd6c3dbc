package pentacell.core.conductor;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/// What a conductor is made of.
public enum Material {
    /// Annealed copper (IEC 60028: 1.7241e-8 Ω·m and 0.00393/K at 20 °C). It melts by Preece at 80
    /// A/mm^1.5.
    COPPER("copper", 1.7241e-8, 0.00393, 80),
    /// Pure nickel strip (handbook of chemistry and physics: about 7.0e-8 Ω·m, 0.006/K; from
    /// memory). Preece gave no figure for it.
    NICKEL("nickel", 7.0e-8, 0.006, Double.NaN),
    /// Steel with a coat of nickel (1.0 to 1.5e-7 Ω·m, 0.005/K; from memory); melts about as iron,
    /// 24.6 A/mm^1.5.
    PLATED_STEEL("plated-steel", 1.3e-7, 0.005, 24.6),
    /// Aluminium for conductors (IEC 60889: 2.826e-8 Ω·m at 20 °C, 0.00403/K; 59.2 A/mm^1.5; from
    /// memory).
    ALUMINIUM("aluminium", 2.826e-8, 0.00403, 59.2);

    private static final double REFERENCE_CELSIUS = 20;

    private final String code;
    private final double ohmMetres;
    private final double perKelvin;
    private final double preece;

    Material(String code, double ohmMetres, double perKelvin, double preece) {
        this.code = code;
        this.ohmMetres = ohmMetres;
        this.perKelvin = perKelvin;
        this.preece = preece;
    }

    /// The name used in files.
    public String code() {
        return code;
    }

    /// A material by its name in files.
    public static Optional<Material> parse(String text) {
        for (Material each : values())
            if (each.code.equals(text.strip().toLowerCase(Locale.ROOT))) return Optional.of(each);
        return Optional.empty();
    }

    /// Resistivity in Ω·m at a temperature: ρ = ρ20·(1 + α·(T − 20 °C)).
    public double ohmMetres(double celsius) {
        return ohmMetres * (1 + perKelvin * (celsius - REFERENCE_CELSIUS));
    }

    /// Current in A that melts a round wire in free air: I = a·d^1.5 (Preece, 1884); empty where no
    /// figure is known.
    ///
    /// @param diameterMillimetres in mm
    OptionalDouble fusingAmps(double diameterMillimetres) {
        return Double.isNaN(preece)
                ? OptionalDouble.empty()
                : OptionalDouble.of(preece * Math.pow(diameterMillimetres, 1.5));
    }

    /// How much current makes as much heat as one in copper of the same section.
    double againstCopper() {
        return Math.sqrt(COPPER.ohmMetres / ohmMetres);
    }
}
