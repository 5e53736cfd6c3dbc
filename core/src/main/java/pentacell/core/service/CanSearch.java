package pentacell.core.service;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellId;

/// The search for a can of a group: which were read, what that says of them, which comes next.
///
/// @param group from 0
/// @param reference what cans are held against: volts of the bar, or usual °C; empty before enough
///   was read
/// @param cans of the group, those to be read first in front; a unit of several cans once
/// @param wanted how many are sought; empty when that is not known
public record CanSearch(
        int group, OptionalDouble reference, List<Can> cans, Optional<Integer> wanted) {
    public CanSearch {
        cans = List.copyOf(cans);
    }

    /// How a can stands in the search.
    public enum State {
        /// Not read yet.
        OPEN,
        FINE,
        /// It stands out.
        FOUND
    }

    /// A can.
    ///
    /// @param spots where it stands; none before a layout is taken
    /// @param why it is read in its place of the order, in words; empty when it was read
    /// @param read its figure, V or °C
    /// @param off from the reference, in V or K
    public record Can(
            CellId cell,
            List<Spot> spots,
            String why,
            OptionalDouble read,
            OptionalDouble off,
            State state) {
        public Can {
            spots = List.copyOf(spots);
        }
    }

    /// Those that stand out.
    public List<Can> found() {
        return cans.stream().filter(each -> each.state() == State.FOUND).toList();
    }

    /// Cans that were read.
    public int read() {
        return (int) cans.stream().filter(each -> each.state() != State.OPEN).count();
    }

    /// Whether all that are sought are found, or every can was read.
    public boolean isOver() {
        return read() == cans.size()
                || wanted.isPresent() && found().size() >= Math.max(1, wanted.get());
    }

    /// What is read next; empty when it is over.
    public Optional<Can> next() {
        return isOver()
                ? Optional.empty()
                : cans.stream().filter(each -> each.state() == State.OPEN).findFirst();
    }

    /// How many cans are still to be read, by expectation: of R cans of which m are sought, all are
    /// found after m·(R + 1)/(m + 1) on average when nothing is known of where they are. Empty when
    /// it is not known how many are sought.
    public OptionalDouble expectedReadings() {
        if (wanted.isEmpty()) return OptionalDouble.empty();
        int left = cans.size() - read();
        int sought = Math.min(left, wanted.get() - found().size());
        return sought <= 0
                ? OptionalDouble.of(0)
                : OptionalDouble.of(sought * (left + 1.0) / (sought + 1));
    }
}
