package pentacell.core.build.facts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/// How the balance leads of a pack are spread over the plugs of its board, in order from lead 0.
///
/// @param leads of each plug, each 1 or more; empty for one plug with them all
public record Plugs(List<Integer> leads) {
    /// All in one.
    public static final Plugs ONE = new Plugs(List.of());

    public Plugs {
        for (int each : leads)
            if (each < 1)
                throw new IllegalArgumentException("a plug has a lead or more, was " + each);
        leads = leads.size() == 1 ? List.of() : List.copyOf(leads);
    }

    /// What was typed, such as `11 + 10`; empty when it is no such thing.
    public static Optional<Plugs> parse(String text) {
        List<Integer> leads = new ArrayList<>();
        for (String each : text.strip().split("\\s*[+,]\\s*|\\s+")) {
            if (!each.matches("[1-9]\\d{0,3}")) return Optional.empty();
            leads.add(Integer.valueOf(each));
        }
        return Optional.of(new Plugs(leads));
    }

    /// Whether they are as many leads as a pack has.
    public boolean fit(int allLeads) {
        return leads.isEmpty() || leads.stream().mapToInt(Integer::intValue).sum() == allLeads;
    }

    /// How many there are.
    public int count() {
        return Math.max(1, leads.size());
    }

    /// Where a lead sits, such as `2.3` for the third pin of the second plug; its number from 1
    /// where there is one plug.
    public String pin(int lead) {
        if (leads.isEmpty()) return String.valueOf(lead + 1);
        int before = 0;
        for (int plug = 0; plug < leads.size(); plug++) {
            if (lead < before + leads.get(plug))
                return "%d.%d".formatted(plug + 1, lead - before + 1);
            before += leads.get(plug);
        }
        throw new IllegalArgumentException("no plug has lead " + lead);
    }

    /// As it is typed.
    public String text() {
        return leads.stream().map(String::valueOf).collect(Collectors.joining(" + "));
    }
}
