package pentacell.core.test.facts;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;
import pentacell.core.cell.Chemistry;

/// A place in an instrument that takes one cell.
///
/// @param instrument name of the instrument
/// @param slot counted from 1
/// @param chargeAmps largest charging current in A; 0 when it cannot charge
/// @param dischargeAmps largest discharge current in A; 0 when it cannot discharge
/// @param chemistries what it can charge
public record Bay(
        String instrument,
        int slot,
        double chargeAmps,
        double dischargeAmps,
        Set<Chemistry> chemistries) {
    public Bay {
        if (slot < 1 || slot > 1000)
            throw new IllegalArgumentException("slots count from 1 to 1000, was " + slot);
        if (!(chargeAmps >= 0 && chargeAmps < 1000 && dischargeAmps >= 0 && dischargeAmps < 1000))
            throw new IllegalArgumentException(
                    "a bay's currents are 0 to 1000 A, were %s and %s"
                            .formatted(chargeAmps, dischargeAmps));
        chemistries =
                chemistries.isEmpty()
                        ? Set.of()
                        : Collections.unmodifiableSet(EnumSet.copyOf(chemistries));
    }

    /// Its name, such as `Charger A · 2`.
    public String name() {
        return instrument + " · " + slot;
    }

    /// Whether it can do a whole test: charge, discharge, charge again.
    public boolean canTest(Chemistry chemistry) {
        return chargeAmps > 0 && dischargeAmps > 0 && chemistries.contains(chemistry);
    }
}
