package pentacell.core.harvest;

import java.util.List;
import pentacell.core.judgement.Reason;

/// What the readings of a pack say.
///
/// @param signature what they show
/// @param groups numbers of the groups concerned, counted from 1 at the pack's negative, rising
/// @param advice what to do with the pack
/// @param sureness how sure that is
/// @param reasons the rules that spoke, the weightiest first
public record Diagnosis(
        Signature signature,
        List<Integer> groups,
        Advice advice,
        Sureness sureness,
        List<Reason> reasons) {
    public Diagnosis {
        groups = groups.stream().sorted().toList();
        reasons = List.copyOf(reasons);
    }

    /// The diagnosis in a sentence, such as `A group is low, the others are alike: group 2.`
    public String sentence() {
        if (groups.isEmpty()) return signature.words() + ".";
        String numbers =
                groups.stream()
                        .map(String::valueOf)
                        .collect(java.util.stream.Collectors.joining(", "));
        return signature.words() + ": group" + (groups.size() == 1 ? " " : "s ") + numbers + ".";
    }
}
