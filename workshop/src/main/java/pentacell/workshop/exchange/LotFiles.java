package pentacell.workshop.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.Candidate;
import pentacell.core.unit.NumberText;

/// A lot of matchable cells as CSV, the table that the `match` command reads.
public final class LotFiles {
    private LotFiles() {}

    /// `cell_id,capacity_mah,ir_mohm,model,donor,chemistry,rated_mah,location`.
    public static String csv(List<Candidate> cells) {
        List<List<String>> lines = new ArrayList<>();
        for (Candidate cell : cells)
            lines.add(
                    List.of(
                            cell.id().text(),
                            number(OptionalDouble.of(cell.milliampHours())),
                            number(cell.milliohms()),
                            cell.model(),
                            cell.donor(),
                            cell.chemistry().map(Chemistry::code).orElse(""),
                            number(cell.ratedMilliampHours()),
                            cell.location()));
        return SafeCsv.text(
                List.of(
                        "cell_id",
                        "capacity_mah",
                        "ir_mohm",
                        "model",
                        "donor",
                        "chemistry",
                        "rated_mah",
                        "location"),
                lines);
    }

    /// A measured number as short as it is.
    static String number(OptionalDouble value) {
        return value.isPresent() ? NumberText.plain(value.getAsDouble()) : "";
    }
}
