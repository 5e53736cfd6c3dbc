package pentacell.desktop.frame;

import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import pentacell.core.caution.Caution;

/// What the program says: the last sentence in the due line, and which cautions were seen.
public final class Notices {
    private static final String SEEN = "cautions-seen";

    private final Settings settings;
    private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
    private final ReadOnlyObjectWrapper<Set<Caution>> cautionsSeen;

    Notices(Settings settings) {
        this.settings = settings;
        cautionsSeen = new ReadOnlyObjectWrapper<>(CautionStrip.putAway(settings));
    }

    /// Shows a sentence in the due line.
    public void say(String sentence) {
        message.set(sentence);
    }

    /// The sentence shown last.
    public ReadOnlyStringProperty messageProperty() {
        return message.getReadOnlyProperty();
    }

    /// The cautions that were seen: notices for good, dangers until the next start.
    public ReadOnlyObjectProperty<Set<Caution>> cautionsSeenProperty() {
        return cautionsSeen.getReadOnlyProperty();
    }

    void cautionSeen(Caution caution) {
        Set<Caution> seen = EnumSet.of(caution);
        seen.addAll(cautionsSeen.get());
        cautionsSeen.set(seen);
        settings.put(
                SEEN,
                seen.stream()
                        .filter(each -> each.severity() == Caution.Severity.NOTICE)
                        .map(Caution::name)
                        .collect(Collectors.joining(",")));
    }

    void showAllCautions() {
        cautionsSeen.set(EnumSet.noneOf(Caution.class));
        settings.put(SEEN, "");
    }
}
