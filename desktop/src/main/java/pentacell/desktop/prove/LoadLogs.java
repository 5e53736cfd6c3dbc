package pentacell.desktop.prove;

import java.nio.file.Path;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import pentacell.core.proof.PackLog;
import pentacell.core.proof.Proof;
import pentacell.core.proof.ProofFact;
import pentacell.core.proof.Proofs;
import pentacell.core.prove.LogThinning;
import pentacell.core.unit.Count;
import pentacell.core.unit.Sentence;
import pentacell.desktop.frame.WatchedFolder;
import pentacell.workshop.exchange.GroupLogCsv;

/// Takes logs of load tests in: one that is chosen, or all that come into a watched folder. A log
/// is the test of its file's name.
final class LoadLogs {
    private final ProveModel model;
    private Consumer<String> say;
    private final WatchedFolder watched;
    private OptionalDouble endVolts = OptionalDouble.empty();

    LoadLogs(ProveModel model) {
        this.model = model;
        say = model.desk().notices()::say;
        watched =
                new WatchedFolder(
                        model.desk(),
                        "watched-folder-prove",
                        () -> model.judgedProperty().get().isPresent(),
                        this::take);
    }

    /// Tells another what is wrong with a log; an empty text when nothing is.
    void onSaid(Consumer<String> listener) {
        say = listener;
    }

    /// A log with what is kept of it.
    private record ReadLog(GroupLogCsv.Read read, Optional<PackLog> kept) {}

    /// The folder that is watched.
    Optional<Path> folder() {
        return watched.folder();
    }

    /// Watches a folder from now on; an empty text watches none.
    void watch(String path) {
        watched.watch(path);
    }

    /// At which voltage of a group tests end; empty for the chemistry's own.
    void endsAt(OptionalDouble volts) {
        endVolts = volts;
    }

    /// Takes a log in.
    void take(Path file) {
        if (model.judgedProperty().get().isEmpty()) return;
        say.accept("Reading " + file.getFileName() + " …");
        model.desk()
                .work()
                .lane("load-test")
                .run(
                        () -> {
                            GroupLogCsv.Read read = GroupLogCsv.read(file);
                            return new ReadLog(read, read.log().map(LogThinning::kept));
                        },
                        read -> log(String.valueOf(file.getFileName()), read));
    }

    private void log(String file, ReadLog log) {
        Optional<ProveModel.Judged> judged = model.judgedProperty().get();
        if (judged.isEmpty()) return;
        GroupLogCsv.Read read = log.read();
        String problem = read.problems().isEmpty() ? "" : read.problems().get(0).text();
        if (log.kept().isEmpty()) {
            say.accept(problem);
            return;
        }
        PackLog kept = log.kept().get();
        int series = judged.get().pack().built().groups().size();
        if (kept.volts().size() != series) {
            say.accept(
                    "%s has %s, the pack has %d: is it another pack's?"
                            .formatted(
                                    file,
                                    Count.of(kept.volts().size(), "group", "groups"),
                                    series));
            return;
        }
        String pack = model.inHand().name();
        String name = file.replaceFirst("\\.[^.]*$", "");
        Optional<Proof.Test> before =
                Proofs.of(model.desk().ledger().state()).proof(pack).tests().values().stream()
                        .filter(test -> test.log().equals(kept))
                        .findFirst();
        if (before.isPresent()) {
            say.accept("%s was imported before, as \"%s\".".formatted(file, before.get().name()));
            return;
        }
        say.accept(
                problem.isEmpty()
                        ? ""
                        : "%s left out, the first: %s"
                                .formatted(
                                        Sentence.begin(Count.of(read.skipped(), "line", "lines")),
                                        problem));
        model.look(name);
        model.log(
                "Load test of " + pack,
                new ProofFact.LoadTested(
                        pack,
                        name,
                        endVolts.orElse(judged.get().pack().built().chemistry().endVolts()),
                        kept));
    }
}
