package pentacell.core.school;

import java.util.Locale;

/// What to do with a cell after its first voltage.
public enum IntakeVerdict {
    /// Charge and test as usual.
    NORMAL("normal test"),
    /// Charge at 0.2 to 0.5 A up to the normal band first.
    SLOW_CHARGE("slow charge first"),
    /// Slow charge while watching for heat; must pass capacity and a longer hold test.
    SLOW_CHARGE_WATCHED("slow charge, watched"),
    /// Hand in for recycling.
    RECYCLE("recycle"),
    /// Was overcharged or read wrong: do not use.
    REJECT("reject");

    private final String words;

    IntakeVerdict(String words) {
        this.words = words;
    }

    /// The code used in files: `normal`, `slow-charge`, …
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// The verdict in words.
    public String words() {
        return words;
    }

    /// Whether the cell goes on to the test bench.
    public boolean goesOn() {
        return switch (this) {
            case NORMAL, SLOW_CHARGE, SLOW_CHARGE_WATCHED -> true;
            case RECYCLE, REJECT -> false;
        };
    }
}
