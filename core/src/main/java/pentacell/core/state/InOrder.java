package pentacell.core.state;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/// Maps of a slice: in the order things first came, and never changed.
public final class InOrder {
    private InOrder() {}

    /// A copy that nobody changes.
    public static <K, V> Map<K, V> of(Map<K, V> map) {
        return Collections.unmodifiableMap(new LinkedHashMap<>(map));
    }

    /// The map with one more thing in it; one of the same name is replaced where it stands.
    public static <K, V> Map<K, V> with(Map<K, V> map, K key, V value) {
        Map<K, V> more = new LinkedHashMap<>(map);
        more.put(key, value);
        return Collections.unmodifiableMap(more);
    }
}
