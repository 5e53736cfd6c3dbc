package pentacell.core.test;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.Piece;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;

/// What is typed or scanned at the bays: `HB03-07` loads a cell, `b3 HB03-07` loads it into bay 3,
/// `HB03-07 0.5A` has it discharged at another current than the school's, `stop HB03-07` or `stop
/// b3` ends its run, `HB03-07 4.172` is a reading on the hold shelf.
public final class BenchLine {
    private static final Pattern AMPS = Pattern.compile("(\\S*\\d)[aA]");
    private static final Pattern BAY = Pattern.compile("[bB](\\d{1,3})");

    private Verb verb = Verb.LOAD;
    private Optional<CellId> cell = Optional.empty();
    private OptionalInt bay = OptionalInt.empty();
    private OptionalDouble volts = OptionalDouble.empty();
    private OptionalDouble amps = OptionalDouble.empty();
    private String trouble = "";

    private BenchLine() {}

    private enum Verb {
        LOAD,
        STOP,
        READ
    }

    /// What a line asks for.
    public sealed interface Act {
        /// A cell goes into a bay.
        ///
        /// @param bay number of the bay on the board, counted from 1; empty for any that is free
        /// @param amps discharge current in A; empty for the school's
        record Load(CellId cell, OptionalInt bay, OptionalDouble amps) implements Act {}

        /// The next cell goes into this bay.
        ///
        /// @param bay counted from 1
        record TakeBay(int bay) implements Act {}

        /// A run ends: of a bay, or of a cell.
        ///
        /// @param bay counted from 1
        record Stop(Optional<CellId> cell, OptionalInt bay) implements Act {}

        /// A voltage was read on the hold shelf.
        record Read(LineAct toLog) implements Act {}
    }

    /// Reads a line.
    ///
    /// @param dueOnShelf cell a voltage belongs to when none is named
    /// @param bays how many there are
    public static Line<Act> read(
            String text, WorkshopState state, Optional<CellId> dueOnShelf, int bays) {
        if (text.isBlank()) return Line.blank();
        BenchLine line = new BenchLine();
        for (String token : text.strip().split("\\s+")) line.take(token, state);
        if (line.verb == Verb.READ && line.cell.isEmpty()) line.cell = dueOnShelf;
        if (line.trouble.isEmpty()) line.trouble = line.missing(bays);
        return line.trouble.isEmpty()
                ? new Line.Complete<>(line.pieces(), "", line.act())
                : new Line.Incomplete<>(line.pieces(), line.trouble);
    }

    private void take(String token, WorkshopState state) {
        Matcher number = BAY.matcher(token);
        Matcher current = AMPS.matcher(token);
        OptionalDouble reading = NumberText.parse(token.replaceAll("[vV]$", ""));
        Optional<CellId> known =
                Cells.of(state).all().keySet().stream()
                        .filter(id -> id.text().equalsIgnoreCase(token))
                        .findFirst();
        if (token.equalsIgnoreCase("stop")) verb = Verb.STOP;
        else if (known.isPresent()) cell = known;
        else if (number.matches()) bay = OptionalInt.of(Integer.parseInt(number.group(1)));
        else if (current.matches() && NumberText.parse(current.group(1)).isPresent())
            amps = NumberText.parse(current.group(1));
        else if (reading.isPresent()) {
            verb = Verb.READ;
            volts = reading;
        } else trouble = "\"" + token + "\" is not a cell, bay or voltage known here.";
    }

    /// What is missing or cannot be; empty when nothing is.
    private String missing(int bays) {
        if (bay.isPresent() && (bay.getAsInt() < 1 || bay.getAsInt() > bays))
            return "There is no bay %d; there are %d.".formatted(bay.getAsInt(), bays);
        if (amps.isPresent() && !(amps.getAsDouble() >= 0.05 && amps.getAsDouble() <= 20))
            return "A cell is discharged at 0.05 to 20 A, was %s.".formatted(amps.getAsDouble());
        if (amps.isPresent() && (verb != Verb.LOAD || cell.isEmpty()))
            return "A current belongs to a cell that is loaded, such as HB03-07 0.5A.";
        return switch (verb) {
            case READ ->
                    !(volts.getAsDouble() >= 0 && volts.getAsDouble() <= 5)
                            ? "A cell on the hold shelf reads 0 to 5 V, was %s."
                                    .formatted(volts.getAsDouble())
                            : cell.isEmpty()
                                    ? "Which cell was read? Its id first, then the voltage."
                                    : "";
            case LOAD ->
                    cell.isEmpty() && bay.isEmpty()
                            ? "Type or scan the id of the cell to load."
                            : "";
            case STOP ->
                    cell.isEmpty() && bay.isEmpty()
                            ? "Stop what? A cell or a bay, such as stop b3."
                            : "";
        };
    }

    private List<Piece> pieces() {
        List<Piece> pieces = new ArrayList<>();
        cell.ifPresent(id ->
                pieces.add(
                        Piece.plain(
                                id.text(),
                                switch (verb) {
                                    case LOAD -> "load";
                                    case STOP -> "stop";
                                    case READ -> "cell";
                                })));
        if (volts.isPresent())
            pieces.add(Piece.plain(Quantity.VOLTAGE.text(volts.getAsDouble()), "voltage"));
        if (amps.isPresent())
            pieces.add(Piece.plain(Quantity.CURRENT.text(amps.getAsDouble()), "discharge"));
        return pieces;
    }

    private Act act() {
        return switch (verb) {
            case READ -> new Act.Read(reading(cell.orElseThrow(), volts.getAsDouble()));
            case STOP -> new Act.Stop(cell, bay);
            case LOAD ->
                    cell.isPresent()
                            ? new Act.Load(cell.get(), bay, amps)
                            : new Act.TakeBay(bay.getAsInt());
        };
    }

    private static LineAct reading(CellId cell, double volts) {
        return LineAct.logs(
                        "Read " + cell,
                        cell + " " + Quantity.VOLTAGE.number(volts),
                        new CellFact.VoltageRead(cell, volts))
                .about(cell);
    }
}
