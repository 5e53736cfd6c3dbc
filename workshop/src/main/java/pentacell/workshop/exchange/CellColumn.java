package pentacell.workshop.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/// What a column of a cell table was taken for.
///
/// @param header its header as it stands in the file
/// @param role what it holds
/// @param factor what its numbers are multiplied by to get V, mΩ or mAh
/// @param why why it was not taken, when there is more to say than that nobody asked for it
public record CellColumn(String header, Role role, double factor, Optional<String> why) {

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
        FORMAT("size of the can"),
        LOCATION("location"),
        COUNT("cans in a unit"),
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

    /// Units of other things than those that are taken.
    private static final Set<String> OTHER_UNITS =
            Set.of(
                    "wh", "mwh", "kwh", "pct", "percent", "soh", "kohm", "kohms", "kω", "uohm",
                    "µohm", "µω", "kv", "kah", "uah", "µah");

    /// What a column of voltages says when it is not the voltage of the resting cell.
    private static final Set<String> OTHER_VOLTAGES =
            Set.of(
                    "drop",
                    "delta",
                    "diff",
                    "difference",
                    "sag",
                    "cutoff",
                    "cut",
                    "limit",
                    "max",
                    "min",
                    "nominal",
                    "rated",
                    "end",
                    "charge",
                    "loss",
                    "change");

    /// The name that leaves no doubt, for each thing that is measured.
    private static final Map<Role, String> PLAIN =
            Map.of(
                    Role.CELL_ID, "cell_id",
                    Role.VOLTAGE, "voltage_v",
                    Role.RESISTANCE, "ir_mohm",
                    Role.CAPACITY, "capacity_mah",
                    Role.RATED, "rated_mah");

    private static final Set<String> VOLTAGES =
            Set.of("voltage", "voltages", "volt", "volts", "ocv", "v", "mv", "millivolts", "u");

    private static final List<Known> KNOWN =
            List.of(
                    new Known(Role.RATED, Set.of("rated", "rating", "nominal", "datasheet")),
                    new Known(Role.CHEMISTRY, Set.of("chemistry", "chem")),
                    new Known(Role.MODEL, Set.of("model", "type")),
                    new Known(Role.FORMAT, Set.of("format", "size")),
                    new Known(Role.DONOR, Set.of("donor", "pack", "source")),
                    new Known(
                            Role.LOCATION, Set.of("location", "place", "tray", "position", "bin")),
                    new Known(Role.VOLTAGE, VOLTAGES),
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
        boolean isShare = header.contains("%");
        // a count of anything else, such as cycles, is not meant
        if (words.equals(Set.of("count")) || words.contains("cans"))
            return new CellColumn(header, Role.COUNT, 1, Optional.empty());
        for (Known known : KNOWN) {
            if (words.stream().noneMatch(known.words()::contains)) continue;
            // a rated or nominal voltage is no capacity
            boolean isVoltage = words.stream().anyMatch(VOLTAGES::contains);
            if (known.role() == Role.RATED && isVoltage) continue;
            return taken(header, known.role(), words, isShare);
        }
        return new CellColumn(header, Role.NOT_TAKEN, 1, Optional.empty());
    }

    private static CellColumn taken(String header, Role role, Set<String> words, boolean isShare) {
        if (PLAIN.containsKey(role) && role != Role.CELL_ID) {
            Optional<String> unit = words.stream().filter(OTHER_UNITS::contains).findFirst();
            if (unit.isPresent() || isShare)
                return notTaken(header, "its unit does not fit " + role.words());
        }
        Optional<String> other = words.stream().filter(OTHER_VOLTAGES::contains).findFirst();
        if (role == Role.VOLTAGE && other.isPresent())
            return notTaken(header, "\"" + other.get() + "\" is not the voltage of a resting cell");
        return new CellColumn(header, role, factor(role, words), Optional.empty());
    }

    private static CellColumn notTaken(String header, String why) {
        return new CellColumn(header, Role.NOT_TAKEN, 1, Optional.of(why));
    }

    /// Takes all headers of a table.
    static List<CellColumn> allOf(List<String> headers) {
        return headers.stream().map(CellColumn::of).toList();
    }

    /// Which columns could both be the same thing, when neither has the plain name for it.
    static Optional<String> ambiguity(List<CellColumn> columns) {
        for (Role role : Role.values()) {
            String plain = PLAIN.get(role);
            if (plain == null) continue;
            List<CellColumn> all =
                    columns.stream().filter(column -> column.role() == role).toList();
            if (all.size() < 2 || all.stream().anyMatch(column -> column.isCalled(plain))) continue;
            return Optional.of(
                    "%s could each be the %s; name the one to use %s"
                            .formatted(
                                    all.stream()
                                            .map(column -> '"' + column.header().strip() + '"')
                                            .collect(Collectors.joining(" and ")),
                                    role.words(),
                                    plain));
        }
        return Optional.empty();
    }

    /// Keeps one column of each kind, the one with the plain name or else the first.
    static List<CellColumn> oneOfEach(List<CellColumn> columns) {
        List<CellColumn> kept = new ArrayList<>(columns);
        for (Role role : Role.values()) {
            List<Integer> all = new ArrayList<>();
            for (int i = 0; i < columns.size(); i++) if (columns.get(i).role() == role) all.add(i);
            if (role == Role.NOT_TAKEN || all.size() < 2) continue;
            int one =
                    all.stream()
                            .filter(i -> columns.get(i).isCalled(PLAIN.getOrDefault(role, "")))
                            .findFirst()
                            .orElse(all.get(0));
            String why = "\"" + columns.get(one).header().strip() + "\" was taken for it";
            for (int i : all) if (i != one) kept.set(i, notTaken(columns.get(i).header(), why));
        }
        return List.copyOf(kept);
    }

    private boolean isCalled(String plain) {
        return Headers.plain(header).equals(plain);
    }

    private static double factor(Role role, Set<String> words) {
        return switch (role) {
            case VOLTAGE -> words.contains("mv") || words.contains("millivolts") ? 0.001 : 1;
            case RESISTANCE ->
                    words.contains("ohm") || words.contains("ohms") || words.contains("ω")
                            ? 1000
                            : 1;
            case CAPACITY, RATED -> words.contains("ah") && !words.contains("mah") ? 1000 : 1;
            case CELL_ID, MODEL, DONOR, CHEMISTRY, FORMAT, LOCATION, COUNT, NOT_TAKEN -> 1;
        };
    }

    /// What it was taken for, in words; says so when its unit is converted.
    public String words() {
        if (why.isPresent()) return role.words() + ": " + why.get();
        return role.words()
                + (factor == 1
                        ? ""
                        : factor < 1
                                ? " (from mV)"
                                : role == Role.RESISTANCE ? " (from Ω)" : " (from Ah)");
    }
}
