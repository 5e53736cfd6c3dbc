package pentacell.desktop.prove;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.journal.Origin;
import pentacell.core.prove.LogThinning;
import pentacell.core.prove.facts.Proof;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.prove.facts.Proofs;
import pentacell.desktop.frame.GroupLogIntake;

/// Logs of load tests become tests of their names.
final class LoadLogs implements GroupLogIntake.Taker {
    private final ProveModel model;
    private final GroupLogIntake intake;
    private OptionalDouble endVolts = OptionalDouble.empty();

    private LoadLogs(ProveModel model) {
        this.model = model;
        intake =
                new GroupLogIntake(
                        model.desk(), "load-test", "watched-folder-prove", LogThinning.MOST, this);
    }

    /// To be made before a workshop is opened.
    static LoadLogs of(ProveModel model) {
        return new LoadLogs(model);
    }

    GroupLogIntake intake() {
        return intake;
    }

    /// At which voltage of a group tests end; empty for what is usual for the pack.
    void endsAt(OptionalDouble volts) {
        endVolts = volts;
    }

    @Override
    public Optional<Integer> series() {
        return model.judgedProperty().get().map(now -> now.pack().built().groups().size());
    }

    @Override
    public Optional<String> knownAs(GroupLogIntake.Taken log) {
        return Proofs.of(model.desk().ledger().state())
                .proof(model.inHand().name())
                .tests()
                .values()
                .stream()
                .filter(test -> test.log().equals(log.kept()))
                .map(Proof.Test::name)
                .findFirst();
    }

    @Override
    public void take(GroupLogIntake.Taken log) {
        String pack = model.inHand().name();
        model.look(log.name());
        model.judgedProperty()
                .get()
                .ifPresent(judged ->
                        model.log(
                                "Load test of " + pack,
                                Origin.IMPORTED.mark(
                                        new ProofFact.LoadTested(
                                                pack,
                                                log.name(),
                                                endVolts.orElse(judged.pack().usualEndVolts()),
                                                log.kept()))));
    }
}
