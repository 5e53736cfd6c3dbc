package pentacell.desktop.service;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import pentacell.core.journal.Origin;
import pentacell.core.measure.SampleLog;
import pentacell.core.prove.LogThinning;
import pentacell.core.service.facts.PackInUse;
import pentacell.core.service.facts.PacksInUse;
import pentacell.core.service.facts.UseFact;
import pentacell.desktop.frame.GroupLogIntake;

/// Histories of boards become histories of the pack. One whose times are no dates is taken to end
/// now.
final class UseLogs implements GroupLogIntake.Taker {
    private final ServiceModel model;
    private final GroupLogIntake intake;

    private UseLogs(ServiceModel model) {
        this.model = model;
        intake =
                new GroupLogIntake(
                        model.desk(),
                        "history",
                        "watched-folder-service",
                        LogThinning.MOST_OF_HISTORY,
                        this);
    }

    /// To be made before a workshop is opened.
    static UseLogs of(ServiceModel model) {
        return new UseLogs(model);
    }

    GroupLogIntake intake() {
        return intake;
    }

    @Override
    public Optional<Integer> series() {
        return model.judgedProperty().get().map(now -> now.pack().built().groups().size());
    }

    @Override
    public Optional<String> knownAs(GroupLogIntake.Taken log) {
        return PacksInUse.of(model.desk().ledger().state())
                .pack(model.inHand().name())
                .logs()
                .values()
                .stream()
                .filter(each -> each.readings().equals(log.kept()))
                .map(PackInUse.History::name)
                .findFirst();
    }

    @Override
    public void take(GroupLogIntake.Taken log) {
        model.log(
                "History of " + model.inHand().name(),
                Origin.IMPORTED.mark(
                        new UseFact.HistoryLogged(
                                model.inHand().name(), log.name(), from(log), log.kept())));
    }

    private Instant from(GroupLogIntake.Taken log) {
        double first = log.whole().seconds().get(0);
        if (first > SampleLog.MOST_SECONDS) return Instant.ofEpochMilli(Math.round(1000 * first));
        List<Double> seconds = log.kept().seconds();
        return model.desk()
                .now()
                .minus(Duration.ofMillis(Math.round(1000 * seconds.get(seconds.size() - 1))));
    }
}
