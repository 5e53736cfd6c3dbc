package pentacell.instruments.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellFact.ResistanceRead;
import pentacell.core.cell.CellFact.VoltageRead;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Origin;
import pentacell.core.test.facts.Bay;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;
import pentacell.workshop.logbook.LogbookException;

/// A cell read with a meter: voltage and resistance, logged together.
final class MeterReading {
    private MeterReading() {}

    static void take(InstrumentClient meter, boolean isSimulated, CellId id, Bay bay, Keeper keeper)
            throws BenchException {
        try {
            if (isSimulated)
                meter.ask(number -> new Ask.Insert(number, bay.slot(), id.text()), Tell.Done.class);
            Tell.Reading reading =
                    meter.ask(number -> new Ask.Read(number, bay.slot()), Tell.Reading.class);
            List<CellFact> facts = new ArrayList<>();
            facts.add(new VoltageRead(id, Math.rint(1e4 * reading.volts()) / 1e4));
            reading.milliohms()
                    .ifPresent(milliohms ->
                            facts.add(
                                    new ResistanceRead(
                                            id,
                                            Math.rint(10 * milliohms) / 10,
                                            ResistanceMethod.AC_1_KHZ,
                                            Optional.of(bay.name()),
                                            reading.celsius())));
            keeper.log(
                    "Read " + id + " with " + bay.instrument(),
                    Origin.measured(isSimulated).mark(facts));
        } catch (IOException | InstrumentClient.RefusedException refused) {
            throw new BenchException(bay.name() + " did not read: " + refused.getMessage() + ".");
        } catch (LogbookException | IllegalArgumentException failure) {
            throw new BenchException(String.valueOf(failure.getMessage()));
        }
    }
}
