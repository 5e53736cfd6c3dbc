package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.List;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.plan.facts.Planned;
import pentacell.core.plan.facts.Plans;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.frame.Due;

/// Packs whose cells are to be picked: walks that were begun first.
public final class MatchDue {
    private MatchDue() {}

    /// Packs that are not put together yet: of the others every cell was in a hand.
    static List<Pack> inTheMaking(WorkshopState state) {
        return Packs.of(state).all().values().stream()
                .filter(pack ->
                        Assemblies.of(state).assembly(pack.name()).standing()
                                == PackStanding.BUILDING)
                .toList();
    }

    /// What is due at Match.
    public static List<Due> of(WorkshopState state) {
        List<Due> due = new ArrayList<>();
        for (Pack pack : inTheMaking(state)) {
            int left = pack.cellCount() - pack.picked().size();
            if (pack.picked().isEmpty())
                due.add(new Due(pack.name() + " is matched, ready to pick", Due.Urgency.READY));
            else if (left > 0)
                due.add(
                        new Due(
                                "%s: %d of %d cells still to pick"
                                        .formatted(pack.name(), left, pack.cellCount()),
                                Due.Urgency.BEGUN));
        }
        for (Planned plan : Plans.of(state).all().values())
            plan.chosen()
                    .filter(chosen -> Packs.of(state).pack(plan.pack()).isEmpty())
                    .ifPresent(chosen ->
                            due.add(
                                    new Due(
                                            "%s is planned as %s, ready to match"
                                                    .formatted(plan.pack(), chosen.arrangement()),
                                            Due.Urgency.READY)));
        return due;
    }
}
