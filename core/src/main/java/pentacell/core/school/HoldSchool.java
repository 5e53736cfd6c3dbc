package pentacell.core.school;

import java.util.List;

/// A school of hold tests: how long a full cell lies to show its self-discharge, and what it may
/// lose.
///
/// @param name name of the school
/// @param days how long a cell lies
/// @param rescuedDays how long a rescued one lies
/// @param relaxHours wait after the charge before the first reading counts, in h
/// @param fineMillivoltsAWeek up to this loss it is fine, in mV a week
/// @param outMillivolts over this loss it is out, in mV
/// @param places how many cells the hold shelf has room for
public record HoldSchool(
        String name,
        int days,
        int rescuedDays,
        double relaxHours,
        double fineMillivoltsAWeek,
        double outMillivolts,
        int places) {
    /// A few days: finds only the bad ones (common practice).
    public static final HoldSchool QUICK =
            new HoldSchool("quick look, 3 days", 3, 21, 6, 30, 100, 120);

    /// A week (default: long enough to tell 30 mV from the meter, short enough to be done; common
    /// practice).
    public static final HoldSchool WEEK = new HoldSchool("one week", 7, 21, 12, 30, 100, 120);

    /// Three weeks, for packs that must last (common practice: two to four).
    public static final HoldSchool LONG = new HoldSchool("three weeks", 21, 28, 24, 20, 100, 120);

    /// The schools that come with the program.
    public static final List<HoldSchool> SHIPPED = List.of(WEEK, QUICK, LONG);

    public HoldSchool {
        boolean fine =
                days >= 1
                        && days <= 365
                        && rescuedDays >= days
                        && rescuedDays <= 365
                        && relaxHours >= 0
                        && relaxHours <= 24 * days
                        && fineMillivoltsAWeek > 0
                        && outMillivolts > fineMillivoltsAWeek
                        && places >= 1
                        && places <= 100_000;
        if (!fine)
            throw new IllegalArgumentException(
                    "a figure of the school \"" + name + "\" is out of range");
    }
}
