package pentacell.workshop.logbook;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;

/// A program that logs cell after cell and says so after each, until it is killed.
final class RestlessLogger {
    private RestlessLogger() {}

    public static void main(String[] arguments) throws LogbookException {
        Opening opening = Logbook.open(Path.of(arguments[0]), Clock.systemUTC());
        if (!(opening instanceof Opening.Opened opened))
            throw new IllegalStateException(opening.toString());
        for (int i = 1; i < 100_000; i++) {
            CellId cell = new CellId("K-" + i);
            opened.logbook()
                    .log(
                            "Log " + cell,
                            List.of(
                                    new CellFact.VoltageRead(cell, 3.7),
                                    new CellFact.CellNoted(cell, "n")));
            System.out.println("confirmed " + i);
        }
    }
}
