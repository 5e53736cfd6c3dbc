package pentacell.core.cell;

import java.util.Map;
import java.util.Optional;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// The catalogue: the models of cells that are known, with their ratings.
///
/// @param models by name, in the order they were first defined
public record Catalogue(Map<String, CellModel> models) {
    /// The chapter of the catalogue.
    public static final Chapter<Catalogue> CHAPTER =
            Chapter.of(
                    CatalogueFact.class,
                    Catalogue.class,
                    new Catalogue(Map.of()),
                    (catalogue, fact) ->
                            switch (fact) {
                                case CatalogueFact.ModelDefined defined ->
                                        catalogue.with(defined.model());
                            });

    public Catalogue {
        models = InOrder.of(models);
    }

    /// The catalogue of a workshop.
    public static Catalogue of(WorkshopState state) {
        return state.slice(Catalogue.class);
    }

    /// A model by its name; empty when it was never defined.
    public Optional<CellModel> model(String name) {
        return Optional.ofNullable(models.get(name));
    }

    /// The model of a cell, when both it and its rating are known; of a unit, what its cans are
    /// rated for together.
    public Optional<CellModel> modelOf(CellRecord cell) {
        return cell.model().flatMap(this::model).map(model -> model.ofCans(cell.count()));
    }

    private Catalogue with(CellModel model) {
        return new Catalogue(InOrder.with(models, model.name(), model));
    }
}
