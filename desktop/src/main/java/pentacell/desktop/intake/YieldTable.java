package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import pentacell.core.donor.Donor;
import pentacell.core.donor.Donors;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.Standing;
import pentacell.desktop.kit.FittedTable;

/// The running yield: how many cells of each donor were logged, are fit, wait, are out.
final class YieldTable {
    private YieldTable() {}

    /// The yield of one donor.
    record Yield(Donor donor, int cells, int fit, int waiting, int out) {}

    static FittedTable<Yield> create() {
        return new FittedTable<Yield>("yield", "No donor yet: Add donor begins one.")
                .column("Donor", yield -> yield.donor().code())
                .count("Cells", Yield::cells)
                .count("Fit", Yield::fit)
                .count("Wait", Yield::waiting)
                .count("Out", Yield::out);
    }

    static List<Yield> of(WorkshopState state, JudgedStock judged) {
        List<Yield> yields = new ArrayList<>();
        for (Donor donor : Donors.of(state).described().values()) {
            int fit = 0;
            int waiting = 0;
            int out = 0;
            for (Map.Entry<Standing, Integer> each : judged.ofDonor(donor.code()).entrySet()) {
                switch (each.getKey()) {
                    case FIT, RESCUED -> fit += each.getValue();
                    case UNKNOWN, UNDER_TEST -> waiting += each.getValue();
                    case OUT -> out += each.getValue();
                }
            }
            yields.add(new Yield(donor, fit + waiting + out, fit, waiting, out));
        }
        return yields;
    }
}
