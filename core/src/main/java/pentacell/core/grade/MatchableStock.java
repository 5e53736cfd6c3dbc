package pentacell.core.grade;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Place;
import pentacell.core.fact.Cell;
import pentacell.core.fact.WorkshopState;
import pentacell.core.match.Candidate;

/// The cells of a workshop that may be matched into a pack, and how many may not and why.
///
/// @param candidates cells that are fit, measured and not in another pack
/// @param notMeasured cells without a capacity or a model
/// @param out cells judged out
/// @param inOtherPacks fit cells already matched into another pack
public record MatchableStock(
        List<Candidate> candidates, int notMeasured, int out, int inOtherPacks) {
    public MatchableStock {
        candidates = List.copyOf(candidates);
    }

    /// Sorts the stock for one pack.
    ///
    /// @param judged how the cells of the state stand
    /// @param pack name of the pack to match; its own cells stay available
    public static MatchableStock of(WorkshopState state, JudgedStock judged, String pack) {
        // gathered once: asking every pack for every cell is slow where both are many
        Set<CellId> inOtherPacks =
                state.packs().values().stream()
                        .filter(other -> !other.name().equals(pack))
                        .flatMap(other -> other.groups().stream())
                        .flatMap(List::stream)
                        .collect(Collectors.toSet());
        List<Candidate> candidates = new ArrayList<>();
        int notMeasured = 0;
        int out = 0;
        int elsewhere = 0;
        for (Cell cell : state.cells().values()) {
            Standing standing = judged.standing(cell.id());
            if (standing == Standing.OUT) out++;
            else if (cell.milliampHours().isEmpty() || !standing.mayBeMatched()) notMeasured++;
            else if (inOtherPacks.contains(cell.id())) elsewhere++;
            else candidates.add(candidate(cell, state.modelOf(cell)));
        }
        return new MatchableStock(candidates, notMeasured, out, elsewhere);
    }

    private static Candidate candidate(Cell cell, Optional<CellModel> model) {
        return new Candidate(
                cell.id(),
                cell.milliampHours().orElseThrow(),
                cell.milliohms(),
                cell.model().orElse(""),
                cell.donor().orElse(""),
                model.map(CellModel::chemistry),
                model.map(known -> OptionalDouble.of(known.ratedMinimumMilliampHours()))
                        .orElse(OptionalDouble.empty()),
                cell.place().map(Place::toString).orElse(""));
    }
}
