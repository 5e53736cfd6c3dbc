package pentacell.core.cell;

import pentacell.core.journal.Fact;

/// What can be logged of the catalogue of models.
public sealed interface CatalogueFact extends Fact {

    /// A model of cell was defined, or defined anew under the same name.
    record ModelDefined(CellModel model) implements CatalogueFact {
        public ModelDefined {
            if (model.ratedNominalMilliampHours() >= CellModel.MOST_OF_A_CAN)
                throw new IllegalArgumentException(
                        "a can is rated for under 100000 mAh, was "
                                + model.ratedNominalMilliampHours());
        }
    }
}
