package pentacell.core.plan.facts;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import pentacell.core.donor.Price;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// The packs that are planned, and what parts cost.
///
/// @param all by name, in the order they were first planned
/// @param prices of parts, by their units
public record Plans(Map<String, Planned> all, Map<Part, Price> prices) {
    /// The chapter of planning.
    public static final Chapter<Plans> CHAPTER =
            Chapter.of(PlanFact.class, Plans.class, new Plans(Map.of(), Map.of()), Plans::plus);

    public Plans {
        all = InOrder.of(all);
        prices = Map.copyOf(prices);
    }

    /// The plans of a workshop.
    public static Plans of(WorkshopState state) {
        return state.slice(Plans.class);
    }

    /// A planned pack.
    public Optional<Planned> plan(String pack) {
        return Optional.ofNullable(all.get(pack));
    }

    /// What is chosen for a pack of which no need was stated changes nothing.
    private Plans plus(PlanFact fact) {
        Map<String, Planned> after = new LinkedHashMap<>(all);
        return switch (fact) {
            case PlanFact.NeedStated stated -> {
                after.merge(
                        stated.pack(),
                        new Planned(stated.pack(), stated.need(), Optional.empty()),
                        (before, first) ->
                                new Planned(stated.pack(), stated.need(), before.chosen()));
                yield new Plans(after, prices);
            }
            case PlanFact.PackChosen chosen -> {
                after.computeIfPresent(
                        chosen.pack(),
                        (pack, before) ->
                                new Planned(pack, before.need(), Optional.of(chosen.chosen())));
                yield new Plans(after, prices);
            }
            case PlanFact.PlanDropped dropped -> {
                after.remove(dropped.pack());
                yield new Plans(after, prices);
            }
            case PlanFact.PartsPriced priced -> {
                Map<Part, Price> known = new EnumMap<>(Part.class);
                known.putAll(prices);
                priced.prices().forEach(each -> known.put(each.part(), each.price()));
                yield new Plans(all, known);
            }
        };
    }
}
