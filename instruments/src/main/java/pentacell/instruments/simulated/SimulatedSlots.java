package pentacell.instruments.simulated;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.Function;
import pentacell.core.cell.Chemistry;
import pentacell.core.test.facts.Bay;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;
import pentacell.instruments.protocol.Wire;

/// The slots of a stand-in: what is in them, what runs, what goes wrong on demand. Methods may be
/// called from any thread; they follow one another.
public final class SimulatedSlots implements StandInDevice {
    /// Rows told in one line; more are told in several.
    private static final int MOST_ROWS = 500;

    private final StandIn kind;
    private final String name;
    private double speed;
    private final Function<String, VirtualCell> box;
    private final Random random;
    private final List<Slot> slots = new ArrayList<>();
    private boolean cut;

    SimulatedSlots(
            StandIn kind, String name, double speed, Function<String, VirtualCell> box, long seed) {
        if (!(speed >= 0.01 && speed <= 10_000))
            throw new IllegalArgumentException("a clock runs 0.01 to 10000 times, was " + speed);
        this.kind = kind;
        this.name = name;
        this.speed = speed;
        this.box = box;
        random = new Random(seed);
        for (Bay bay : kind.bays(name)) slots.add(new Slot(bay));
    }

    private static final class Slot {
        private final Bay bay;
        private SlotTruth truth = SlotTruth.GOOD;
        private Optional<VirtualCell> cell = Optional.empty();
        private Optional<SlotRun> run = Optional.empty();
        private int told;
        private int stageTold = -1;
        private boolean endTold;
        private double cutAt = Double.NaN;
        private double restartAt = Double.NaN;

        /// Faults that were demanded while nothing ran; the next run has them.
        private final List<Ask.Fault> waiting = new ArrayList<>();

        Slot(Bay bay) {
            this.bay = bay;
        }

        boolean isRunning() {
            return run.filter(SlotRun::isRunning).isPresent();
        }
    }

    /// Lets its clock run at another speed, 0.01 to 10000.
    public synchronized void setSpeed(double times) {
        speed = Math.clamp(times, 0.01, 10_000);
    }

    /// Makes a slot read off.
    public synchronized void setTruth(int slot, SlotTruth truth) {
        slots.get(slot - 1).truth = truth;
    }

    /// Lets time pass, in s of the world.
    @Override
    public synchronized Passed pass(double worldSeconds) {
        List<Tell> told = new ArrayList<>();
        boolean restart = false;
        for (Slot slot : slots) {
            if (slot.run.isEmpty()) continue;
            SlotRun run = slot.run.get();
            run.pass(worldSeconds * speed);
            tell(slot, run, told);
            cut |= run.seconds() >= slot.cutAt;
            if (run.seconds() >= slot.cutAt) slot.cutAt = Double.NaN;
            restart |= run.seconds() >= slot.restartAt;
        }
        if (restart) startAnew();
        boolean cutNow = cut || restart;
        cut = false;
        return new Passed(told, cutNow);
    }

    private void startAnew() {
        for (Slot slot : slots) {
            slot.run.ifPresent(run -> slot.cell = Optional.of(run.cell()));
            slot.run = Optional.empty();
            slot.restartAt = Double.NaN;
            slot.cutAt = Double.NaN;
        }
    }

    private static void tell(Slot slot, SlotRun run, List<Tell> told) {
        int number = slot.bay.slot();
        if (slot.stageTold != run.stage()) {
            slot.stageTold = run.stage();
            told.add(new Tell.Stage(number, run.run(), run.stage(), run.seconds()));
        }
        while (slot.told < run.rows().size()) {
            int until = Math.min(run.rows().size(), slot.told + MOST_ROWS);
            told.add(rows(slot, run, slot.told, until));
            slot.told = until;
        }
        if (!run.isRunning() && !slot.endTold) {
            slot.endTold = true;
            told.add(new Tell.Ended(number, run.run(), run.how(), run.words()));
        }
    }

    private static Tell.Samples rows(Slot slot, SlotRun run, int from, int until) {
        return new Tell.Samples(
                slot.bay.slot(), run.run(), from, List.copyOf(run.rows().subList(from, until)));
    }

    /// Answers what was asked.
    @Override
    public synchronized List<Tell> answer(Ask ask) {
        return switch (ask) {
            case Ask.Identify identify -> List.of(identity(identify.id()));
            case Ask.Slots states ->
                    List.of(
                            new Tell.SlotStates(
                                    states.id(),
                                    slots.stream().map(SimulatedSlots::state).toList()));
            case Ask.Start start -> withSlot(start.id(), start.slot(), slot -> start(slot, start));
            case Ask.Stop stop -> withSlot(stop.id(), stop.slot(), slot -> stop(slot, stop));
            case Ask.Replay replay ->
                    withSlot(replay.id(), replay.slot(), slot -> replay(slot, replay));
            case Ask.Read read -> withSlot(read.id(), read.slot(), slot -> read(slot, read));
            case Ask.Groups groups -> refused(groups.id(), "it is on no whole pack");
            case Ask.Load load -> refused(load.id(), "it is on no whole pack");
            case Ask.Insert insert ->
                    withSlot(insert.id(), insert.slot(), slot -> insert(slot, insert));
            case Ask.Fault fault -> withSlot(fault.id(), fault.slot(), slot -> fail(slot, fault));
        };
    }

