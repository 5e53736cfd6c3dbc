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

    /// `cell_id,capacity_mah,ir_mohm,model,donor,chemistry,rated_mah,location`, and `count` when
    /// there are units.
    public static String csv(List<Candidate> cells) {
        boolean hasUnits = cells.stream().anyMatch(cell -> cell.count() > 1);
        List<List<String>> lines = new ArrayList<>();
        for (Candidate cell : cells)
            lines.add(
                    columns(
                            hasUnits,
                            String.valueOf(cell.count()),
                            cell.id().text(),
                            number(OptionalDouble.of(cell.milliampHours())),
                            number(cell.milliohms()),
                            cell.model(),
                            cell.donor(),
                            cell.chemistry().map(Chemistry::code).orElse(""),
                            number(cell.ratedMilliampHours()),
                            cell.location()));
        return SafeCsv.text(
                columns(
                        hasUnits,
                        "count",
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

    private static List<String> columns(boolean hasUnits, String count, String... others) {
        List<String> columns = new ArrayList<>(List.of(others));
        if (hasUnits) columns.add(count);
        return columns;
    }

    /// A measured number as short as it is.
    static String number(OptionalDouble value) {
        return value.isPresent() ? NumberText.plain(value.getAsDouble()) : "";
    }
}
