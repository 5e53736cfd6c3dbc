package pentacell.workshop.exchange;

import java.util.List;
import pentacell.core.build.PickLine;

/// A pick walk as CSV.
public final class PickFiles {
    private PickFiles() {}

    /// `order,location,cell_id,group,position,capacity_mah,ir_mohm,taken`, in the order of the
    /// walk.
    public static String csv(List<PickLine> walk) {
        List<List<String>> lines = new java.util.ArrayList<>();
        for (PickLine line : walk)
            lines.add(
                    List.of(
                            String.valueOf(lines.size() + 1),
                            line.place().map(Object::toString).orElse(""),
                            line.cell().text(),
                            String.valueOf(line.group()),
                            String.valueOf(line.position()),
                            LotFiles.number(line.milliampHours()),
                            LotFiles.number(line.milliohms()),
                            line.taken() ? "yes" : "no"));
        return SafeCsv.text(
                List.of(
                        "order",
                        "location",
                        "cell_id",
                        "group",
                        "position",
                        "capacity_mah",
                        "ir_mohm",
                        "taken"),
                lines);
    }
}
