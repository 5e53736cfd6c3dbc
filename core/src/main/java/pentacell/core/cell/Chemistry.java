package pentacell.core.cell;

import java.util.Locale;
import java.util.Optional;

/// The two families of cylindrical cells in this trade; cells of different families never share a
/// pack.
public enum Chemistry {
    /// Nickel and cobalt oxides, the 4.2 V class.
    NMC("4.2 V class", 4.20, 2.5, 3.0, 3.6),
    /// Iron phosphate, the 3.2 V class.
    LFP("LFP, 3.2 V class", 3.65, 2.0, 2.5, 3.2);

    /// A charger may end this much above the limit, in V a cell (common practice).
    public static final double CHARGER_TOLERANCE_VOLTS = 0.015;

    private final String words;
    private final double chargeLimitVolts;
    private final double endVolts;
    private final double restingEmptyVolts;
    private final double nominalVolts;

    Chemistry(
            String words,
            double chargeLimitVolts,
            double endVolts,
            double restingEmptyVolts,
            double nominalVolts) {
        this.words = words;
        this.chargeLimitVolts = chargeLimitVolts;
        this.endVolts = endVolts;
        this.restingEmptyVolts = restingEmptyVolts;
        this.nominalVolts = nominalVolts;
    }

    /// The code used in files: `nmc` or `lfp`.
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /// The chemistry in words.
    public String words() {
        return words;
    }

    /// Highest charging voltage of a cell, in V (common practice).
    public double chargeLimitVolts() {
        return chargeLimitVolts;
    }

    /// Lowest voltage of a cell under load, in V (common practice).
    public double endVolts() {
        return endVolts;
    }

    /// What an empty cell reads at rest, in V (common practice: 7S is empty at 21 V).
    public double restingEmptyVolts() {
        return restingEmptyVolts;
    }

    /// Mean voltage over a discharge, in V (common practice): what energy is reckoned with until it
    /// is measured.
    public double nominalVolts() {
        return nominalVolts;
    }

    /// Reads a code or usual name of a chemistry.
    public static Optional<Chemistry> parse(String text) {
        return switch (text.strip().toLowerCase(Locale.ROOT)) {
            case "nmc", "nca", "lco", "nmc/nca", "li-ion", "li_ion", "liion", "inr", "icr", "ncr" ->
                    Optional.of(NMC);
            case "lfp", "lifepo4", "ifr" -> Optional.of(LFP);
            default -> Optional.empty();
        };
    }
}
