package pentacell.core.build;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;

/// One cell to fetch.
///
/// @param cell the cell
/// @param place where it lies, when known
/// @param group its group, from 1
/// @param position its position in the group, from 1
/// @param milliampHours its capacity in mAh
/// @param milliohms its resistance in mΩ
/// @param taken whether it is in the hand already
public record PickLine(
        CellId cell,
        Optional<Place> place,
        int group,
        int position,
        OptionalDouble milliampHours,
        OptionalDouble milliohms,
        boolean taken) {}
