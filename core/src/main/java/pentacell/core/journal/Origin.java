package pentacell.core.journal;

import java.util.List;
import java.util.Optional;

/// How a fact came into the journal.
public enum Origin {
    /// Nobody wrote it down: files of format 5 and before did not.
    UNKNOWN(""),
    /// A person typed it or pressed a button.
    TYPED("typed"),
    /// It was read from a file.
    IMPORTED("imported"),
    /// A real instrument measured it.
    INSTRUMENT("instrument"),
    /// One of the simulated instruments that come with the program made it up. It counts only where
    /// [Amendment.StandInsCount] was logged.
    STAND_IN("stand-in");

    private final String code;

    Origin(String code) {
        this.code = code;
    }

    /// How it is written in files and on the screen; empty for an unknown one.
    public String code() {
        return code;
    }

    /// The origin of a code; empty when there is none of that code.
    public static Optional<Origin> of(String code) {
        for (Origin each : values()) if (each.code.equals(code)) return Optional.of(each);
        return Optional.empty();
    }

    /// What an instrument measured, or its stand-in made up.
    public static Origin measured(boolean isSimulated) {
        return isSimulated ? STAND_IN : INSTRUMENT;
    }

    /// Facts that say they came this way. What is logged without saying so was typed.
    public List<Fact> mark(List<? extends Fact> facts) {
        return facts.stream().map(this::mark).toList();
    }

    /// A fact that says it came this way.
    public Fact mark(Fact fact) {
        return new Marked(this, fact);
    }

    /// A fact on its way into the journal, with its origin.
    record Marked(Origin origin, Fact fact) implements Fact {}
}
