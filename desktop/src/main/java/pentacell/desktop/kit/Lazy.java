package pentacell.desktop.kit;

import java.util.Optional;
import java.util.function.Supplier;

/// Something that takes long to make and is made when it is first asked for. Used on one thread.
public final class Lazy<T> {
    private final Supplier<? extends T> maker;
    private Optional<T> made = Optional.empty();

    /// @param maker asked once
    public Lazy(Supplier<? extends T> maker) {
        this.maker = maker;
    }

    /// The thing, made now unless it was made before.
    public T get() {
        if (made.isEmpty()) made = Optional.of(maker.get());
        return made.get();
    }
}
