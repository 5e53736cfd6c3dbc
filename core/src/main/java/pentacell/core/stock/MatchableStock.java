package pentacell.core.stock;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.match.Candidate;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;

/// The cells of a workshop that may be matched into a pack, and how many may not and why.
///
/// @param candidates cells that are fit, measured and not in another pack
/// @param notMeasured cells without a capacity or a model
/// @param out cells judged out
/// @param inOtherPacks fit cells already matched into another pack or kept for its repairs
/// @param method the one way of reading resistance that is looked at
public record MatchableStock(
        List<Candidate> candidates,
        int notMeasured,
        int out,
        int inOtherPacks,
        ResistanceMethod method) {
    public MatchableStock {
        candidates = List.copyOf(candidates);
    }

    /// Sorts the stock for one pack.
    ///
    /// @param judged how the cells of the state stand
    /// @param pack name of the pack to match; its own cells stay available
    public static MatchableStock of(WorkshopState state, JudgedStock judged, String pack) {
        return of(state, judged, List.of(pack));
    }

    /// Sorts the stock for several packs at once.
    ///
    /// @param packs their names; their own cells stay available
    public static MatchableStock of(
            WorkshopState state, JudgedStock judged, Collection<String> packs) {
        // gathered once: asking every pack for every cell is slow where both are many
        Set<CellId> inOtherPacks =
                Packs.of(state).all().values().stream()
                        .filter(other -> !packs.contains(other.name()))
                        .flatMap(other -> other.cells().stream())
                        .collect(Collectors.toSet());
        List<CellRecord> fit = new ArrayList<>();
        int notMeasured = 0;
        int out = 0;
        int elsewhere = 0;
        for (CellRecord cell : Cells.of(state).all().values()) {
            Standing standing = judged.standing(cell.id());
            if (standing == Standing.OUT) out++;
            else if (cell.milliampHours().isEmpty() || !standing.mayBeMatched()) notMeasured++;
            else if (inOtherPacks.contains(cell.id())) elsewhere++;
            else fit.add(cell);
        }
        ResistanceMethod method = commonMethod(fit);
        List<Candidate> candidates =
                fit.stream()
                        .map(cell -> candidate(cell, method, Catalogue.of(state).modelOf(cell)))
                        .toList();
        return new MatchableStock(candidates, notMeasured, out, elsewhere, method);
    }

    /// The way of reading resistance that most cells share: values of different methods are never
    /// compared, so the others count as not read.
    private static ResistanceMethod commonMethod(List<CellRecord> cells) {
        long ac = cells.stream().filter(cell -> cell.acMilliohms().isPresent()).count();
        long dc = cells.stream().filter(cell -> cell.dcMilliohms().isPresent()).count();
        return dc > ac ? ResistanceMethod.DC : ResistanceMethod.AC_1_KHZ;
    }

    /// A measured cell as the matcher sees it, with its resistance by the way given.
    public static Candidate candidate(
            CellRecord cell, ResistanceMethod method, Optional<CellModel> model) {
        return new Candidate(
                cell.id(),
                cell.milliampHours().orElseThrow(),
                switch (method) {
                    case AC_1_KHZ -> cell.acMilliohms();
                    case DC -> cell.dcMilliohms();
                },
                cell.model().orElse(""),
                cell.donor().orElse(""),
                model.map(CellModel::chemistry),
                model.map(CellModel::format),
                ratedOfACan(cell, model),
                cell.place().map(Place::toString).orElse(""),
                Grader.isRescued(cell, model),
                cell.count());
    }

    private static OptionalDouble ratedOfACan(CellRecord cell, Optional<CellModel> model) {
        OptionalDouble rated = CellModel.ratedOf(model);
        return rated.isPresent() ? OptionalDouble.of(rated.getAsDouble() / cell.count()) : rated;
    }
}
