package pentacell.core.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import pentacell.core.cell.CellFormat;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Packing;

/// Cans in a box: every sequence of rows tried, and what must hold of any arrangement.
final class BoxFitTest {
    private static final CellFormat CAN = CellFormat.parse("18650").orElseThrow();
    private static final double PITCH = 20;
    private static final double TALL = 69;

    /// Most cans on a floor by trying each next row square and nested.
    private static int bySearch(double rowLength, double width, boolean isShifted) {
        if (width < PITCH - 1e-9) return 0;
        return inRow(rowLength, isShifted)
                + Math.max(
                        rest(rowLength, width - PITCH, PITCH, isShifted),
                        rest(rowLength, width - PITCH, PITCH * Math.sqrt(3) / 2, !isShifted));
    }

    /// @param left of the width beyond the row before
    private static int rest(double rowLength, double left, double step, boolean isShifted) {
        if (left < step - 1e-9) return 0;
        return inRow(rowLength, isShifted)
                + Math.max(
                        rest(rowLength, left - step, PITCH, isShifted),
                        rest(rowLength, left - step, PITCH * Math.sqrt(3) / 2, !isShifted));
    }

    private static int inRow(double rowLength, boolean isShifted) {
        return (int) Math.floor((rowLength - (isShifted ? PITCH / 2 : 0)) / PITCH + 1e-9);
    }

    private static int floor(double length, double width) {
        return Math.max(
                Math.max(bySearch(length, width, false), bySearch(length, width, true)),
                Math.max(bySearch(width, length, false), bySearch(width, length, true)));
    }

    @RepeatedTest(60)
    @DisplayName("judge: every sequence of square and nested rows, on small boxes")
    void noSequenceOfRowsHoldsMore(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        double a = 30 + 170 * random.nextDouble();
        double b = 30 + 170 * random.nextDouble();
        double c = 60 + 90 * random.nextDouble();
        int searched =
                Math.max(
                        ((int) (c / TALL)) * floor(a, b),
                        Math.max(
                                ((int) (b / TALL)) * floor(a, c),
                                ((int) (a / TALL)) * floor(b, c)));
        assertEquals(searched, BoxFit.most(CAN, new Box(a + 4, b + 4, c + 4), Packing.USUAL));
    }

    @RepeatedTest(40)
    void cansLieInsideAndNeverInEachOther(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Box box =
                new Box(
                        80 + random.nextInt(400),
                        80 + random.nextInt(300),
                        80 + random.nextInt(200));
        int cells = 1 + random.nextInt(120);
        BoxFit fit = BoxFit.of(CAN, box, Packing.USUAL, cells);
        assertEquals(Math.min(cells, fit.most()), fit.spots().stream().mapToInt(List::size).sum());
        assertEquals(fit.most() >= cells, fit.fits());
        double along =
                fit.axis() == BoxFit.Axis.LENGTH ? box.widthMillimetres() : box.lengthMillimetres();
        double across =
                fit.axis() == BoxFit.Axis.HEIGHT ? box.widthMillimetres() : box.heightMillimetres();
        for (List<BoxFit.Spot> layer : fit.spots())
            for (int i = 0; i < layer.size(); i++) {
                BoxFit.Spot spot = layer.get(i);
                assertTrue(spot.along() - 9 >= 2 && spot.along() + 9 <= along - 2, spot.toString());
                assertTrue(spot.across() - 9 >= 2 && spot.across() + 9 <= across - 2);
                for (BoxFit.Spot other : layer.subList(i + 1, layer.size()))
                    assertTrue(
                            Math.hypot(spot.along() - other.along(), spot.across() - other.across())
                                    >= PITCH - 1e-6);
            }
    }

    @RepeatedTest(20)
    void theSideThatIsTooShortIsNamedAndThenTheyGoIn(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Box box = new Box(60 + random.nextInt(60), 60 + random.nextInt(60), 75);
        BoxFit fit = BoxFit.of(CAN, box, Packing.USUAL, 40);
        BoxFit.Over over = fit.over().orElseThrow();
        double by = over.millimetres();
        Box grown =
                new Box(
                        box.lengthMillimetres() + (over.side() == BoxFit.Axis.LENGTH ? by : 0),
                        box.widthMillimetres() + (over.side() == BoxFit.Axis.WIDTH ? by : 0),
                        box.heightMillimetres() + (over.side() == BoxFit.Axis.HEIGHT ? by : 0));
        assertTrue(BoxFit.of(CAN, grown, Packing.USUAL, 40).fits());
    }

    @Test
    void squareRowsAreTakenWhereTheyDo() {
        Box box = new Box(10 * PITCH + 4, 12 * PITCH + 4, 73);
        assertEquals(BoxFit.Pattern.SQUARE, BoxFit.of(CAN, box, Packing.USUAL, 100).pattern());
        assertEquals(1, BoxFit.of(CAN, box, Packing.USUAL, 100).layers());
    }

    @Test
    void whatIsKeptForTheBoardIsNotForCans() {
        Box box = new Box(10 * PITCH + 4, 2 * PITCH + 4, 73);
        assertEquals(20, BoxFit.most(CAN, box, Packing.USUAL));
        assertEquals(16, BoxFit.most(CAN, box, new Packing(1.5, 2, 2, 2 * PITCH)));
    }
}
