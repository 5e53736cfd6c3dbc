package pentacell.desktop.prove;

import java.io.IOException;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.build.PackToBuild;
import pentacell.core.journal.Origin;
import pentacell.core.prove.facts.PackLog;
import pentacell.core.prove.facts.ProofFact;
import pentacell.desktop.frame.StandInSpeed;
import pentacell.desktop.kit.Background;
import pentacell.instruments.bench.LoadTestRun;
import pentacell.instruments.bench.LoadTestRun.Moment;
import pentacell.instruments.simulated.PackDevice;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.VirtualPack;

/// The load test that runs over the line, with board and load at their addresses or with the
/// stand-ins that ship with the program. What is read is logged as it comes.
final class LineRun {
    private static final DateTimeFormatter NAME =
            DateTimeFormatter.ofPattern("'by line,' d MMM yyyy HH:mm", Locale.ENGLISH);

    /// Stand-ins hold somewhat less than cells say, and not all the same.
    private static final double LEAST_OF_EXPECTED = 0.95;

    private static final double MOST_OF_EXPECTED = 0.99;

    private final ProveModel model;
    private final ReadOnlyObjectWrapper<Status> status =
            new ReadOnlyObjectWrapper<>(Status.NOTHING);
    private final List<SimulatedInstrument> standIns = new ArrayList<>();
    private Optional<VirtualPack> virtual = Optional.empty();
    private Optional<LoadTestRun> running = Optional.empty();
    private int turn;

    /// How it stands.
    ///
    /// @param last what was logged last
    /// @param ampHours given so far, by what was logged
    /// @param ended how it ended, in a sentence; empty while it runs
    record Status(boolean isRunning, Optional<Moment> last, double ampHours, String ended) {
        static final Status NOTHING = new Status(false, Optional.empty(), 0, "");
    }

    /// To be made before a workshop is opened.
    LineRun(ProveModel model) {
        this.model = model;
        model.desk().ledger().whileOpen(opened -> status.set(Status.NOTHING), this::letGo);
    }

    ReadOnlyObjectProperty<Status> statusProperty() {
        return status.getReadOnlyProperty();
    }

    /// Begins a test of the pack in hand.
    ///
    /// @param board its address; empty for the stand-in
    /// @param load its address; empty for the stand-in, or for the board's when that has one
    void begin(PackToBuild pack, String board, String load, double amps, double endVolts) {
        if (status.get().isRunning()) return;
        int number = ++turn;
        try {
            LoadTestRun.Wanted wanted =
                    new LoadTestRun.Wanted(
                            board.isEmpty() ? address(PackDevice.Kind.BOARD, pack) : board,
                            !load.isEmpty()
                                    ? load
                                    : board.isEmpty() ? address(PackDevice.Kind.LOAD, pack) : board,
                            amps,
                            endVolts,
                            pack.groups().size());
            String name =
                    NAME.format(
                            LocalDateTime.ofInstant(model.desk().now(), ZoneId.systemDefault()));
            status.set(new Status(true, Optional.empty(), 0, ""));
            model.look(name);
            running =
                    Optional.of(
                            LoadTestRun.begin(
                                    wanted, new Hears(number, pack.pack().name(), name, endVolts)));
        } catch (IOException failure) {
            end("The stand-ins could not be started: " + failure.getMessage());
        }
    }

    /// Lets the load go; what was read stays.
    void stop() {
        running.ifPresent(LoadTestRun::stop);
    }

    private String address(PackDevice.Kind kind, PackToBuild pack) throws IOException {
        if (virtual.isEmpty()) virtual = Optional.of(virtual(pack));
        SimulatedInstrument made =
                SimulatedInstrument.start(
                        kind,
                        kind.words(),
                        StandInSpeed.of(model.desk().settings()),
                        virtual.get(),
                        0);
        standIns.add(made);
        return "127.0.0.1:" + made.port();
    }

    private static VirtualPack virtual(PackToBuild pack) {
        Random random = new Random(pack.pack().name().hashCode());
        List<VirtualPack.Group> groups = new ArrayList<>();
        for (List<PackToBuild.Unit> group : pack.groups()) {
            double part =
                    LEAST_OF_EXPECTED
                            + (MOST_OF_EXPECTED - LEAST_OF_EXPECTED) * random.nextDouble();
            groups.add(
                    new VirtualPack.Group(
                            part * group.stream().mapToDouble(PackToBuild.Unit::ampHours).sum(),
                            1 / group.stream().mapToDouble(unit -> 1 / unit.ohms()).sum()));
        }
        return new VirtualPack(groups, pack.chemistry(), pack.pack().name().hashCode());
    }

    private void letGo() {
        stop();
        // what still comes is of a workshop that is closed
        turn++;
        close();
        status.set(Status.NOTHING);
    }

    private void close() {
        running = Optional.empty();
        standIns.forEach(SimulatedInstrument::close);
        standIns.clear();
        virtual = Optional.empty();
    }

    private void end(String how) {
        close();
        Status now = status.get();
        status.set(new Status(false, now.last(), now.ampHours(), how));
    }

    private final class Hears implements LoadTestRun.Listener {
        private final int number;
        private final String pack;
        private final String test;
        private final double endVolts;
        private Optional<Moment> before = Optional.empty();
        private double ampHours;

        Hears(int number, String pack, String test, double endVolts) {
            this.number = number;
            this.pack = pack;
            this.test = test;
            this.endVolts = endVolts;
        }

        @Override
        public void read(List<Moment> moments, boolean isSimulated) {
            for (Moment each : moments) {
                Optional<Moment> last = before;
                if (last.isPresent())
                    ampHours +=
                            (each.amps() + last.get().amps())
                                    / 2
                                    * (each.seconds() - last.get().seconds())
                                    / 3600;
                before = Optional.of(each);
            }
            double given = ampHours;
            Background.tell(() -> log(moments, given, isSimulated));
        }

        private void log(List<Moment> moments, double given, boolean isSimulated) {
            if (number != turn) return;
            List<List<Double>> volts = new ArrayList<>();
            for (int g = 0; g < moments.get(0).volts().size(); g++) {
                int group = g;
                volts.add(moments.stream().map(each -> each.volts().get(group)).toList());
            }
            model.desk()
                    .ledger()
                    .log(
                            "Load test of " + pack,
                            Origin.measured(isSimulated).mark(List.of(read(moments, volts))),
                            () -> {
                                if (number == turn)
                                    status.set(
                                            new Status(
                                                    status.get().isRunning(),
                                                    Optional.of(moments.get(moments.size() - 1)),
                                                    given,
                                                    status.get().ended()));
                            });
        }

        private ProofFact.MomentsRead read(List<Moment> moments, List<List<Double>> volts) {
            return new ProofFact.MomentsRead(
                    pack,
                    test,
                    endVolts,
                    new PackLog(
                            moments.stream().map(Moment::seconds).toList(),
                            moments.stream().map(Moment::amps).toList(),
                            volts));
        }

        @Override
        public void ended(String how) {
            Background.tell(() -> {
                if (number == turn) end(how);
            });
        }
    }
}
