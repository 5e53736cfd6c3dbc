package pentacell.instruments.simulated;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.test.facts.Bay;

/// The kinds of stand-in that come with the program.
public enum StandIn {
    /// Charges and tests four cells with up to an ampere.
    FOUR_SLOT("four-slot", "four-slot charger and tester", 4, 1.0, 1.0, false),
    /// Charges and tests eight cells with less.
    EIGHT_SLOT("eight-slot", "eight-slot charger and tester", 8, 0.5, 0.5, false),
    /// Discharges one cell with more.
    BENCH_LOAD("bench-load", "bench load", 1, 0, 5.0, false),
    /// Reads resistance at 1 kHz with four wires.
    AC_METER("ac-meter", "four-wire meter, 1 kHz", 1, 0, 0, true);

    private final String code;
    private final String words;
    private final int slots;
    private final double chargeAmps;
    private final double dischargeAmps;
    private final boolean readsResistance;

    StandIn(
            String code,
            String words,
            int slots,
            double chargeAmps,
            double dischargeAmps,
            boolean readsResistance) {
        this.code = code;
        this.words = words;
        this.slots = slots;
        this.chargeAmps = chargeAmps;
        this.dischargeAmps = dischargeAmps;
        this.readsResistance = readsResistance;
    }

    /// The code used in addresses, such as `four-slot`.
    public String code() {
        return code;
    }

    /// The kind in words.
    public String words() {
        return words;
    }

    /// The kind with a code.
    public static Optional<StandIn> of(String code) {
        return Arrays.stream(values()).filter(each -> each.code.equals(code)).findFirst();
    }

    boolean readsResistance() {
        return readsResistance;
    }

    /// The bays of one that is called by a name.
    public List<Bay> bays(String name) {
        Set<Chemistry> chemistries =
                chargeAmps > 0 ? EnumSet.allOf(Chemistry.class) : EnumSet.noneOf(Chemistry.class);
        return IntStream.rangeClosed(1, slots)
                .mapToObj(slot -> new Bay(name, slot, chargeAmps, dischargeAmps, chemistries))
                .toList();
    }
}
