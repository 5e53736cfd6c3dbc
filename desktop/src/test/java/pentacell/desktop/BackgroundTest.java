package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import pentacell.desktop.kit.Background;

/// Work does not flood a window that draws slowly.
@Tag("window")
final class BackgroundTest {
    @Test
    void newsThatWasNotHeardYetIsToldOnce() throws Exception {
        FxToolkit.registerPrimaryStage();
        AtomicInteger heard = new AtomicInteger();
        Runnable news = Background.news(heard::incrementAndGet);
        CountDownLatch isBusy = new CountDownLatch(1);
        Background.tell(() -> {
            try {
                isBusy.await();
            } catch (InterruptedException stopped) {
                Thread.currentThread().interrupt();
            }
        });
        for (int i = 0; i < 1000; i++) news.run();
        isBusy.countDown();
        WaitForAsyncUtils.waitForFxEvents();
        assertEquals(1, heard.get());
        news.run();
        WaitForAsyncUtils.waitForFxEvents();
        assertEquals(2, heard.get(), "what comes later is told again");
    }
}
