package pentacell.core.cell;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Origin;

/// A cell as all facts about it say, taken together: the last standing reading of each kind, and
/// its life line.
///
/// @param id what is written on the sleeve
/// @param donor code of its donor
/// @param model name of its model
/// @param count cans that stay together as one; 1 for a cell
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
public record CellRecord(
        CellId id,
        Optional<String> donor,
        Optional<String> model,
        int count,
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
    /// @param origin how it came into the journal
    /// @param fate whether it still holds
    public record LifeLineEntry(
            long sequence, Instant at, CellFact fact, Origin origin, Fate fate) {
        LifeLineEntry with(Fate newFate) {
            return new LifeLineEntry(sequence, at, fact, origin, newFate);
        }

        /// Whether it was neither corrected nor struck. It may still not count: a run of a stand-in
        /// fills its bay all the same.
        public boolean isKept() {
            return fate == Fate.STANDING || fate == Fate.SET_ASIDE;
        }
    }

    /// What became of an entry.
    public enum Fate {
        /// It holds.
        STANDING,
        /// It comes from a stand-in: it is shown and does not count.
        SET_ASIDE,
        /// Another entry holds in its place.
        CORRECTED,
        /// It was taken out.
        STRUCK
    }

    /// A cell of which nothing is known yet.
    static CellRecord unknown(CellId id) {
        return fold(id, List.of());
    }

    /// The cell with one more entry.
    ///
    /// @param fate [Fate#STANDING] or [Fate#SET_ASIDE]
    CellRecord plus(Instant at, Entry entry, Fate fate) {
        List<LifeLineEntry> line = new ArrayList<>(lifeLine.size() + 1);
        line.addAll(lifeLine);
        line.add(
                new LifeLineEntry(
                        entry.sequence(), at, (CellFact) entry.fact(), entry.origin(), fate));
        return fold(id, line);
    }

    /// The cell with another fact in the place of a wrong one. It takes the wrong one's place and
    /// time in the line: it says what was read then, and a later reading still wins.
    ///
    /// @param wrong sequence of the entry that was wrong
    CellRecord corrected(long wrong, Entry correction) {
        List<LifeLineEntry> line = new ArrayList<>(lifeLine.size() + 1);
        for (LifeLineEntry entry : lifeLine) {
            if (entry.sequence() == wrong) {
                line.add(entry.with(Fate.CORRECTED));
                line.add(
                        new LifeLineEntry(
                                correction.sequence(),
                                entry.at(),
                                (CellFact) correction.fact(),
                                correction.origin(),
                                Fate.STANDING));
            } else line.add(entry);
        }
        return fold(id, line);
    }

    /// The cell without one of its entries.
    CellRecord struck(long wrong) {
        List<LifeLineEntry> line = new ArrayList<>(lifeLine.size());
        for (LifeLineEntry entry : lifeLine)
            line.add(entry.sequence() == wrong ? entry.with(Fate.STRUCK) : entry);
        return fold(id, line);
    }

    /// Whether an entry is about this cell.
    boolean has(long sequence) {
        return lifeLine.stream().anyMatch(entry -> entry.sequence() == sequence);
    }

    private static CellRecord fold(CellId id, List<LifeLineEntry> lifeLine) {
        CellFold fold = new CellFold();
        for (LifeLineEntry entry : lifeLine)
            if (entry.fate() == Fate.STANDING) fold.add(entry.fact());
        return fold.cell(id, lifeLine);
    }

    /// Its id, with its cans where it is a unit: `HB03-07 ×2`.
    public String idWithCans() {
        return count == 1 ? id.text() : id.text() + "\u00a0×" + count;
    }

    /// What it rests at, in V: its last reading, unless its capacity was measured since, which
    /// leaves it elsewhere.
    public OptionalDouble restingVolts() {
        long read = -1;
        long measured = -1;
        for (LifeLineEntry entry : lifeLine) {
            if (entry.fate() != Fate.STANDING) continue;
            if (entry.fact() instanceof CellFact.VoltageRead) read = entry.sequence();
            if (entry.fact() instanceof CellFact.CapacityMeasured) measured = entry.sequence();
        }
        return read > measured ? volts : OptionalDouble.empty();
    }

    /// The resistance of the cell, in mΩ: at 1 kHz when that was read, else by direct current. To
    /// compare cells, compare one method.
    public OptionalDouble milliohms() {
        return acMilliohms.isPresent() ? acMilliohms : dcMilliohms;
    }

    /// Whether it was ever read under a voltage in V, reversed leads aside.
    public boolean isUnder(double limitVolts) {
        return lowestVolts.orElse(Double.POSITIVE_INFINITY) < limitVolts;
    }

    /// The conditions its capacity was measured under in a run; empty when none came of it.
    public Optional<TestConditions> conditionsOf(String run) {
        return lifeLine.stream()
                .filter(LifeLineEntry::isKept)
                .map(LifeLineEntry::fact)
                .filter(CellFact.CapacityMeasured.class::isInstance)
                .map(fact -> ((CellFact.CapacityMeasured) fact).conditions())
                .filter(conditions -> conditions.run().equals(Optional.of(run)))
                .findFirst();
    }

    /// Its runs in bays, in the order they were started.
    public List<TestRun> runs() {
        return TestRun.of(lifeLine);
    }

    /// Whether a person decided so about it, and that stands.
    public boolean isDecided(CellFact.Decision wanted) {
        return decision.filter(decided -> decided.decision() == wanted).isPresent();
    }

    /// Why a person decided about it, in their words; empty when nobody did.
    public String decisionReason() {
        return decision.map(CellFact.CellDecided::reason).orElse("");
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
    public boolean isSame(CellRecord other) {
        return this == other;
    }

    /// Whether anything about this cell still holds; a cell whose every entry was struck is gone.
    boolean exists() {
        return lifeLine.stream().anyMatch(entry -> entry.fate() == Fate.STANDING);
    }
}
