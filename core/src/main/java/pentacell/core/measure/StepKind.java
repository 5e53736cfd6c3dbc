package pentacell.core.measure;

import java.util.Locale;

/// What a cell was put through for a while.
public enum StepKind {
    /// Current into the cell.
    CHARGE,
    /// No current.
    REST,
    /// Current out of the cell.
    DISCHARGE,
    /// A short current between rests, to read resistance from.
    PULSE;

    /// The code used in files, such as `discharge`.
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
