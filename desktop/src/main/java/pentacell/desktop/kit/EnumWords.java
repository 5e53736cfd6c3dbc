package pentacell.desktop.kit;

import java.util.function.Function;
import javafx.util.StringConverter;

/// Shows a choice in words. Reading back is never asked for: such boxes are not typed into.
public final class EnumWords<T> extends StringConverter<T> {
    private final Function<T, String> words;

    public EnumWords(Function<T, String> words) {
        this.words = words;
    }

    @Override
    public String toString(T value) {
        return value == null ? "" : words.apply(value);
    }

    @Override
    public T fromString(String text) {
        throw new UnsupportedOperationException("not typed into");
    }
}
