package pentacell.workshop.logbook;

import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import pentacell.core.Kinds;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.core.state.Chapter;

/// The kinds of fact a workshop file can hold: those of the sealed families of its chapters. What
/// is not among them cannot be written.
final class FactKinds {
    private final Map<String, Class<? extends Fact>> byKind = new LinkedHashMap<>();
    private final Map<Class<?>, String> byType = new HashMap<>();

    /// @throws IllegalArgumentException when two facts have the same kind, one has none, or a
    ///   family is not sealed down to its records
    FactKinds(List<Chapter<?>> chapters) {
        take(Amendment.class, Kinds.ALL);
        for (Chapter<?> chapter : chapters) take(chapter.family(), chapter.kinds());
    }

    private void take(Class<? extends Fact> type, Map<Class<? extends Fact>, String> known) {
        if (type.isRecord()) {
            String kind = known.get(type);
            if (kind == null) throw new IllegalArgumentException(type + " has no kind");
            Class<?> before = byKind.put(kind, type);
            if (before != null && before != type)
                throw new IllegalArgumentException(
                        "%s and %s are both of the kind %s".formatted(before, type, kind));
            byType.put(type, kind);
            return;
        }
        if (!type.isSealed())
            throw new IllegalArgumentException(type + " is neither sealed nor a record");
        for (Class<?> member : type.getPermittedSubclasses())
            take(member.asSubclass(Fact.class), known);
    }

    /// The kind of a fact.
    ///
    /// @throws IllegalArgumentException when no chapter has it: it could not be read again
    String of(Fact fact) {
        String kind = byType.get(fact.getClass());
        if (kind == null)
            throw new IllegalArgumentException(
                    "no chapter has " + fact.getClass() + ", so it is not written");
        return kind;
    }

    /// The type of a kind; empty when this program does not know it.
    Optional<Class<? extends Fact>> type(String kind) {
        return Optional.ofNullable(byKind.get(kind));
    }

    /// All types by kind.
    Map<String, Class<? extends Fact>> all() {
        return Collections.unmodifiableMap(byKind);
    }
}
