package pentacell.workshop.logbook;

import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Locale;

/// What went wrong with the file, in words that say what to do.
final class Faults {
    private Faults() {}

    static String writing(Path file, SQLException failure) {
        String said = said(failure);
        if (said.contains("sqlite_full"))
            return "The disk is full: "
                    + file
                    + " could not be written. Make room, then log it again; nothing was lost.";
        if (said.contains("readonly"))
            return file
                    + " can no longer be written: check its rights, then log it again; nothing was lost.";
        return "Could not write to "
                + file
                + " ("
                + failure.getMessage()
                + "). Nothing was changed; try again.";
    }

    /// Whether what is in the file is damaged, rather than out of reach.
    static boolean isDamage(SQLException failure) {
        String said = said(failure);
        return said.contains("corrupt") || said.contains("notadb") || said.contains("malformed");
    }

    static String opening(Path file, SQLException failure) {
        String said = said(failure);
        if (isDamage(failure))
            return file
                    + " is damaged. Copies from earlier days are in "
                    + Backups.folder(file)
                    + ".";
        if (said.contains("readonly"))
            return file + " cannot be written. Change its rights, or copy it and open the copy.";
        if (said.contains("busy") || said.contains("locked"))
            return file
                    + " is in use by another program that writes to it. Close that, then try again.";
        return "Could not open " + file + ": " + failure.getMessage();
    }

    /// What the database said, without its own codes.
    static String plain(SQLException failure) {
        return String.valueOf(failure.getMessage()).replaceFirst("^\\[[A-Z_]+\\] *", "");
    }

    private static String said(SQLException failure) {
        return String.valueOf(failure.getMessage()).toLowerCase(Locale.ROOT);
    }
}
