package pentacell.workshop.exchange;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.Candidate;

/// A good line of a cell table.
///
/// @param line where it stands in the file, from 1
/// @param location as written, empty when there is none
/// @param count cans in it; capacity and resistance are of them all
public record CellRow(
        long line,
        CellId id,
        OptionalDouble volts,
        OptionalDouble milliohms,
        OptionalDouble milliampHours,
        OptionalDouble ratedMilliampHours,
        Optional<String> model,
        Optional<String> donor,
        Optional<Chemistry> chemistry,
        Optional<CellFormat> format,
        String location,
        int count) {

    /// The cell as the matcher takes it; empty when it has no capacity.
    public Optional<Candidate> candidate() {
        return milliampHours.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        new Candidate(
                                id,
                                milliampHours.getAsDouble(),
                                milliohms,
                                model.orElse(""),
                                donor.orElse(""),
                                chemistry,
                                format,
                                ratedMilliampHours,
                                location,
                                false,
                                count));
    }
}
