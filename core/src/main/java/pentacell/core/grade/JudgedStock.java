package pentacell.core.grade;

import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import pentacell.core.cell.CellId;
import pentacell.core.fact.Cell;
import pentacell.core.fact.WorkshopState;

/// How every cell of a workshop stands, judged once for all who ask.
public final class JudgedStock {
    private final WorkshopState state;
    private final Map<CellId, Standing> standings;
    private final Map<Standing, Integer> counts = new EnumMap<>(Standing.class);
    private final Map<String, Map<Standing, Integer>> byDonor = new HashMap<>();

    private JudgedStock(WorkshopState state, Map<CellId, Standing> standings) {
        this.state = state;
        this.standings = standings;
        for (Cell cell : state.cells().values()) {
            Standing standing = standing(cell.id());
            counts.merge(standing, 1, Integer::sum);
            cell.donor()
                    .ifPresent(donor ->
                            byDonor.computeIfAbsent(donor, code -> new EnumMap<>(Standing.class))
                                    .merge(standing, 1, Integer::sum));
        }
    }

    /// Judges every cell.
    public static JudgedStock of(WorkshopState state) {
        Map<CellId, Standing> standings = HashMap.newHashMap(state.cells().size());
        for (Cell cell : state.cells().values()) standings.put(cell.id(), judge(cell, state));
        return new JudgedStock(state, standings);
    }

    /// Judges anew only the cells that changed since an earlier state; all of them when the models
    /// or the schools did.
    public JudgedStock after(WorkshopState later) {
        if (!later.models().equals(state.models()) || !later.schools().equals(state.schools()))
            return of(later);
        Map<CellId, Standing> standingsThen = HashMap.newHashMap(later.cells().size());
        for (Cell cell : later.cells().values()) {
            boolean isUnchanged =
                    state.cell(cell.id()).filter(before -> before.isSame(cell)).isPresent();
            standingsThen.put(cell.id(), isUnchanged ? standing(cell.id()) : judge(cell, later));
        }
        return new JudgedStock(later, standingsThen);
    }

    private static Standing judge(Cell cell, WorkshopState state) {
        return Grader.judge(cell, state.modelOf(cell), state.schools(), GradePolicy.USUAL)
                .verdict();
    }

    /// How a cell stands.
    public Standing standing(CellId cell) {
        return standings.getOrDefault(cell, Standing.UNKNOWN);
    }

    /// How many cells stand so.
    public int count(Standing standing) {
        return counts.getOrDefault(standing, 0);
    }

    /// How the cells of a donor stand.
    public Map<Standing, Integer> ofDonor(String code) {
        return Collections.unmodifiableMap(byDonor.getOrDefault(code, Map.of()));
    }
}
