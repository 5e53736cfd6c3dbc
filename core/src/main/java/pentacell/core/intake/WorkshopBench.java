package pentacell.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Tray;
import pentacell.core.donor.Donors;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

/// The bench as a workshop knows it.
///
/// @param tray on the bench, into which new cells go
/// @param from index of the place in the tray from which on a free one is looked for
public record WorkshopBench(
        WorkshopState state, Optional<CellId> cellInHand, Optional<Tray> tray, int from)
        implements BenchContext {
    @Override
    public boolean isKnown(CellId cell) {
        return Cells.of(state).cell(cell).isPresent();
    }

    @Override
    public Optional<CellModel> modelOf(CellId cell) {
        Optional<CellRecord> known = Cells.of(state).cell(cell);
        if (known.isPresent()) return known.flatMap(Catalogue.of(state)::modelOf);
        return expectedModel(state, cell).map(Catalogue.of(state).models()::get);
    }

    @Override
    public int cansOf(CellId cell) {
        return Cells.of(state).cell(cell).map(CellRecord::count).orElse(1);
    }

    @Override
    public double[] neighbourVolts(CellId cell) {
        Optional<String> donor =
                Cells.of(state)
                        .cell(cell)
                        .flatMap(CellRecord::donor)
                        .or(() -> expectedDonor(state, cell));
        return donor.isEmpty()
                ? new double[0]
                : Cells.of(state).ofDonor(donor.get()).stream()
                        .filter(other -> !other.id().equals(cell))
                        .filter(other -> other.firstVolts().isPresent())
                        .mapToDouble(other -> other.firstVolts().getAsDouble())
                        .toArray();
    }

    @Override
    public Schools schools() {
        return Schools.of(state);
    }

    @Override
    public OptionalDouble lastMilliampHours(CellId cell) {
        return Cells.of(state)
                .cell(cell)
                .map(CellRecord::milliampHours)
                .orElse(OptionalDouble.empty());
    }

    /// A cell that is new gets its donor, its model and a free place of the tray.
    @Override
    public List<CellFact> introduced(WorkshopState before, CellId cell) {
        if (Cells.of(before).cell(cell).isPresent()) return List.of();
        List<CellFact> facts = new ArrayList<>();
        facts.add(
                new CellFact.CellNamed(
                        cell, expectedDonor(before, cell), expectedModel(before, cell)));
        tray.flatMap(shown ->
                        firstFree(before, shown, from)
                                .or(() -> firstFree(before, shown, 0))
                                .map(shown::place))
                .ifPresent(place -> facts.add(new CellFact.CellPlaced(cell, place)));
        return facts;
    }

    /// Index of the first free place of a tray.
    ///
    /// @param from index to begin at
    public static Optional<Integer> firstFree(WorkshopState state, Tray tray, int from) {
        return IntStream.range(from, tray.size())
                .filter(i -> Cells.of(state).at(tray.place(i)).isEmpty())
                .boxed()
                .findFirst();
    }

    /// The donor named by the first part of an id, when there is one.
    private static Optional<String> expectedDonor(WorkshopState state, CellId cell) {
        return cell.donorPart().filter(Donors.of(state).described()::containsKey);
    }

    private static Optional<String> expectedModel(WorkshopState state, CellId cell) {
        return expectedDonor(state, cell)
                .map(code -> Donors.of(state).described().get(code))
                .map(donor -> donor.cellModel())
                .filter(Catalogue.of(state).models()::containsKey);
    }
}
