package pentacell.core.fact;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;

/// A cell as all facts about it say, taken together: the last standing reading of each kind, and
/// its life line.
///
/// @param id what is written on the sleeve
/// @param donor code of its donor
/// @param model name of its model
/// @param place where it lies
/// @param firstVolts first standing voltage in V, the one triage goes by
/// @param volts last standing voltage in V
/// @param milliohms last standing resistance in mΩ
/// @param milliampHours last standing capacity in mAh
/// @param decision last standing decision by hand
/// @param lifeLine every entry ever logged of it, oldest first
public record Cell(
        CellId id,
        Optional<String> donor,
        Optional<String> model,
        Optional<Place> place,
        OptionalDouble firstVolts,
        OptionalDouble volts,
        OptionalDouble milliohms,
        OptionalDouble milliampHours,
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
        Optional<String> donor = Optional.empty();
        Optional<String> model = Optional.empty();
        Optional<Place> place = Optional.empty();
        OptionalDouble firstVolts = OptionalDouble.empty();
        OptionalDouble volts = OptionalDouble.empty();
        OptionalDouble milliohms = OptionalDouble.empty();
        OptionalDouble milliampHours = OptionalDouble.empty();
        Optional<CellFact.CellDecided> decision = Optional.empty();
        for (LifeLineEntry entry : lifeLine) {
            if (entry.fate() != Fate.STANDING) continue;
            switch (entry.fact()) {
                case CellFact.CellNamed named -> {
                    donor = named.donor();
                    model = named.model();
                }
                case CellFact.CellPlaced placed -> place = Optional.of(placed.place());
                case CellFact.VoltageRead read -> {
                    volts = OptionalDouble.of(read.volts());
                    if (firstVolts.isEmpty()) firstVolts = volts;
                }
                case CellFact.ResistanceRead read ->
                        milliohms = OptionalDouble.of(read.milliohms());
                case CellFact.CapacityMeasured measured ->
                        milliampHours = OptionalDouble.of(measured.milliampHours());
                case CellFact.CellNoted noted -> {}
                case CellFact.CellDecided decided ->
                        decision =
                                decided.decision() == CellFact.Decision.BY_FIGURES
                                        ? Optional.empty()
                                        : Optional.of(decided);
            }
        }
        return new Cell(
                id,
                donor,
                model,
                place,
                firstVolts,
                volts,
                milliohms,
                milliampHours,
                decision,
                List.copyOf(lifeLine));
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
