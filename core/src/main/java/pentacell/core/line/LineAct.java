package pentacell.core.line;

import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Fact;
import pentacell.core.state.Draft;

/// What Enter does with a complete line: it logs one act, or takes something in hand, or both.
///
/// @param toLog what is logged; empty when the line only names something
/// @param subject what is in hand afterwards
/// @param answer what is said to the person; empty for nothing
public record LineAct(Optional<ToLog> toLog, Optional<Subject> subject, String answer) {
    /// What is logged as one act.
    ///
    /// @param words what the act is called
    /// @param text the line with what it is about spelled out, so that it means the same later
    public record ToLog(String words, String text, Draft draft) {}

    /// What a line is about.
    public sealed interface Subject {
        record OfCell(CellId cell) implements Subject {}

        /// @param code of the donor
        record OfDonor(String code) implements Subject {}
    }

    /// Logs what follows from the state when it is written.
    public static LineAct logs(String words, String text, Draft draft) {
        return new LineAct(
                Optional.of(new ToLog(words, text.strip(), draft)), Optional.empty(), "");
    }

    /// Logs facts that depend on nothing before them.
    public static LineAct logs(String words, String text, List<? extends Fact> facts) {
        List<Fact> said = List.copyOf(facts);
        return logs(words, text, before -> said);
    }

    /// Logs a single fact.
    public static LineAct logs(String words, String text, Fact fact) {
        return logs(words, text, List.of(fact));
    }

    /// Logs nothing, but takes something in hand.
    public static LineAct takes(Subject subject) {
        return new LineAct(Optional.empty(), Optional.of(subject), "");
    }

    /// The same with a cell in hand afterwards.
    public LineAct about(CellId cell) {
        return new LineAct(toLog, Optional.of(new Subject.OfCell(cell)), answer);
    }

    /// The same with a donor in hand afterwards.
    public LineAct about(String donor) {
        return new LineAct(toLog, Optional.of(new Subject.OfDonor(donor)), answer);
    }

    /// The same with an answer to the person.
    public LineAct answering(String sentence) {
        return new LineAct(toLog, subject, sentence);
    }
}
