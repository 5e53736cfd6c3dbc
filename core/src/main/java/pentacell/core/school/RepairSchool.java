package pentacell.core.school;

/// A school of what to do with a pack that has a low group, and the figures a diagnosis goes by.
///
/// @param name name of the school
/// @param way what it does first
/// @param lowGroupVolts how far under the others a group is called low, in V
/// @param deadVolts under this a group is dead, in V
/// @param setPointUnderLimitVolts how far under the charge limit the bench supply is set, in V
/// @param chargeShare current limit as a share of the group's capacity (0.1 is 0.1 C)
/// @param restHours wait before the groups are read again, in h
/// @param passDropVolts what a group may lose in that time, in V
public record RepairSchool(
        String name,
        Way way,
        double lowGroupVolts,
        double deadVolts,
        double setPointUnderLimitVolts,
        double chargeShare,
        double restHours,
        double passDropVolts) {
    /// Bring the low group up and see whether it holds: a pack that needs no opening costs nothing
    /// (default; figures by common practice).
    public static final RepairSchool REPAIR_FIRST =
            new RepairSchool("repair first", Way.REPAIR, 0.3, 1.0, 0.2, 0.1, 24, 0.03);

    /// Take it apart: a group that fell once tends to fall again (common practice).
    public static final RepairSchool HARVEST_ALWAYS =
            new RepairSchool("harvest always", Way.HARVEST, 0.3, 1.0, 0.2, 0.1, 24, 0.03);

    public RepairSchool {
        boolean fine =
                lowGroupVolts > 0
                        && lowGroupVolts < 2
                        && deadVolts > 0
                        && deadVolts < 2
                        && setPointUnderLimitVolts >= 0
                        && setPointUnderLimitVolts < 1
                        && chargeShare > 0
                        && chargeShare <= 1
                        && restHours > 0
                        && restHours <= 1000
                        && passDropVolts > 0
                        && passDropVolts < 1;
        if (!fine)
            throw new IllegalArgumentException(
                    "a figure of the school \"" + name + "\" is out of range");
    }

    /// What a school does first.
    public enum Way {
        REPAIR,
        HARVEST
    }
}
