package pentacell.core.stock;

import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.school.Grading;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

/// How every cell of a workshop stands, judged once for all who ask.
public final class JudgedStock {
    private final WorkshopState state;
    private final Map<CellId, Standing> standings;
    private final Map<Standing, Integer> counts = new EnumMap<>(Standing.class);
    private final Map<String, Map<Standing, Integer>> byDonor = new HashMap<>();

    private JudgedStock(WorkshopState state, Map<CellId, Standing> standings) {
        this.state = state;
        this.standings = standings;
        for (CellRecord cell : Cells.of(state).all().values()) {
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
        Map<CellId, Standing> standings = HashMap.newHashMap(Cells.of(state).all().size());
        for (CellRecord cell : Cells.of(state).all().values())
            standings.put(cell.id(), judge(cell, state));
        return new JudgedStock(state, standings);
    }

    /// Judges anew only the cells that changed since an earlier state; all of them when the models
    /// or the schools or limits did.
    public JudgedStock after(WorkshopState later) {
        if (!Catalogue.of(later).models().equals(Catalogue.of(state).models())
                || !Schools.of(later).equals(Schools.of(state))
                || !Grading.of(later).policy().equals(Grading.of(state).policy())) return of(later);
        Map<CellId, Standing> standingsThen = HashMap.newHashMap(Cells.of(later).all().size());
        for (CellRecord cell : Cells.of(later).all().values()) {
            boolean isUnchanged =
                    Cells.of(state)
                            .cell(cell.id())
                            .filter(before -> before.isSame(cell))
                            .isPresent();
            standingsThen.put(cell.id(), isUnchanged ? standing(cell.id()) : judge(cell, later));
        }
        return new JudgedStock(later, standingsThen);
    }

    private static Standing judge(CellRecord cell, WorkshopState state) {
        return Grader.judge(
                        cell,
                        Catalogue.of(state).modelOf(cell),
                        Schools.of(state),
                        Grading.of(state).policy())
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
