package pentacell.desktop;

import java.time.Duration;
import java.util.concurrent.locks.LockSupport;
import javafx.application.Platform;
import org.testfx.util.WaitForAsyncUtils;

/// Types at a pace of its own, as a person or a scanner does: no key waits for what the one before
/// it has done.
final class Typist {
    private final BenchFixture bench;
    private final Duration perKey;

    /// @param perKey time from one key to the next; zero for all at once
    Typist(BenchFixture bench, Duration perKey) {
        this.bench = bench;
        this.perKey = perKey;
    }

    /// Types into whatever has the caret; a line feed is Enter.
    void type(String text) {
        for (int i = 0; i < text.length(); i++) {
            char each = text.charAt(i);
            // the pace is what is tested; nothing is waited for
            if (perKey.isPositive()) LockSupport.parkNanos(perKey.toNanos());
            Platform.runLater(() -> bench.hands.character(each));
        }
        WaitForAsyncUtils.waitForFxEvents();
    }
}
