package pentacell.core.stock;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.EigenDecompositionSymmetric;
import org.hipparchus.stat.correlation.Covariance;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import pentacell.core.Chapters;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.Decision;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.TestConditions;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Selection;
import pentacell.core.state.WorkshopState;

/// The stock as a whole: who may be matched, how all stand, how values scatter.
final class StockTest {
    private long sequence;
    private long number;

    private Act act(Fact... facts) {
        List<Entry> entries = new ArrayList<>();
        for (Fact fact : facts) entries.add(new Entry(++sequence, fact));
        return new Act(++number, Instant.EPOCH, "act", entries);
    }

    private static CellModel model(double rated) {
        return new CellModel(
                "M",
                CellFormat.parse("18650").orElseThrow(),
                Chemistry.NMC,
                rated,
                rated,
                CellLimits.careful(Chemistry.NMC, rated));
    }

    private static Fact named(CellId cell) {
        return new CellFact.CellNamed(cell, Optional.of("D"), Optional.of("M"));
    }

    private static Fact capacity(CellId cell, double milliampHours) {
        return new CellFact.CapacityMeasured(cell, milliampHours, TestConditions.NOT_STATED);
    }

    @Test
    void onlyFitMeasuredCellsThatNoOtherPackHasMayBeMatched() {
        List<CellId> ids =
                List.of(
                        new CellId("fit"),
                        new CellId("weak"),
                        new CellId("raw"),
                        new CellId("taken"),
                        new CellId("mine"),
                        new CellId("forced"));
        WorkshopState state =
                Chapters.fold(
                        List.of(
                                act(new CatalogueFact.ModelDefined(model(2000))),
                                act(ids.stream().map(StockTest::named).toArray(Fact[]::new)),
                                act(
                                        capacity(ids.get(0), 1900),
                                        capacity(ids.get(1), 1500),
                                        capacity(ids.get(3), 1900),
                                        capacity(ids.get(4), 1900)),
                                act(
                                        capacity(ids.get(5), 1500),
                                        new CellFact.CellDecided(
                                                ids.get(5), Decision.USE, "for the lamp")),
                                act(matched("other", ids.get(3)), matched("mine", ids.get(4)))));
        MatchableStock stock = MatchableStock.of(state, JudgedStock.of(state), "mine");
        assertEquals(
                List.of("fit", "mine", "forced"),
                stock.candidates().stream().map(cell -> cell.id().text()).toList());
        assertEquals(1, stock.out());
        assertEquals(1, stock.notMeasured());
        assertEquals(1, stock.inOtherPacks());
        assertEquals(0.95, stock.candidates().get(0).soh().orElseThrow(), 1e-9);
    }

    private static Fact matched(String pack, CellId cell) {
        return new PackFact.GroupsMatched(
                pack, MatchRules.of(1, 1, Selection.ALL), List.of(List.of(cell)), Map.of());
    }

    @RepeatedTest(5)
    @DisplayName("judging anew only what changed comes to the same as judging all")
    void judgingWhatChangedIsJudgingAll(RepetitionInfo repetition) {
        SplittableRandom random = new SplittableRandom(repetition.getCurrentRepetition());
        WorkshopState state =
                Chapters.fold(List.of(act(new CatalogueFact.ModelDefined(model(2000)))));
        JudgedStock stepwise = JudgedStock.of(state);
        for (int i = 0; i < 80; i++) {
            CellId cell = new CellId("C-" + random.nextInt(12));
            Fact fact =
                    switch (random.nextInt(5)) {
                        case 0 -> named(cell);
                        case 1 -> new CellFact.VoltageRead(cell, random.nextInt(0, 44) / 10.0);
                        case 2 -> capacity(cell, random.nextInt(1000, 2400));
                        case 3 ->
                                new CellFact.CellDecided(
                                        cell, Decision.values()[random.nextInt(3)], "test");
                        default ->
                                new CatalogueFact.ModelDefined(model(random.nextInt(1800, 2200)));
                    };
            state = state.plus(act(fact));
            stepwise = stepwise.after(state);
            JudgedStock anew = JudgedStock.of(state);
            for (Standing standing : Standing.values())
                assertEquals(anew.count(standing), stepwise.count(standing), "step " + i);
            assertEquals(anew.ofDonor("D"), stepwise.ofDonor("D"));
        }
    }

    @RepeatedTest(10)
    @DisplayName("scatter and its ellipse agree with Hipparchus' covariance and eigenvalues")
    void theEllipseAgreesWithAnIndependentLibrary(RepetitionInfo repetition) {
        SplittableRandom random = new SplittableRandom(repetition.getCurrentRepetition());
        double[][] values = new double[30][2];
        List<Scatter.Pair> pairs = new ArrayList<>();
        for (double[] value : values) {
            value[0] = 2100 + 150 * random.nextGaussian();
            value[1] = 60 - 0.02 * (value[0] - 2100) + 4 * random.nextGaussian();
            pairs.add(new Scatter.Pair(value[0], value[1]));
        }
        Scatter scatter = Scatter.of(pairs);
        double[][] covariance = new Covariance(values).getCovarianceMatrix().getData();
        assertEquals(covariance[0][0], scatter.varianceX(), 1e-6);
        assertEquals(covariance[0][1], scatter.covariance(), 1e-6);
        double scaleX = 0.4;
        double scaleY = -5;
        double[][] scaled = {
            {covariance[0][0] * scaleX * scaleX, covariance[0][1] * scaleX * scaleY},
            {covariance[1][0] * scaleX * scaleY, covariance[1][1] * scaleY * scaleY}
        };
        double[] eigenvalues =
                new EigenDecompositionSymmetric(new Array2DRowRealMatrix(scaled)).getEigenvalues();
        Scatter.Ellipse ellipse = scatter.ellipse(scaleX, scaleY);
        assertEquals(Math.sqrt(Math.max(eigenvalues[0], eigenvalues[1])), ellipse.major(), 1e-6);
        assertEquals(Math.sqrt(Math.min(eigenvalues[0], eigenvalues[1])), ellipse.minor(), 1e-6);
        // the longer axis is an eigenvector: turning by its angle leaves no covariance
        double angle = Math.toRadians(ellipse.degrees());
        double along =
                scaled[0][0] * Math.cos(angle) * Math.cos(angle)
                        + 2 * scaled[0][1] * Math.cos(angle) * Math.sin(angle)
                        + scaled[1][1] * Math.sin(angle) * Math.sin(angle);
        assertEquals(ellipse.major() * ellipse.major(), along, 1e-6 * along);
    }

    @Test
    void aLineHasNoWidthAndAPointNoSize() {
        Scatter line =
                Scatter.of(
                        List.of(
                                new Scatter.Pair(0, 0),
                                new Scatter.Pair(1, 1),
                                new Scatter.Pair(2, 2)));
        assertEquals(0, line.ellipse(1, 1).minor(), 1e-9);
        assertEquals(45, line.ellipse(1, 1).degrees(), 1e-9);
        Scatter point = Scatter.of(List.of(new Scatter.Pair(3, 4)));
        assertEquals(0, point.ellipse(1, 1).major(), 1e-9);
        assertTrue(Double.isNaN(Scatter.of(List.of()).meanX()));
    }
}
