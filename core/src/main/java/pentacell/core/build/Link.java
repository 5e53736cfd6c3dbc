package pentacell.core.build;

import pentacell.core.build.facts.Spot;
import pentacell.core.conductor.Conductor;

/// A piece of conductor on a face.
///
/// @param id its name in the network
/// @param joint the joint it belongs to
/// @param from the can it begins at
/// @param to the can it ends at; the same where a lead is fixed
public record Link(
        String id, Kind kind, Face face, int joint, Spot from, Spot to, Conductor conductor) {
    /// What it does.
    public enum Kind {
        /// From can to can of a group.
        PARALLEL("parallel strip"),
        /// From group to group.
        SERIES("series link"),
        /// Along the edge of the first or the last group, to where the lead is fixed.
        OUTPUT("output bar"),
        /// To the board or the terminal.
        LEAD("lead");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /// In words.
        public String words() {
            return words;
        }
    }
}
