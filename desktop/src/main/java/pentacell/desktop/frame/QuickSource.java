package pentacell.desktop.frame;

import java.util.List;

/// What stands behind a quick line: it reads what is typed and logs it.
public interface QuickSource {
    /// What the line is about when it names nothing, such as `HB05-12 (new)`.
    String inHand();

    /// An example of a line.
    String example();

    /// What was understood so far.
    Reading read(String text);

    /// The line at the moment of Enter: what is in hand now stays its subject, whatever is typed
    /// while it waits for the disk.
    Entered enter(String text);

    /// Calls back when what is in hand, or known, has changed.
    void onChange(Runnable changed);

    /// A line as it was understood.
    ///
    /// @param remark what is odd about it, empty when nothing is
    /// @param state whether Enter can log it
    /// @param missing what is missing, said when Enter is pressed too early
    record Reading(List<Chip> chips, String remark, State state, String missing) {
        public Reading {
            chips = List.copyOf(chips);
        }
    }

    /// Whether a line can be logged.
    enum State {
        COMPLETE,
        INCOMPLETE
    }

    /// A piece of a line.
    ///
    /// @param text value with unit, or the words it stands for
    /// @param kind what it will be logged as
    record Chip(String text, String kind, Look look) {}

    /// How a chip looks.
    enum Look {
        PLAIN,
        ODD,
        REFUSED
    }
}