    private Tell identity(long id) {
        return new Tell.Identity(
                id,
                name,
                Wire.PROTOCOL,
                true,
                speed,
                slots.stream()
                        .map(slot ->
                                new Tell.SlotAbility(
                                        slot.bay.slot(),
                                        slot.bay.chargeAmps(),
                                        slot.bay.dischargeAmps(),
                                        slot.bay.chemistries().stream()
                                                .map(Chemistry::code)
                                                .toList(),
                                        kind.readsResistance()))
                        .toList());
    }

    private static Tell.SlotState state(Slot slot) {
        return new Tell.SlotState(
                slot.bay.slot(),
                slot.cell
                        .map(cell -> OptionalDouble.of(cell.volts(0)))
                        .orElse(OptionalDouble.empty()),
                slot.run.map(SlotRun::run),
                slot.run.map(run -> run.rows().size()).orElse(0),
                slot.isRunning());
    }

    private List<Tell> withSlot(long id, int number, Function<Slot, List<Tell>> then) {
        if (number < 1 || number > slots.size())
            return refused(id, "there is no slot %d, only 1 to %d".formatted(number, slots.size()));
        return then.apply(slots.get(number - 1));
    }

    private static List<Tell> refused(long id, String why) {
        return List.of(new Tell.Refused(id, why));
    }

    private List<Tell> start(Slot slot, Ask.Start start) {
        if (slot.isRunning()) return refused(start.id(), "the slot is busy");
        if (slot.cell.isEmpty()) return refused(start.id(), "the slot is empty");
        if (slot.bay.dischargeAmps() == 0 && slot.bay.chargeAmps() == 0)
            return refused(start.id(), "it reads, and runs no programmes");
        SlotRun run =
                new SlotRun(
                        start.run(),
                        start.programme(),
                        slot.truth,
                        slot.cell.get(),
                        new Random(random.nextLong()));
        slot.run = Optional.of(run);
        slot.told = 0;
        slot.stageTold = -1;
        slot.endTold = false;
        slot.waiting.forEach(fault -> fail(slot, run, fault));
        slot.waiting.clear();
        return List.of(new Tell.Done(start.id()));
    }

    private static List<Tell> stop(Slot slot, Ask.Stop stop) {
        List<Tell> told = new ArrayList<>();
        slot.run.ifPresent(run -> {
            run.stop("stopped", "");
            tell(slot, run, told);
        });
        told.add(new Tell.Done(stop.id()));
        return told;
    }

    private static List<Tell> replay(Slot slot, Ask.Replay replay) {
        Optional<SlotRun> run = slot.run.filter(each -> each.run().equals(replay.run()));
        if (run.isEmpty()) return refused(replay.id(), "the run " + replay.run() + " is not known");
        List<Tell> told = new ArrayList<>();
        told.add(new Tell.Done(replay.id()));
        int size = run.get().rows().size();
        for (int from = Math.max(0, replay.from()); from < size; from += MOST_ROWS)
            told.add(rows(slot, run.get(), from, Math.min(size, from + MOST_ROWS)));
        told.add(
                new Tell.Stage(
                        slot.bay.slot(), replay.run(), run.get().stage(), run.get().seconds()));
        if (!run.get().isRunning())
            told.add(
                    new Tell.Ended(
                            slot.bay.slot(), replay.run(), run.get().how(), run.get().words()));
        return told;
    }

    private List<Tell> read(Slot slot, Ask.Read read) {
        if (slot.cell.isEmpty()) return refused(read.id(), "the slot is empty");
        VirtualCell cell = slot.cell.get();
        return List.of(
                new Tell.Reading(
                        read.id(),
                        read.slot(),
                        cell.volts(0),
                        // at 1 kHz less of the cell resists than to a step of direct current
                        kind.readsResistance()
                                ? OptionalDouble.of(
                                        850 * cell.truth().ohms() + 0.1 * random.nextGaussian())
                                : OptionalDouble.empty(),
                        OptionalDouble.of(cell.celsius())));
    }

    private List<Tell> insert(Slot slot, Ask.Insert insert) {
        if (slot.isRunning()) return refused(insert.id(), "the slot is busy");
        slot.run = Optional.empty();
        slot.cell =
                insert.cell().isBlank() ? Optional.empty() : Optional.of(box.apply(insert.cell()));
        return List.of(new Tell.Done(insert.id()));
    }

    private List<Tell> fail(Slot slot, Ask.Fault fault) {
        if (fault.afterSeconds() > 0 && !slot.isRunning()) slot.waiting.add(fault);
        else if (slot.isRunning()) fail(slot, slot.run.orElseThrow(), fault);
        else if (fault.fault() == Ask.FaultKind.RESTART) startAnew();
        cut |=
                fault.afterSeconds() <= 0
                        && (fault.fault() == Ask.FaultKind.CUT_CONNECTION
                                || fault.fault() == Ask.FaultKind.RESTART);
        return List.of(new Tell.Done(fault.id()));
    }

    private void fail(Slot slot, SlotRun run, Ask.Fault fault) {
        double at = run.seconds() + fault.afterSeconds();
        switch (fault.fault()) {
            case CUT_CONNECTION -> {
                if (fault.afterSeconds() > 0) slot.cutAt = at;
            }
            case CONTACT_BLIP -> run.loseContactAt(at);
            case SLOT_SWAPPED -> run.swapAt(at, box.apply("swapped " + random.nextInt(1000)));
            case RESTART -> {
                if (fault.afterSeconds() > 0) slot.restartAt = at;
                else startAnew();
            }
        }
    }
}
