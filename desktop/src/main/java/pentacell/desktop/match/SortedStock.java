package pentacell.desktop.match;

import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.MatchableStock;

/// A stock that was sorted, and for what; sorting thousands of cells takes a while.
record SortedStock(WorkshopState state, String pack, MatchableStock stock) {
    static SortedStock of(WorkshopState state, JudgedStock judged, String pack) {
        return new SortedStock(state, pack, MatchableStock.of(state, judged, pack));
    }

    @SuppressWarnings("ReferenceEquality") // states are compared by what they are, not hold
    boolean isOf(WorkshopState other, String name) {
        return state == other && pack.equals(name);
    }
}
