package pentacell.core.fact;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;
import pentacell.core.cell.PrepWork;

/// A cell as all facts about it say, taken together: the last standing reading of each kind, and
/// its life line.
///
/// @param id what is written on the sleeve
/// @param donor code of its donor
/// @param model name of its model
/// @param place where it lies
/// @param firstVolts first standing voltage in V, the one triage goes by
/// @param volts last standing voltage in V
/// @param lowestVolts lowest standing voltage that is not under 0, in V: a cell that was once
///   deeply discharged stays one
/// @param acMilliohms last standing resistance at 1 kHz, in mΩ
/// @param dcMilliohms last standing resistance by direct current, in mΩ; never compared with the
///   other
/// @param milliampHours last standing capacity in mAh, corrected to standard conditions where that
///   was done
/// @param blemishes what is wrong with the can
/// @param prepared work on the can that was done
/// @param label the figures on its last label
/// @param handedOver who took it for recycling
/// @param decision last standing decision by hand
/// @param lifeLine every entry ever logged of it, oldest first
public record Cell(
        CellId id,
        Optional<String> donor,
        Optional<String> model,
        Optional<Place> place,
        OptionalDouble firstVolts,
        OptionalDouble volts,
        OptionalDouble lowestVolts,
        OptionalDouble acMilliohms,
        OptionalDouble dcMilliohms,
        OptionalDouble milliampHours,
        Set<Blemish> blemishes,
        Set<PrepWork> prepared,
        Optional<CellFact.LabelPrinted> label,
        Optional<String> handedOver,
        Optional<CellFact.CellDecided> decision,
        List<LifeLineEntry> lifeLine) {

    /// An entry in a cell's life line.
    ///
    /// @param sequence its number in the journal
    /// @param at when it was logged
    /// @param fact what was logged
    /// @param fate whether it still holds
    public record LifeLineEntry(long sequence, Instant at, CellFact fact, Fate fate) {
        LifeLineEntry with(Fate newFate) {
            return new LifeLineEntry(sequence, at, fact, newFate);
        }
    }

    /// What became of an entry.
    public enum Fate {
        /// It holds.
        STANDING,
        /// Another entry holds in its place.
        CORRECTED,
        /// It was taken out.
        STRUCK
    }

    /// A cell of which nothing is known yet.
    static Cell unknown(CellId id) {
        return fold(id, List.of());
    }

    /// The cell with one more entry.
    Cell plus(long sequence, Instant at, Fact.OfCell fact) {
        List<LifeLineEntry> line = new ArrayList<>(lifeLine.size() + 1);
        switch (fact) {
            case CellFact plain -> {
                line.addAll(lifeLine);
                line.add(new LifeLineEntry(sequence, at, plain, Fate.STANDING));
            }
            case Fact.EntryStruck struck -> {
                for (LifeLineEntry entry : lifeLine)
                    line.add(
                            entry.sequence() == struck.sequence()
                                    ? entry.with(Fate.STRUCK)
                                    : entry);
            }
            case Fact.EntryCorrected corrected -> {
                // the correction takes the place of the wrong entry, so that a later reading still
                // wins
                for (LifeLineEntry entry : lifeLine) {
                    if (entry.sequence() == corrected.sequence()) {
                        line.add(entry.with(Fate.CORRECTED));
                        line.add(
                                new LifeLineEntry(
                                        sequence, at, corrected.replacement(), Fate.STANDING));
                    } else line.add(entry);
                }
            }
        }
        return fold(id, line);
    }

    private static Cell fold(CellId id, List<LifeLineEntry> lifeLine) {
        CellFold fold = new CellFold();
        for (LifeLineEntry entry : lifeLine)
            if (entry.fate() == Fate.STANDING) fold.add(entry.fact());
        return fold.cell(id, lifeLine);
    }

    /// The resistance that stands for the cell, in mΩ: at 1 kHz when that was read, else by direct
    /// current. To compare cells, compare one method.
    public OptionalDouble milliohms() {
        return acMilliohms.isPresent() ? acMilliohms : dcMilliohms;
    }

    /// Work on the can that is still to be done before it is built in.
    public Set<PrepWork> openWork() {
        Set<PrepWork> open = EnumSet.noneOf(PrepWork.class);
        for (Blemish blemish : blemishes) blemish.work().ifPresent(open::add);
        open.removeAll(prepared);
        return open;
    }

    /// Whether a label is due: none was printed, or its figures are no longer the last ones.
    public boolean needsLabel() {
        return label.filter(printed ->
                        printed.volts().equals(firstVolts)
                                && printed.milliampHours().equals(milliampHours)
                                && printed.milliohms().equals(milliohms()))
                .isEmpty();
    }

    /// Whether this is the very same cell at the very same time: nothing was logged of it in
    /// between.
    ///
    /// A cheap test; cells that are equal but were folded twice are not the same.
    @SuppressWarnings("ReferenceEquality")
    public boolean isSame(Cell other) {
        return this == other;
    }

    /// Whether anything about this cell still holds; a cell whose every entry was struck is gone.
    boolean exists() {
        return lifeLine.stream().anyMatch(entry -> entry.fate() == Fate.STANDING);
    }
}
