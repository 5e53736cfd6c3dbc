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

    /// A kind of school with usual figures.
    enum Kind {
        REPAIR {
            @Override
            double[] usual() {
                return new double[] {0.3, 1.0, 0.2, 0.1, 24, 0.03};
            }

            @Override
            double[] made(double[] f) {
                RepairSchool made =
                        new RepairSchool(
                                "ours",
                                RepairSchool.Way.REPAIR,
                                f[0],
                                f[1],
                                f[2],
                                f[3],
                                f[4],
                                f[5]);
                return new double[] {
                    made.lowGroupVolts(),
                    made.deadVolts(),
                    made.setPointUnderLimitVolts(),
                    made.chargeShare(),
                    made.restHours(),
                    made.passDropVolts()
                };
            }
        },
        TEST {
            @Override
            double[] usual() {
                return new double[] {1, 3.0, 2.5, 0.05, 15, 25};
            }

            @Override
            double[] made(double[] f) {
                TestSchool made =
                        new TestSchool(
                                "ours",
                                OptionalDouble.of(f[0]),
                                OptionalDouble.empty(),
                                f[1],
                                f[2],
                                f[3],
                                f[4],
                                f[5]);
                return new double[] {
                    made.amps().orElseThrow(),
                    made.endVolts(),
                    made.lfpEndVolts(),
                    made.cutoffAmps(),
                    made.restMinutes(),
                    made.celsius()
                };
            }
        },
        HOLD {
            @Override
            double[] usual() {
                return new double[] {7, 21, 12, 30, 100, 120};
            }

            @Override
            double[] made(double[] f) {
                HoldSchool made =
                        new HoldSchool(
                                "ours", (int) f[0], (int) f[1], f[2], f[3], f[4], (int) f[5]);
                return new double[] {
                    made.days(),
                    made.rescuedDays(),
                    made.relaxHours(),
                    made.fineMillivoltsAWeek(),
                    made.outMillivolts(),
                    made.places()
                };
            }
        };

        abstract double[] usual();

        /// The figures of a school that was made of such figures.
        abstract double[] made(double[] figures);

        double[] with(int figure, double value) {
            double[] figures = usual();
            figures[figure] = value;
            return made(figures);
        }
    }

    @ParameterizedTest(name = "{0}, figure {1}: {2} is taken, {3} is not")
    @CsvSource({
        "REPAIR, 0, 0.001, 0",
        "REPAIR, 0, 1.999, 2",
        "REPAIR, 1, 0.001, 0",
        "REPAIR, 1, 1.999, 2",
        "REPAIR, 2, 0, -0.001",
        "REPAIR, 2, 0.999, 1",
        "REPAIR, 3, 0.001, 0",
        "REPAIR, 3, 1, 1.001",
        "REPAIR, 4, 0.1, 0",
        "REPAIR, 4, 1000, 1001",
        "REPAIR, 5, 0.001, 0",
        "REPAIR, 5, 0.999, 1",
        "TEST, 0, 0.001, 0",
        "TEST, 0, 99.9, 100",
        "TEST, 1, 0.001, 0",
        "TEST, 1, 3.999, 4",
        "TEST, 2, 0.001, 0",
        "TEST, 2, 3.999, 4",
        "TEST, 3, 0.001, 0",
        "TEST, 3, 9.99, 10",
        "TEST, 4, 0, -1",
        "TEST, 4, 1440, 1441",
        "TEST, 5, 79, 80",
        "HOLD, 0, 1, 0",
        "HOLD, 0, 21, 22",
        "HOLD, 1, 7, 6",
        "HOLD, 1, 365, 366",
        "HOLD, 2, 0, -1",
        "HOLD, 2, 168, 169",
        "HOLD, 3, 0.001, 0",
        "HOLD, 3, 99.9, 100",
        "HOLD, 4, 30.1, 30",
        "HOLD, 5, 1, 0",
        "HOLD, 5, 100000, 100001"
    })
    void aSchoolHasFiguresThatCanBe(Kind kind, int figure, double taken, double not) {
        assertEquals(taken, kind.with(figure, taken)[figure]);
        refused("ours", () -> kind.with(figure, not));
    }

    @ParameterizedTest
    @CsvSource({"0", "1", "2", "3", "4", "5"})
    void noFigureOfARepairIsNoNumber(int figure) {
        refused("ours", () -> Kind.REPAIR.with(figure, Double.NaN));
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
