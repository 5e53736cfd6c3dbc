package pentacell.core.school;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.unit.Limit;

/// A school of capacity tests: the conditions a workshop calls standard, so that its numbers can be
/// compared.
///
/// @param name name of the school
/// @param amps discharge current in A; empty when it goes by the rating
/// @param ratingShare discharge current as a share of the rated capacity an hour (0.2 is 0.2 C);
///   empty when it is fixed
/// @param endVolts voltage a 4.2 V class cell is discharged to, in V
/// @param lfpEndVolts voltage an LFP cell is discharged to, in V
/// @param cutoffAmps current the charge ends at, in A
/// @param restMinutes rest after the charge, in min
/// @param celsius temperature it is meant for, in °C
public record TestSchool(
        String name,
        OptionalDouble amps,
        OptionalDouble ratingShare,
        double endVolts,
        double lfpEndVolts,
        double cutoffAmps,
        double restMinutes,
        double celsius) {
    /// One ampere to 3.0 V (default: it is quick, and what most builders' numbers mean; common
    /// practice).
    public static final TestSchool BENCH_LOAD =
            new TestSchool(
                    "bench load, 1 A",
                    OptionalDouble.of(1),
                    OptionalDouble.empty(),
                    3.0,
                    2.5,
                    0.05,
                    15,
                    25);

    /// Half an ampere to 2.8 V, as chargers with a test of their own do (common practice).
    public static final TestSchool GENTLE =
            new TestSchool(
                    "gentle, 0.5 A",
                    OptionalDouble.of(0.5),
                    OptionalDouble.empty(),
                    2.8,
                    2.3,
                    0.05,
                    15,
                    25);

    /// 0.2 C to the data sheet's end voltage, comparable with the rating (IEC 61960-3, from
    /// memory).
    public static final TestSchool RATING =
            new TestSchool(
                    "as the rating, 0.2 C",
                    OptionalDouble.empty(),
                    OptionalDouble.of(0.2),
                    2.5,
                    2.0,
                    0.05,
                    60,
                    25);

    /// The schools that come with the program, the default first.
    public static final List<TestSchool> SHIPPED = List.of(BENCH_LOAD, GENTLE, RATING);

    public TestSchool {
        boolean fine =
                amps.isPresent() != ratingShare.isPresent()
                        && amps.orElse(1) > 0
                        && amps.orElse(1) < 100
                        && ratingShare.orElse(1) > 0
                        && ratingShare.orElse(1) <= 10
                        && endVolts > 0
                        && endVolts < 4
                        && lfpEndVolts > 0
                        && lfpEndVolts < 4
                        && cutoffAmps > 0
                        && cutoffAmps < 10
                        && restMinutes >= 0
                        && restMinutes <= 1440
                        && Limit.TEMPERATURE.holds(celsius);
        if (!fine)
            throw new IllegalArgumentException(
                    "a figure of the school \"" + name + "\" is out of range");
    }

    /// The same school at another rate and to another end, where they are known.
    public TestSchool at(OptionalDouble otherAmps, OptionalDouble otherEndVolts) {
        return new TestSchool(
                name,
                otherAmps.isPresent() ? otherAmps : amps,
                otherAmps.isPresent() ? OptionalDouble.empty() : ratingShare,
                otherEndVolts.orElse(endVolts),
                otherEndVolts.orElse(lfpEndVolts),
                cutoffAmps,
                restMinutes,
                celsius);
    }

    /// Discharge current in A for a cell of a rating in mAh; without a rating, 2 Ah are taken.
    public double dischargeAmps(OptionalDouble ratedMilliampHours) {
        return amps.orElseGet(
                () -> ratingShare.orElse(0.2) * ratedMilliampHours.orElse(2000) / 1000);
    }

    /// End voltage in V for a cell: never under what its model may be discharged to.
    public double endVolts(Chemistry chemistry, Optional<CellModel> model) {
        return Math.max(
                endVolts(chemistry), model.map(each -> each.limits().endVolts()).orElse(0.0));
    }

    /// End voltage in V of a chemistry.
    public double endVolts(Chemistry chemistry) {
        return switch (chemistry) {
            case NMC -> endVolts;
            case LFP -> lfpEndVolts;
        };
    }
}
