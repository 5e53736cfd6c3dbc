package pentacell.reports;

import java.util.OptionalDouble;
import pentacell.core.cell.CellRecord;

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
        String date) {
    /// The label of a cell as it was read and measured.
    public static CellLabel of(CellRecord cell, String date) {
        return new CellLabel(
                cell.id().text(),
                cell.donor().orElse(""),
                cell.firstVolts(),
                cell.milliampHours(),
                cell.milliohms(),
                date);
    }
}
