package pentacell.core.school;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;

/// Which figures a school may have: the last that is taken and the first that is not.
final class SchoolFiguresTest {

    private static RepairSchool repair(int figure, double value) {
        double[] f = {0.3, 1.0, 0.2, 0.1, 24, 0.03};
        f[figure] = value;
        return new RepairSchool(
                "ours", RepairSchool.Way.REPAIR, f[0], f[1], f[2], f[3], f[4], f[5]);
    }

    @ParameterizedTest(name = "figure {0}: {1} is taken, {2} is not")
    @CsvSource({
        "0, 0.001, 0",
        "0, 1.999, 2",
        "1, 0.001, 0",
        "1, 1.999, 2",
        "2, 0, -0.001",
        "2, 0.999, 1",
        "3, 0.001, 0",
        "3, 1, 1.001",
        "4, 0.1, 0",
        "4, 1000, 1001",
        "5, 0.001, 0",
        "5, 0.999, 1"
    })
    void aSchoolOfRepairHasFiguresThatCanBe(int figure, double taken, double not) {
        RepairSchool school = repair(figure, taken);
        double[] figures = {
            school.lowGroupVolts(),
            school.deadVolts(),
            school.setPointUnderLimitVolts(),
            school.chargeShare(),
            school.restHours(),
            school.passDropVolts()
        };
        assertEquals(taken, figures[figure]);
        refused("ours", () -> repair(figure, not));
        refused("ours", () -> repair(figure, Double.NaN));
    }

    private static TestSchool test(int figure, double value) {
        double[] f = {1, 3.0, 2.5, 0.05, 15, 25};
        f[figure] = value;
        return new TestSchool(
                "ours",
                OptionalDouble.of(f[0]),
                OptionalDouble.empty(),
                f[1],
                f[2],
                f[3],
                f[4],
                f[5]);
    }

    @ParameterizedTest(name = "figure {0}: {1} is taken, {2} is not")
    @CsvSource({
        "0, 0.001, 0",
        "0, 99.9, 100",
        "1, 0.001, 0",
        "1, 3.999, 4",
        "2, 0.001, 0",
        "2, 3.999, 4",
        "3, 0.001, 0",
        "3, 9.99, 10",
        "4, 0, -1",
        "4, 1440, 1441",
        "5, 79, 80"
    })
    void aSchoolOfTestsHasFiguresThatCanBe(int figure, double taken, double not) {
        TestSchool school = test(figure, taken);
        double[] figures = {
            school.amps().orElseThrow(),
            school.endVolts(),
            school.lfpEndVolts(),
            school.cutoffAmps(),
            school.restMinutes(),
            school.celsius()
        };
        assertEquals(taken, figures[figure]);
        refused("ours", () -> test(figure, not));
    }

    private static TestSchool byRating(OptionalDouble amps, OptionalDouble share) {
        return new TestSchool("ours", amps, share, 3.0, 2.5, 0.05, 15, 25);
    }

    @Test
    void aTestGoesByOneCurrentOrByTheRatingNeverByBothOrNeither() {
        refused("ours", () -> byRating(OptionalDouble.of(1), OptionalDouble.of(0.2)));
        refused("ours", () -> byRating(OptionalDouble.empty(), OptionalDouble.empty()));
        refused("ours", () -> byRating(OptionalDouble.empty(), OptionalDouble.of(0)));
        refused("ours", () -> byRating(OptionalDouble.empty(), OptionalDouble.of(10.1)));
        TestSchool school = byRating(OptionalDouble.empty(), OptionalDouble.of(10));
        assertEquals(26, school.dischargeAmps(OptionalDouble.of(2600)), 1e-12);
        // 2 Ah are taken where no rating is known
        assertEquals(20, school.dischargeAmps(OptionalDouble.empty()), 1e-12);
        assertEquals(1, TestSchool.BENCH_LOAD.dischargeAmps(OptionalDouble.of(2600)));
    }

    @Test
    void anotherRateOrEndTakesThePlaceOfTheSchoolsOwn() {
        TestSchool rating = TestSchool.RATING;
        TestSchool same = rating.at(OptionalDouble.empty(), OptionalDouble.empty());
        assertEquals(rating, same);
        TestSchool other = rating.at(OptionalDouble.of(0.7), OptionalDouble.of(2.9));
        assertEquals(0.7, other.dischargeAmps(OptionalDouble.of(2600)));
        assertEquals(2.9, other.endVolts(Chemistry.NMC));
        assertEquals(2.9, other.endVolts(Chemistry.LFP));
        assertEquals(2.5, rating.endVolts(Chemistry.NMC));
        assertEquals(2.0, rating.endVolts(Chemistry.LFP));
    }

    @Test
    void noCellIsDischargedUnderWhatItsModelBears() {
        CellModel bearsLittle =
                new CellModel(
                        "Tarn T22",
                        CellFormat.parse("18650").orElseThrow(),
                        Chemistry.NMC,
                        2200,
                        2200,
                        new CellLimits(4.2, 3.0, 1, 2));
        assertEquals(
                3.0, TestSchool.RATING.endVolts(Chemistry.NMC, Optional.of(bearsLittle)), 1e-12);
        assertEquals(2.5, TestSchool.RATING.endVolts(Chemistry.NMC, Optional.empty()), 1e-12);
    }

    private static HoldSchool hold(int figure, double value) {
        double[] f = {7, 21, 12, 30, 100, 120};
        f[figure] = value;
        return new HoldSchool("ours", (int) f[0], (int) f[1], f[2], f[3], f[4], (int) f[5]);
    }

    @ParameterizedTest(name = "figure {0}: {1} is taken, {2} is not")
    @CsvSource({
        "0, 1, 0",
        "0, 21, 22",
        "1, 7, 6",
        "1, 365, 366",
        "2, 0, -1",
        "2, 168, 169",
        "3, 0.001, 0",
        "3, 99.9, 100",
        "4, 30.1, 30",
        "5, 1, 0",
        "5, 100000, 100001"
    })
    void aSchoolOfHoldTestsHasFiguresThatCanBe(int figure, double taken, double not) {
        HoldSchool school = hold(figure, taken);
        double[] figures = {
            school.days(),
            school.rescuedDays(),
            school.relaxHours(),
            school.fineMillivoltsAWeek(),
            school.outMillivolts(),
            school.places()
        };
        assertEquals(taken, figures[figure]);
        refused("ours", () -> hold(figure, not));
    }

    @Test
    void aHoldOfAYearIsTheLongest() {
        assertEquals(365, new HoldSchool("ours", 365, 365, 12, 30, 100, 120).days());
        refused("ours", () -> new HoldSchool("ours", 366, 366, 12, 30, 100, 120));
    }

    private static void refused(String name, Runnable making) {
        IllegalArgumentException refusal =
                assertThrows(IllegalArgumentException.class, making::run);
        assertTrue(
                String.valueOf(refusal.getMessage()).contains(name),
                () -> "it names the school: " + refusal.getMessage());
    }
}
