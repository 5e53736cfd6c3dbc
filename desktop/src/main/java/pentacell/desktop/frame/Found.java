package pentacell.desktop.frame;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/// Something that *Find or do* found.
///
/// @param words what it is called there
/// @param where whether taking it goes to its station
/// @param action takes it; on the UI thread
public record Found(String words, Where where, Runnable action) {
    /// Where taking something leads.
    public enum Where {
        /// To its station.
        AT_STATION,
        /// It shows itself wherever one is.
        ANYWHERE
    }

    /// The packs of a station that fit what is typed.
    ///
    /// @param wanted in lower case, not empty
    /// @param word behind the name of each, what is done with it there
    /// @param take takes one in hand
    public static List<Found> packs(
            Collection<String> names, String wanted, int most, String word, Consumer<String> take) {
        return names.stream()
                .filter(name -> name.toLowerCase(Locale.ROOT).contains(wanted))
                .limit(most)
                .map(name ->
                        new Found(name + "  " + word, Where.AT_STATION, () -> take.accept(name)))
                .toList();
    }

    @Override
    public String toString() {
        return words;
    }
}
