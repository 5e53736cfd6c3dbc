package pentacell.workshop.exchange;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/// What a column of a cell table was taken for.
///
/// @param header its header as it stands in the file
/// @param role what it holds
/// @param factor what its numbers are multiplied by to get V, mΩ or mAh
public record CellColumn(String header, Role role, double factor) {

    /// What a column can hold.
    public enum Role {
        CELL_ID("cell id"),
        VOLTAGE("voltage in V"),
        RESISTANCE("internal resistance in mΩ"),
        CAPACITY("capacity in mAh"),
        RATED("rated capacity in mAh"),
        MODEL("model"),
        DONOR("donor"),
        CHEMISTRY("chemistry"),
        LOCATION("location"),
        /// Kept aside and said.
        NOT_TAKEN("not taken");

        private final String words;

        Role(String words) {
            this.words = words;
        }

        /// The role in words.
        public String words() {
            return words;
        }
    }

    private static final List<Known> KNOWN =
            List.of(
                    new Known(Role.RATED, Set.of("rated", "rating", "nominal", "datasheet")),
                    new Known(Role.CHEMISTRY, Set.of("chemistry", "chem")),
                    new Known(Role.MODEL, Set.of("model", "type")),
                    new Known(Role.DONOR, Set.of("donor", "pack", "source")),
                    new Known(
                            Role.LOCATION, Set.of("location", "place", "tray", "position", "bin")),
                    new Known(
                            Role.VOLTAGE,
                            Set.of("voltage", "voltages", "volt", "volts", "ocv", "v", "mv", "u")),
                    new Known(
                            Role.RESISTANCE,
                            Set.of(
                                    "ir",
                                    "ri",
                                    "acir",
                                    "resistance",
                                    "impedance",
                                    "mohm",
                                    "mohms",
                                    "milliohm",
                                    "milliohms",
                                    "mω",
                                    "ohm",
                                    "ohms",
                                    "ω")),
                    new Known(Role.CAPACITY, Set.of("capacity", "cap", "mah", "ah")),
                    new Known(Role.CELL_ID, Set.of("cell", "cellid", "id", "serial", "label")));

    private record Known(Role role, Set<String> words) {}

    /// Takes a header for what its words and unit say, such as `Voltage / V`, `voltage_v`, `mV`,
    /// `IR (mΩ)`.
    static CellColumn of(String header) {
        Set<String> words = new TreeSet<>(Headers.words(header));
        // voltageMv and cellId are two words each, but mAh, mOhm and mV are one
        words.addAll(Headers.words(header.replaceAll("(?<=[a-z]{2})(?=[A-Z])", " ")));
        for (Known known : KNOWN)
            if (words.stream().anyMatch(known.words()::contains))
                return new CellColumn(header, known.role(), factor(known.role(), words));
        return new CellColumn(header, Role.NOT_TAKEN, 1);
    }

    private static double factor(Role role, Set<String> words) {
        return switch (role) {
            case VOLTAGE -> words.contains("mv") || words.contains("millivolts") ? 0.001 : 1;
            case RESISTANCE ->
                    words.contains("ohm") || words.contains("ohms") || words.contains("ω")
                            ? 1000
                            : 1;
            case CAPACITY, RATED -> words.contains("ah") && !words.contains("mah") ? 1000 : 1;
            case CELL_ID, MODEL, DONOR, CHEMISTRY, LOCATION, NOT_TAKEN -> 1;
        };
    }

    /// What it was taken for, in words; says so when its unit is converted.
    public String words() {
        return role.words()
                + (factor == 1
                        ? ""
                        : factor < 1
                                ? " (from mV)"
                                : role == Role.RESISTANCE ? " (from Ω)" : " (from Ah)");
    }
}
