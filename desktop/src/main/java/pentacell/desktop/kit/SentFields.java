package pentacell.desktop.kit;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.control.TextField;

/// Fields that belong together and are sent off with one verb: they are free for the next at once.
/// What could not be logged comes back into them, as soon as nothing else is typed there.
public final class SentFields {
    private final List<TextField> fields;
    private final Deque<Map<TextField, String>> failed = new ArrayDeque<>();

    /// @param fields in the order they are typed; more may be added to the list
    public SentFields(List<TextField> fields) {
        this.fields = fields;
    }

    /// Empties the fields.
    ///
    /// @return brings back what stood there; to be called when it could not be logged
    public Runnable send() {
        Map<TextField, String> sent = new LinkedHashMap<>();
        for (TextField field : fields) sent.put(field, field.getText());
        fields.forEach(TextField::clear);
        bringBack();
        return () -> {
            failed.add(sent);
            bringBack();
        };
    }

    private void bringBack() {
        boolean areFree = fields.stream().allMatch(field -> field.getText().isBlank());
        if (areFree && !failed.isEmpty()) failed.poll().forEach(TextField::setText);
    }
}
