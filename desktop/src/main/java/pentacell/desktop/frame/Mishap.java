package pentacell.desktop.frame;

import org.slf4j.LoggerFactory;
import pentacell.workshop.PersonFolder;

/// What is said when the program itself fails in the window: what happened, that nothing is lost,
/// where the log is.
final class Mishap {
    private Mishap() {}

    /// Listens on the thread that calls, which is the window's.
    static void listen(Notices notices) {
        Thread.currentThread()
                .setUncaughtExceptionHandler((thread, failure) -> {
                    LoggerFactory.getLogger(Mishap.class).error("in the window", failure);
                    notices.say(words(failure));
                });
    }

    static String words(Throwable failure) {
        String said = failure.getMessage();
        return "Something went wrong in the program (%s). Nothing that was logged is lost. Details are in %s."
                .formatted(
                        said == null || said.isBlank() ? failure.getClass().getSimpleName() : said,
                        PersonFolder.log());
    }
}
