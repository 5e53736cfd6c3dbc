package pentacell.desktop.test;

import java.io.IOException;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.facts.Bench;
import pentacell.core.test.facts.Instrument;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.StandInSpeed;
import pentacell.instruments.bench.TestBench;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.StandIn;
import pentacell.instruments.simulated.StandInCells;

/// The instruments of the workshop on their lines; those that are stand-ins are run here.
final class StandIns {
    private final Desk desk;
    private final Map<String, SimulatedInstrument> running = new LinkedHashMap<>();
    private final Set<String> connected = new HashSet<>();
    private Optional<StandInCells> box = Optional.empty();

    StandIns(Desk desk) {
        this.desk = desk;
    }

    /// Begins with a workshop.
    void begin(Supplier<WorkshopState> state) {
        box = Optional.of(new StandInCells(state));
    }

    /// Connects instruments that are new, starts stand-ins, lets go of what was removed.
    void connect(TestBench bench, WorkshopState state) {
        Map<String, Instrument> wanted = Bench.of(state).instruments();
        for (Instrument instrument : wanted.values()) {
            if (!instrument.isSimulated()) bench.connect(instrument);
            else if (!running.containsKey(instrument.name())) start(instrument, bench);
        }
        for (String gone : connected)
            if (!wanted.containsKey(gone)) {
                bench.disconnect(gone);
                Optional.ofNullable(running.remove(gone)).ifPresent(SimulatedInstrument::close);
            }
        connected.clear();
        connected.addAll(wanted.keySet());
    }

    private void start(Instrument instrument, TestBench bench) {
        StandIn kind = StandIn.of(instrument.simulatedKind()).orElse(StandIn.FOUR_SLOT);
        try {
            SimulatedInstrument made =
                    SimulatedInstrument.start(
                            kind,
                            instrument.name(),
                            speed(),
                            box.orElseThrow(),
                            instrument.name().hashCode(),
                            0);
            running.put(instrument.name(), made);
            bench.connect(
                    new Instrument(
                            instrument.name(), "127.0.0.1:" + made.port(), instrument.bays()));
        } catch (IOException failure) {
            desk.notices()
                    .say(instrument.name() + " could not be started: " + failure.getMessage());
        }
    }

    /// How fast their clocks run.
    int speed() {
        return StandInSpeed.of(desk.settings());
    }

    /// How fast the clock of a bay's instrument runs: 1 for a real one.
    int speedOf(String bay) {
        return running.keySet().stream().anyMatch(name -> bay.startsWith(name + " ")) ? speed() : 1;
    }

    void setSpeed(int speed) {
        StandInSpeed.set(desk.settings(), speed);
        running.values().forEach(each -> each.slots().setSpeed(speed));
    }

    void close() {
        running.values().forEach(SimulatedInstrument::close);
        running.clear();
        connected.clear();
    }
}
