package pentacell.core.plan.facts;

import java.util.List;
import pentacell.core.journal.Fact;

/// What can be logged of planning.
public sealed interface PlanFact extends Fact {

    /// It was said what a pack must power; what was said of it before no longer holds.
    record NeedStated(String pack, Need need) implements PlanFact {
        public NeedStated {
            if (pack.isBlank()) throw new IllegalArgumentException("a pack has a name");
        }
    }

    /// A pack was chosen for its need.
    record PackChosen(String pack, Chosen chosen) implements PlanFact {}

    /// A pack is no longer planned.
    record PlanDropped(String pack) implements PlanFact {}

    /// What parts cost; those not named keep their price.
    record PartsPriced(List<PartPrice> prices) implements PlanFact {
        public PartsPriced {
            prices = List.copyOf(prices);
        }
    }
}
