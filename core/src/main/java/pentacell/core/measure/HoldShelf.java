package pentacell.core.measure;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

/// The cells of a workshop that lie for their self-discharge, and how each compares with its own
/// model.
///
/// @param rows every cell ever laid there and not gone, those due first before those that are done
/// @param places how many cells there is room for
public record HoldShelf(List<Row> rows, int places) {
    /// A cell this many robust standard deviations off its model is suspect (Iglewicz & Hoaglin
    /// 1993, from memory).
    private static final double SUSPECT_Z = 3.5;

    /// and at least this much, in mV a day: a tight model makes small differences look large.
    private static final double SUSPECT_MILLIVOLTS_A_DAY = 1;

    /// So many cells of a model make a comparison.
    private static final int LEAST_SISTERS = 5;

    public HoldShelf {
        rows = List.copyOf(rows);
    }

    /// A cell on the shelf.
    ///
    /// @param percentAMonth projected loss of charge, in percent a month
    /// @param robustZ how far it is off its own model; empty when there are too few to compare
    /// @param suspicion why it is suspect although under the limit
    public record Row(
            HoldTest test,
            OptionalDouble percentAMonth,
            OptionalDouble robustZ,
            Optional<Reason> suspicion) {}

    /// The shelf of a workshop.
    public static HoldShelf of(WorkshopState state) {
        List<HoldTest> tests = new ArrayList<>();
        for (CellRecord cell : Cells.of(state).all().values())
            // what is in a bay again does not lie on the shelf
            if (cell.handedOver().isEmpty() && OpenRun.of(cell).isEmpty())
                HoldTest.of(cell, Catalogue.of(state).modelOf(cell), Schools.of(state).hold())
                        .ifPresent(tests::add);
        Map<String, List<Double>> ratesOfModel =
                tests.stream()
                        .filter(test -> test.millivoltsADay().isPresent())
                        .collect(
                                Collectors.groupingBy(
                                        test -> test.cell().model().orElse(""),
                                        Collectors.mapping(
                                                test -> test.millivoltsADay().getAsDouble(),
                                                Collectors.toList())));
        List<Row> rows = new ArrayList<>();
        for (HoldTest test : tests) {
            Chemistry chemistry = CellModel.chemistryOf(Catalogue.of(state).modelOf(test.cell()));
            rows.add(
                    row(
                            test,
                            chemistry,
                            ratesOfModel.getOrDefault(test.cell().model().orElse(""), List.of())));
        }
        rows.sort(
                Comparator.comparing((Row row) -> row.test().dueAt().isEmpty())
                        .thenComparing(
                                row -> row.test().dueAt().orElse(row.test().began()),
                                Comparator.naturalOrder()));
        return new HoldShelf(rows, Schools.of(state).hold().places());
    }

    private static Row row(HoldTest test, Chemistry chemistry, List<Double> sisters) {
        OptionalDouble z = OptionalDouble.empty();
        Optional<Reason> suspicion = Optional.empty();
        if (test.millivoltsADay().isPresent() && sisters.size() >= LEAST_SISTERS) {
            double[] rates = sisters.stream().mapToDouble(Double::doubleValue).toArray();
            RobustScale scale = RobustScale.of(rates);
            double rate = test.millivoltsADay().getAsDouble();
            z = OptionalDouble.of(scale.z(rate));
            if (z.getAsDouble() > SUSPECT_Z && rate - scale.median() > SUSPECT_MILLIVOLTS_A_DAY)
                suspicion = Optional.of(Reason.of(Rule.HOLD_UNLIKE_SISTERS, rate, scale.median()));
        }
        return new Row(test, test.percentAMonth(chemistry), z, suspicion);
    }

    /// The cells still lying.
    public List<Row> open() {
        return rows.stream().filter(row -> row.test().isOpen()).toList();
    }

    /// The cell that is to be read first of those due; empty when none is.
    public Optional<CellId> nextDue(Instant now) {
        return rows.stream()
                .filter(row -> row.test().dueAt().filter(at -> !at.isAfter(now)).isPresent())
                .map(row -> row.test().cell().id())
                .findFirst();
    }

    /// How many more cells there is room for; never under 0.
    public int free() {
        return Math.max(0, places - open().size());
    }
}
