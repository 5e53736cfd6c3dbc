package pentacell.desktop.frame;

import java.util.Comparator;
import java.util.List;

/// Something that is due.
///
/// @param words what, for a person
/// @param urgency how pressing it is
public record Due(String words, Urgency urgency) {
    /// How pressing something is, most pressing first.
    public enum Urgency {
        /// It has its time: something rests and is to be read.
        TIMED,
        /// It was begun and is half done.
        BEGUN,
        /// Nothing can go on with a thing until it is done.
        FIRST,
        /// It is next in its order.
        NEXT,
        /// It can be begun.
        READY
    }

    /// A due thing and where it is done.
    public record At(Due due, Station station) {}

    /// What is due at stations, most pressing first; at equal urgency in the order of the work.
    public static List<At> of(List<Station> stations) {
        return stations.stream()
                .flatMap(station -> station.due().stream().map(due -> new At(due, station)))
                .sorted(Comparator.comparing(at -> at.due().urgency()))
                .toList();
    }
}
