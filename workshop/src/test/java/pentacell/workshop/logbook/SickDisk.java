package pentacell.workshop.logbook;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Set;

/// A way to a workshop file that fails at one statement, before or after it was carried out, and is
/// sound otherwise.
final class SickDisk implements Database.Connecting {
    private static final Set<String> STATEMENTS =
            Set.of("execute", "executeBatch", "executeQuery", "executeUpdate", "commit");

    private int untilFailure = Integer.MAX_VALUE;
    private int forHowLong;
    private boolean isAfter;
    private boolean hasFailed;

    /// Fails at the statement with this number, counted from now.
    ///
    /// @param times how many statements fail from there on
    /// @param after whether the statement is carried out all the same
    void failAt(int statement, int times, boolean after) {
        untilFailure = statement;
        forHowLong = times;
        isAfter = after;
        hasFailed = false;
    }

    /// Fails no more.
    ///
    /// @return whether it had
    boolean heal() {
        untilFailure = Integer.MAX_VALUE;
        return hasFailed;
    }

    @Override
    public Connection connect(Path file) throws SQLException {
        return sick(Connection.class, Database.connect(file));
    }

    private <T> T sick(Class<T> type, T sound) {
        return type.cast(
                Proxy.newProxyInstance(
                        SickDisk.class.getClassLoader(),
                        new Class<?>[] {type},
                        (proxy, method, arguments) -> {
                            boolean fails = STATEMENTS.contains(method.getName()) && isDue();
                            if (fails && !isAfter) throw failure();
                            Object result;
                            try {
                                result = method.invoke(sound, arguments);
                            } catch (InvocationTargetException thrown) {
                                throw thrown.getCause();
                            }
                            if (fails) throw failure();
                            return switch (result) {
                                case PreparedStatement each -> sick(PreparedStatement.class, each);
                                case Statement each -> sick(Statement.class, each);
                                case null, default -> result;
                            };
                        }));
    }

    private boolean isDue() {
        untilFailure--;
        boolean isDue = untilFailure < 0 && untilFailure >= -forHowLong;
        hasFailed |= isDue;
        return isDue;
    }

    private static SQLException failure() {
        return new SQLException("[SQLITE_FULL] the disk is full (sick on purpose)");
    }
}
