package pentacell.desktop.frame;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import pentacell.core.prove.GroupLog;
import pentacell.core.prove.LogThinning;
import pentacell.core.prove.facts.PackLog;
import pentacell.core.unit.Count;
import pentacell.core.unit.Sentence;
import pentacell.workshop.exchange.GroupLogCsv;

/// Takes logs of whole packs in for a station: one that is chosen, or all that come into a watched
/// folder. A log goes by the name of its file; one of another pack, or one that is known, is
/// refused with the reason.
public final class GroupLogIntake {
    private final Desk desk;
    private final String lane;
    private final Taker taker;
    private final int most;
    private final WatchedFolder watched;
    private Consumer<String> say;

    /// Where logs go.
    public interface Taker {
        /// Groups of the pack in hand; empty while logs cannot be taken in.
        Optional<Integer> series();

        /// The name under which a log was taken in before; empty when it was not.
        Optional<String> knownAs(Taken log);

        /// Takes a log in.
        void take(Taken log);
    }

    /// A log that was read.
    ///
    /// @param name of its file, without its ending
    /// @param whole with every reading
    /// @param kept what is kept of it
    public record Taken(String name, GroupLog whole, PackLog kept) {}

    /// A log with what is kept of it.
    private record ReadLog(GroupLogCsv.Read read, Optional<PackLog> kept) {}

    /// To be made before a workshop is opened.
    ///
    /// @param lane where logs are read
    /// @param setting under which the watched folder is remembered
    /// @param most so many moments of a log are kept at most
    public GroupLogIntake(Desk desk, String lane, String setting, int most, Taker taker) {
        this.desk = desk;
        this.lane = lane;
        this.taker = taker;
        this.most = most;
        say = desk.notices()::say;
        watched = new WatchedFolder(desk, setting, () -> taker.series().isPresent(), this::take);
    }

    /// Tells another what is wrong with a log; an empty text when nothing is.
    public void onSaid(Consumer<String> listener) {
        say = listener;
    }

    /// The folder that is watched.
    public Optional<Path> folder() {
        return watched.folder();
    }

    /// Watches a folder from now on; an empty text watches none.
    public void watch(String path) {
        watched.watch(path);
    }

    /// Takes a log in.
    public void take(Path file) {
        if (taker.series().isEmpty()) return;
        say.accept("Reading " + file.getFileName() + " …");
        desk.work()
                .lane(lane)
                .run(
                        () -> {
                            GroupLogCsv.Read read = GroupLogCsv.read(file);
                            return new ReadLog(
                                    read, read.log().map(log -> LogThinning.kept(log, most)));
                        },
                        read -> take(String.valueOf(file.getFileName()), read));
    }

    private void take(String file, ReadLog log) {
        Optional<Integer> series = taker.series();
        if (series.isEmpty()) return;
        GroupLogCsv.Read read = log.read();
        String problem = read.problems().isEmpty() ? "" : read.problems().get(0).text();
        if (log.kept().isEmpty() || read.log().isEmpty()) {
            say.accept(problem);
            return;
        }
        PackLog kept = log.kept().get();
        if (kept.volts().size() != series.get()) {
            say.accept(
                    "%s has %s, the pack has %d: is it another pack's?"
                            .formatted(
                                    file,
                                    Count.of(kept.volts().size(), "group", "groups"),
                                    series.get()));
            return;
        }
        Taken taken = new Taken(file.replaceFirst("\\.[^.]*$", ""), read.log().get(), kept);
        Optional<String> before = taker.knownAs(taken);
        if (before.isPresent()) {
            say.accept("%s was imported before, as \"%s\".".formatted(file, before.get()));
            return;
        }
        say.accept(
                problem.isEmpty()
                        ? ""
                        : "%s left out, the first: %s"
                                .formatted(
                                        Sentence.begin(Count.of(read.skipped(), "line", "lines")),
                                        problem));
        taker.take(taken);
    }
}
