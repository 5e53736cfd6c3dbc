package pentacell.instruments.simulated;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;
import pentacell.instruments.protocol.Wire;

/// A stand-in on a whole pack: a board that reads its groups, a bench load that draws from it, or
/// both in one.
public final class PackDevice implements StandInDevice {
    /// A load that hears nothing for so long lets go, in s of the world.
    static final double SILENCE_SECONDS = 10;

    private final Kind kind;
    private final String name;
    private final double speed;
    private final VirtualPack pack;
    private double silence;

    /// What it is.
    public enum Kind {
        BOARD("pack-board", "board with group voltages"),
        LOAD("pack-load", "bench load on a whole pack"),
        BOTH("pack", "board and bench load on a whole pack");

        private final String code;
        private final String words;

        Kind(String code, String words) {
            this.code = code;
            this.words = words;
        }

        /// The kind with a code, such as `pack-board`.
        public static Optional<Kind> of(String code) {
            return Arrays.stream(values()).filter(each -> each.code.equals(code)).findFirst();
        }

        /// The kind in words.
        public String words() {
            return words;
        }
    }

    PackDevice(Kind kind, String name, double speed, VirtualPack pack) {
        if (!(speed >= 0.01 && speed <= 10_000))
            throw new IllegalArgumentException("a clock runs 0.01 to 10000 times, was " + speed);
        this.kind = kind;
        this.name = name;
        this.speed = speed;
        this.pack = pack;
    }

    @Override
    public synchronized Passed pass(double worldSeconds) {
        silence += worldSeconds;
        if (kind != Kind.BOARD && silence > SILENCE_SECONDS) pack.draw(0);
        // of two stand-ins on one pack it is the board that lets its time pass
        if (kind != Kind.LOAD) pack.pass(worldSeconds * speed);
        return new Passed(List.of(), false);
    }

    @Override
    public synchronized List<Tell> answer(Ask ask) {
        silence = 0;
        return switch (ask) {
            case Ask.Identify identify ->
                    List.of(
                            new Tell.Identity(
                                    identify.id(), name, Wire.PROTOCOL, true, speed, List.of()));
            case Ask.Slots slots -> List.of(new Tell.SlotStates(slots.id(), List.of()));
            case Ask.Groups groups -> groups(groups.id());
            case Ask.Load load -> load(load);
            case Ask.Start start -> refused(start.id(), "it has no slots");
            case Ask.Stop stop -> refused(stop.id(), "it has no slots");
            case Ask.Replay replay -> refused(replay.id(), "it has no slots");
            case Ask.Read read -> refused(read.id(), "it has no slots");
            case Ask.Insert insert -> refused(insert.id(), "it has no slots");
            case Ask.Fault fault -> refused(fault.id(), "it has no slots");
        };
    }

    private List<Tell> groups(long id) {
        if (kind == Kind.LOAD) return refused(id, "it reads no groups");
        VirtualPack.Read read = pack.read();
        return List.of(new Tell.Groups(id, read.seconds(), read.amps(), read.volts()));
    }

    private List<Tell> load(Ask.Load load) {
        if (kind == Kind.BOARD) return refused(load.id(), "it draws nothing");
        if (!(load.amps() >= 0 && load.amps() <= 10_000))
            return refused(load.id(), "it draws 0 to 10000 A");
        pack.draw(load.amps());
        return List.of(new Tell.Done(load.id()));
    }

    private static List<Tell> refused(long id, String why) {
        return List.of(new Tell.Refused(id, why));
    }
}
