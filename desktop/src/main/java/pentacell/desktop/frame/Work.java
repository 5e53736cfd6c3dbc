package pentacell.desktop.frame;

import java.util.HashMap;
import java.util.Map;
import java.util.function.Consumer;

/// Work away from the UI thread, in named lanes. What is given to one lane is done in the order
/// given; lanes do not wait for each other, so that a long match delays neither opening nor
/// planning.
///
/// Work belongs to the workshop that was open when it was given: when another takes its place, the
/// work is cancelled and its result dropped. Used on the UI thread only.
public final class Work implements AutoCloseable {
    private final Map<String, Lane> lanes = new HashMap<>();
    private final Consumer<String> trouble;
    private long workshop;

    /// @param trouble hears, on the UI thread, of work that failed unexpectedly
    Work(Consumer<String> trouble) {
        this.trouble = trouble;
    }

    /// The lane of a name, such as `match`; made when it is first asked for.
    public Lane lane(String name) {
        return lanes.computeIfAbsent(name, each -> new Lane(each, this));
    }

    /// Another workshop takes the place of the open one.
    void workshopChanged() {
        workshop++;
        lanes.values().forEach(Lane::cancelAll);
    }

    long workshop() {
        return workshop;
    }

    void failed(Throwable failure) {
        trouble.accept(Mishap.words(failure));
    }

    /// Takes no more work; what was begun is cancelled.
    @Override
    public void close() {
        workshopChanged();
        lanes.values().forEach(Lane::close);
    }
}
