package pentacell.reports;

import java.util.OptionalDouble;

/// What stands on the label of a cell.
///
/// @param id its identity, in letters and as a QR code
/// @param donor code of its donor, may be empty
/// @param volts first voltage in V
/// @param milliampHours capacity in mAh
/// @param milliohms resistance in mΩ
/// @param date the day it is printed, in words
public record CellLabel(
        String id,
        String donor,
        OptionalDouble volts,
        OptionalDouble milliampHours,
        OptionalDouble milliohms,
        String date) {}
