package pentacell.instruments.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import pentacell.core.measure.OpenRun;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;
import pentacell.workshop.logbook.LogbookException;

/// Brings the runs of a bench, its instruments and the log to agree again: after a start of the
/// program, a cut line, an undo or a redo.
final class RunRecovery {
    private static final Logger LOG = LoggerFactory.getLogger(RunRecovery.class);

    private final RunTable runs;
    private final Lines lines;
    private final Keeper keeper;
    private final Consumer<String> onTrouble;

    RunRecovery(RunTable runs, Lines lines, Keeper keeper, Consumer<String> onTrouble) {
        this.runs = runs;
        this.lines = lines;
        this.keeper = keeper;
        this.onTrouble = onTrouble;
    }

    /// Takes up the runs that were open when the program stopped.
    void fromLog() {
        for (OpenRun open : OpenRun.of(keeper.state())) {
            try {
                runs.put(open, keeper.samples(open.run()));
            } catch (LogbookException failure) {
                onTrouble.accept(String.valueOf(failure.getMessage()));
            }
        }
    }

    /// Asks an instrument that answers again for what it has of its runs; one whose start was
    /// undone is stopped.
    ///
    /// @return the runs it does not know any more
    List<GrowingRun> from(String instrument, InstrumentClient client)
            throws IOException, InstrumentClient.RefusedException {
        Tell.SlotStates states = client.ask(Ask.Slots::new, Tell.SlotStates.class);
        for (Tell.SlotState slot : states.slots())
            if (slot.running() && slot.run().filter(runs::isUndone).isPresent())
                client.ask(number -> new Ask.Stop(number, slot.slot()), Tell.Done.class);
        List<GrowingRun> open = runs.where(run -> instrumentOf(run.bay).equals(instrument));
        List<GrowingRun> forgotten = new ArrayList<>();
        for (GrowingRun run : open) {
            Optional<Tell.SlotState> slot =
                    states.slots().stream()
                            .filter(state -> state.run().equals(Optional.of(run.run)))
                            .findFirst();
            if (slot.isPresent()) replay(client, slot.get().slot(), run);
            else forgotten.add(run);
        }
        return forgotten;
    }

    private void replay(InstrumentClient client, int slot, GrowingRun run)
            throws IOException, InstrumentClient.RefusedException {
        int from = runs.seen(run);
        client.ask(number -> new Ask.Replay(number, slot, run.run, from), Tell.Done.class);
    }

    /// Asks for what was missed of runs.
    ///
    /// @return the runs of which the instrument no longer has it
    List<GrowingRun> missed(List<GrowingRun> gaps) {
        List<GrowingRun> lost = new ArrayList<>();
        for (GrowingRun run : gaps) {
            Optional<InstrumentClient> client = lines.client(instrumentOf(run.bay));
            try {
                if (client.isPresent()) replay(client.get(), slotOf(run.bay), run);
            } catch (IOException gone) {
                LOG.warn("{} is taken up when its line is back", run.run, gone);
            } catch (InstrumentClient.RefusedException refused) {
                LOG.warn("what was missed of {} could not be had", run.run, refused);
                lost.add(run);
            }
        }
        return lost;
    }

    /// After something was logged, undone or redone.
    ///
    /// @return the runs that are open again by the log and not known to their instrument any more
    List<GrowingRun> afterUndo() throws LogbookException {
        Map<String, OpenRun> open = new LinkedHashMap<>();
        for (OpenRun each : OpenRun.of(keeper.state())) open.put(each.run(), each);
        for (GrowingRun undone : runs.takeUndone(open.keySet()))
            lines.client(instrumentOf(undone.bay)).ifPresent(client -> stop(client, undone));
        List<GrowingRun> forgotten = new ArrayList<>();
        for (OpenRun redone : open.values()) {
            if (!runs.misses(redone.run())) continue;
            runs.put(redone, keeper.samples(redone.run()));
            String instrument = instrumentOf(redone.bay());
            Optional<InstrumentClient> client = lines.client(instrument);
            try {
                if (client.isPresent()) forgotten.addAll(from(instrument, client.get()));
            } catch (IOException | InstrumentClient.RefusedException failure) {
                LOG.warn("{} is taken up when its line is back", redone.run(), failure);
            }
        }
        return forgotten;
    }

    private void stop(InstrumentClient client, GrowingRun run) {
        try {
            client.ask(number -> new Ask.Stop(number, slotOf(run.bay)), Tell.Done.class);
        } catch (IOException | InstrumentClient.RefusedException failure) {
            onTrouble.accept(
                    "%s could not be stopped (%s); stop it by hand."
                            .formatted(run.bay, failure.getMessage()));
        }
    }

    private static String instrumentOf(String bay) {
        int dot = bay.lastIndexOf(" · ");
        return dot < 0 ? bay : bay.substring(0, dot);
    }

    private static int slotOf(String bay) {
        return Integer.parseInt(bay.substring(bay.lastIndexOf(' ') + 1));
    }
}
