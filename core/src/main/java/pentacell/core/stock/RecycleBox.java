package pentacell.core.stock;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.judgement.Judged;
import pentacell.core.judgement.Reason;
import pentacell.core.school.Grading;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

/// The cells that are to be handed in, and what they weigh.
///
/// @param items the cells, in the order they were logged
public record RecycleBox(List<Item> items) {
    public RecycleBox {
        items = List.copyOf(items);
    }

    /// A cell in the box.
    ///
    /// @param chemistry its chemistry family, when its model is known
    /// @param grams about what it weighs, by the volume of its can; an 18650's where the model is
    ///   not known
    /// @param damage whether its can is damaged: such cells travel by special rules
    /// @param reason why it is out
    public record Item(
            CellRecord cell,
            Optional<Chemistry> chemistry,
            double grams,
            Damage damage,
            Reason reason) {}

    /// Whether a can is sound.
    public enum Damage {
        SOUND,
        DAMAGED
    }

    private static final double UNKNOWN_GRAMS = 46;

    /// What is in the box of a workshop.
    public static RecycleBox of(WorkshopState state) {
        List<Item> items = new ArrayList<>();
        for (CellRecord cell : Cells.of(state).all().values()) {
            if (cell.handedOver().isPresent()) continue;
            Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
            Judged<Standing> judged =
                    Grader.judge(cell, model, Schools.of(state), Grading.of(state).policy());
            if (judged.verdict() != Standing.OUT) continue;
            boolean damaged = cell.blemishes().stream().anyMatch(each -> each.work().isEmpty());
            items.add(
                    new Item(
                            cell,
                            model.map(CellModel::chemistry),
                            model.map(known -> known.format().approximateGrams(known.chemistry()))
                                    .orElse(UNKNOWN_GRAMS),
                            damaged ? Damage.DAMAGED : Damage.SOUND,
                            judged.reasons().get(0)));
        }
        return new RecycleBox(items);
    }

    /// About what all of it weighs, in g.
    public double grams() {
        return items.stream().mapToDouble(Item::grams).sum();
    }

    /// How many cans are damaged.
    public long damaged() {
        return items.stream().filter(item -> item.damage() == Damage.DAMAGED).count();
    }
}
