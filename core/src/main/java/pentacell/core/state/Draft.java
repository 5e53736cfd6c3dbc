package pentacell.core.state;

import java.util.List;
import pentacell.core.journal.Fact;

/// The facts of an act as they follow from what holds when the act is written. A line that waits
/// behind others is worked out again once they are on the disk, so it stays right when one of them
/// fails.
///
/// Called on the window's thread for what is expected and on the logbook's for what is written: it
/// may use only its argument and what it captured, and must not change anything.
public interface Draft {
    /// @param before what holds before the act
    /// @return its facts; none when nothing is left to say
    /// @throws NoLongerPossible when what it counted on did not come about
    List<? extends Fact> from(WorkshopState before);

    /// A line that could be logged when it was typed, and no longer can: one before it failed.
    final class NoLongerPossible extends IllegalArgumentException {
        private static final long serialVersionUID = 1L;

        /// @param why for a person
        public NoLongerPossible(String why) {
            super(why);
        }
    }
}
