package pentacell.instruments.simulated;

import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.state.WorkshopState;

/// The virtual cells that stand-ins find in their slots: by its id each has a truth of its own,
/// always the same, that fits what was read of it. A few of them are heaters.
public final class StandInCells implements Function<String, VirtualCell> {
    private static final int HEATERS_ONE_IN = 16;
    private static final double AC_TO_DC = 1 / 0.85;

    private final Supplier<WorkshopState> state;
    private final Map<String, VirtualCell> cells = new ConcurrentHashMap<>();

    /// @param state what is known of the cells
    public StandInCells(Supplier<WorkshopState> state) {
        this.state = state;
    }

    @Override
    public VirtualCell apply(String id) {
        return cells.computeIfAbsent(id, name -> new VirtualCell(truth(name)));
    }

    private CellTruth truth(String name) {
        WorkshopState now = state.get();
        Optional<CellRecord> cell =
                Cells.of(now).all().values().stream()
                        .filter(each -> each.id().text().equals(name))
                        .findFirst();
        return truth(name, cell, cell.flatMap(Catalogue.of(now)::modelOf));
    }

    /// The truth behind an id.
    public static CellTruth truth(
            String name, Optional<CellRecord> cell, Optional<CellModel> model) {
        Random random = new Random(name.hashCode());
        Chemistry chemistry = CellModel.chemistryOf(model);
        double rated = model.map(CellModel::ratedMinimumMilliampHours).orElse(2200.0);
        double health = 0.72 + 0.24 * random.nextDouble();
        double ohms = 0.045 + 0.045 * random.nextDouble();
        double volts =
                cell.flatMap(each -> each.volts().stream().boxed().findFirst())
                        .orElse(chemistry.nominalVolts());
        double readOhms =
                cell.flatMap(each -> each.acMilliohms().stream().boxed().findFirst())
                        .map(milliohms -> milliohms / 1000 * AC_TO_DC)
                        .orElse(ohms);
        double capacity =
                cell.flatMap(each -> each.milliampHours().stream().boxed().findFirst())
                        .orElse(rated * health);
        CellTruth sound =
                CellTruth.sound(
                        chemistry, capacity, readOhms, RestCurve.of(chemistry).share(volts));
        return isHeater(name) ? sound.asHeater() : sound;
    }

    /// Whether the cell behind an id is a heater.
    public static boolean isHeater(String name) {
        return Math.floorMod(new CellId(name).text().hashCode(), HEATERS_ONE_IN) == 7;
    }
}
