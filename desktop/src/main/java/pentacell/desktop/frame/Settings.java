package pentacell.desktop.frame;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.prefs.BackingStoreException;
import java.util.prefs.Preferences;
import org.slf4j.LoggerFactory;

/// What a person has set, kept from one start to the next, and for that person only.
public interface Settings {
    /// The value of a setting.
    Optional<String> get(String name);

    /// Keeps a value.
    void put(String name, String value);

    /// Settings kept by the system for the person who is logged in.
    static Settings ofPerson() {
        return new Settings() {
            private final Preferences node = Preferences.userRoot().node("pentacell");

            @Override
            public Optional<String> get(String name) {
                return Optional.ofNullable(node.get(name, null));
            }

            @Override
            public void put(String name, String value) {
                node.put(name, value);
                try {
                    node.flush();
                } catch (BackingStoreException failure) {
                    // the program works without its memory
                    LoggerFactory.getLogger(Settings.class).warn("setting not kept", failure);
                }
            }
        };
    }

    /// Settings that are forgotten with the program.
    static Settings forNow() {
        Map<String, String> values = new HashMap<>();
        return new Settings() {
            @Override
            public Optional<String> get(String name) {
                return Optional.ofNullable(values.get(name));
            }

            @Override
            public void put(String name, String value) {
                values.put(name, value);
            }
        };
    }
}
