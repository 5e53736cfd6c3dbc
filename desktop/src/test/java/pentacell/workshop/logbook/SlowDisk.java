package pentacell.workshop.logbook;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import pentacell.core.Chapters;

/// A disk that takes its time: it writes an act when it is let, or after a while, and refuses the
/// ones it is told to.
public final class SlowDisk {
    private final Duration takes;
    private final Set<Integer> refused;
    private final AtomicInteger asked = new AtomicInteger();
    private final Semaphore letGo = new Semaphore(0);
    private volatile boolean isHeld;

    private SlowDisk(Duration takes, Set<Integer> refused) {
        this.takes = takes;
        this.refused = Set.copyOf(refused);
    }

    /// Writes each act after a while.
    ///
    /// @param refused acts that fail, counted from 1
    public static SlowDisk taking(Duration takes, Integer... refused) {
        return new SlowDisk(takes, Set.of(refused));
    }

    /// Writes nothing until it is let go.
    public SlowDisk held() {
        isHeld = true;
        return this;
    }

    /// From now on it writes.
    public void letGo() {
        isHeld = false;
        letGo.release(1_000_000);
    }

    /// Opens a workshop on this disk.
    public Logbook open(Path file) {
        Opening opening =
                new LogbookFile(file, Clock.systemUTC(), Chapters.ALL, this::connect)
                        .open(share -> {});
        if (opening instanceof Opening.Opened opened) return opened.logbook();
        throw new IllegalStateException(opening.toString());
    }

    private Connection connect(Path file) throws SQLException {
        Connection sound = Database.connect(file);
        boolean[] isWriting = new boolean[1];
        return (Connection)
                Proxy.newProxyInstance(
                        SlowDisk.class.getClassLoader(),
                        new Class<?>[] {Connection.class},
                        (proxy, method, arguments) -> {
                            boolean isPrepared = method.getName().equals("prepareStatement");
                            if (isPrepared && isOfActs(arguments[0])) isWriting[0] = true;
                            if (method.getName().equals("commit") && isWriting[0]) {
                                isWriting[0] = false;
                                write();
                            }
                            try {
                                return method.invoke(sound, arguments);
                            } catch (InvocationTargetException thrown) {
                                throw thrown.getCause();
                            }
                        });
    }

    private static boolean isOfActs(Object statement) {
        return String.valueOf(statement).regionMatches(true, 0, "INSERT INTO act ", 0, 16);
    }

    private void write() throws SQLException {
        if (isHeld) letGo.acquireUninterruptibly();
        LockSupport.parkNanos(takes.toNanos());
        if (refused.contains(asked.incrementAndGet()))
            throw new SQLException("[SQLITE_FULL] the disk is full (refused on purpose)");
    }
}
