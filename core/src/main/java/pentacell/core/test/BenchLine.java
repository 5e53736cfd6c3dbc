package pentacell.core.test;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.NumberText;

/// What is typed or scanned at the bays: `HB03-07` loads a cell, `b3 HB03-07` loads it into bay 3,
/// `HB03-07 0.5A` has it discharged at another current than the school's, `stop HB03-07` or `stop
/// b3` ends its run, `HB03-07 4.172` is a reading on the hold shelf.
///
/// @param act what it asks for
/// @param cell the cell it names, when it is known
/// @param bay number of the bay on the board, counted from 1
/// @param volts the voltage read, in V
/// @param amps the discharge current asked for, in A
/// @param trouble why it cannot be done, for a person; empty when it can
public record BenchLine(
        Act act,
        Optional<CellId> cell,
        OptionalInt bay,
        OptionalDouble volts,
        OptionalDouble amps,
        String trouble) {
    private static final Pattern AMPS = Pattern.compile("(\\S*\\d)[aA]");
    private static final Pattern BAY = Pattern.compile("[bB](\\d{1,3})");

    /// What a line asks for.
    public enum Act {
        LOAD,
        STOP,
        READ
    }

    /// Reads a line.
    ///
    /// @param dueOnShelf cell a voltage belongs to when none is named
    public static BenchLine read(String text, WorkshopState state, Optional<CellId> dueOnShelf) {
        Act act = Act.LOAD;
        Optional<CellId> cell = Optional.empty();
        OptionalInt bay = OptionalInt.empty();
        OptionalDouble volts = OptionalDouble.empty();
        OptionalDouble amps = OptionalDouble.empty();
        String trouble = "";
        for (String token : List.of(text.strip().split("\\s+"))) {
            if (token.isEmpty()) continue;
            Matcher number = BAY.matcher(token);
            Matcher current = AMPS.matcher(token);
            OptionalDouble reading = NumberText.parse(token.replaceAll("[vV]$", ""));
            Optional<CellId> known =
                    Cells.of(state).all().keySet().stream()
                            .filter(id -> id.text().equalsIgnoreCase(token))
                            .findFirst();
            if (token.equalsIgnoreCase("stop")) act = Act.STOP;
            else if (known.isPresent()) cell = known;
            else if (number.matches()) bay = OptionalInt.of(Integer.parseInt(number.group(1)));
            else if (current.matches() && NumberText.parse(current.group(1)).isPresent())
                amps = NumberText.parse(current.group(1));
            else if (reading.isPresent()) {
                act = Act.READ;
                volts = reading;
            } else trouble = "\"" + token + "\" is not a cell, bay or voltage known here.";
        }
        if (act == Act.READ && cell.isEmpty()) cell = dueOnShelf;
        if (trouble.isEmpty() && act == Act.READ && !plausible(volts.orElse(Double.NaN)))
            trouble = "A cell on the hold shelf reads 0 to 5 V, was %s.".formatted(volts.orElse(0));
        if (trouble.isEmpty()
                && amps.isPresent()
                && !(amps.orElse(0) >= 0.05 && amps.orElse(0) <= 20))
            trouble = "A cell is discharged at 0.05 to 20 A, was %s.".formatted(amps.orElse(0));
        if (trouble.isEmpty() && amps.isPresent() && (act != Act.LOAD || cell.isEmpty()))
            trouble = "A current belongs to a cell that is loaded, such as HB03-07 0.5A.";
        if (trouble.isEmpty() && act == Act.READ && cell.isEmpty())
            trouble = "Which cell was read? Its id first, then the voltage.";
        if (trouble.isEmpty() && act == Act.LOAD && cell.isEmpty() && bay.isEmpty())
            trouble = "Type or scan the id of the cell to load.";
        if (trouble.isEmpty() && act == Act.STOP && cell.isEmpty() && bay.isEmpty())
            trouble = "Stop what? A cell or a bay, such as stop b3.";
        return new BenchLine(act, cell, bay, volts, amps, trouble);
    }

    private static boolean plausible(double volts) {
        return volts >= 0 && volts <= 5;
    }
}
