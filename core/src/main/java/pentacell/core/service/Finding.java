package pentacell.core.service;

import java.util.Map;
import java.util.OptionalInt;
import pentacell.core.service.facts.Trouble;

/// Something that stands out about a group, and what to look at next.
///
/// @param group from 0
/// @param cellsOff how many cells do not take part, where that is the cause
/// @param figures what was found, by name, with units in the names
/// @param check what to look at next
/// @param sure 0 to 1: how far the effect stands over what would be let pass
public record Finding(
        int group,
        Trouble cause,
        OptionalInt cellsOff,
        Map<String, Double> figures,
        String sentence,
        String check,
        double sure) {
    public Finding {
        figures = Map.copyOf(figures);
    }
}
