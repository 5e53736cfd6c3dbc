package pentacell.workshop.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.Candidate;
import pentacell.core.unit.NumberText;

/// A lot of matchable cells as CSV, the table that the `match` command reads.
public final class LotFiles {
    private LotFiles() {}

    /// `cell_id,capacity_mah,ir_mohm,model,donor,chemistry,rated_mah,location`, and with them
    /// `format` when a size is known and `count` when there are units.
    public static String csv(List<Candidate> cells) {
        boolean hasUnits = cells.stream().anyMatch(cell -> cell.count() > 1);
        boolean hasSizes = cells.stream().anyMatch(cell -> cell.format().isPresent());
        List<List<String>> lines = new ArrayList<>();
        for (Candidate cell : cells)
            lines.add(
                    columns(
                            hasSizes
                                    ? Optional.of(cell.format().map(CellFormat::code).orElse(""))
                                    : Optional.empty(),
                            hasUnits ? Optional.of(String.valueOf(cell.count())) : Optional.empty(),
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
                        hasSizes ? Optional.of("format") : Optional.empty(),
                        hasUnits ? Optional.of("count") : Optional.empty(),
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

    private static List<String> columns(
            Optional<String> format, Optional<String> count, String... others) {
        List<String> columns = new ArrayList<>(List.of(others));
        format.ifPresent(columns::add);
        count.ifPresent(columns::add);
        return columns;
    }

    /// A measured number as short as it is.
    static String number(OptionalDouble value) {
        return value.isPresent() ? NumberText.plain(value.getAsDouble()) : "";
    }
}
