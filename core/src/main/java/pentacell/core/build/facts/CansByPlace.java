package pentacell.core.build.facts;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/// Which can of which group stands at a place.
public final class CansByPlace {
    private final Map<Spot, PlacedCan> all = new HashMap<>();

    CansByPlace(Layout layout) {
        for (int group = 0; group < layout.places().size(); group++) {
            List<Spot> places = layout.places().get(group);
            for (int can = 0; can < places.size(); can++)
                all.put(places.get(can), new PlacedCan(group, can));
        }
    }

    /// A can.
    ///
    /// @param group from 0
    /// @param can its number in the group, from 0
    public record PlacedCan(int group, int can) {}

    /// What stands there; empty when nothing does.
    public Optional<PlacedCan> at(Spot spot) {
        return Optional.ofNullable(all.get(spot));
    }

    /// The group of what stands there, from 0.
    public OptionalInt group(Spot spot) {
        PlacedCan can = all.get(spot);
        return can == null ? OptionalInt.empty() : OptionalInt.of(can.group());
    }
}
