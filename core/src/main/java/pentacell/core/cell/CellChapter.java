package pentacell.core.cell;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.UnaryOperator;
import pentacell.core.cell.CellRecord.Fate;
import pentacell.core.journal.Entry;
import pentacell.core.state.Chapter;

/// Folds what is logged of cells into their records.
final class CellChapter implements Chapter<Cells> {
    @Override
    public Class<CellFact> family() {
        return CellFact.class;
    }

    @Override
    public Class<Cells> sliceType() {
        return Cells.class;
    }

    @Override
    public Cells empty() {
        return new Cells(Map.of());
    }

    @Override
    public Chapter.Fold<Cells> fold(Cells from) {
        return new Fold(from);
    }

    private static final class Fold implements Chapter.Fold<Cells> {
        private final Map<CellId, CellRecord> cells;

        Fold(Cells from) {
            cells = new LinkedHashMap<>(from.all());
        }

        @Override
        public void add(Instant at, Entry entry) {
            grow(at, entry, Fate.STANDING);
        }

        @Override
        public void setAside(Instant at, Entry entry) {
            grow(at, entry, Fate.SET_ASIDE);
        }

        private void grow(Instant at, Entry entry, Fate fate) {
            change(((CellFact) entry.fact()).cell(), cell -> cell.plus(at, entry, fate));
        }

        @Override
        public void correct(long sequence, Instant at, Entry correction) {
            CellFact fact = (CellFact) correction.fact();
            change(fact.cell(), cell -> cell.corrected(sequence, correction));
        }

        @Override
        public void strike(long sequence) {
            cells.values().stream()
                    .filter(cell -> cell.has(sequence))
                    .findFirst()
                    .ifPresent(found -> change(found.id(), cell -> cell.struck(sequence)));
        }

        /// A cell of which nothing holds any more is gone.
        private void change(CellId id, UnaryOperator<CellRecord> change) {
            CellRecord after = change.apply(cells.getOrDefault(id, CellRecord.unknown(id)));
            if (after.exists()) cells.put(id, after);
            else cells.remove(id);
        }

        @Override
        public Cells slice() {
            return new Cells(cells);
        }
    }
}
