package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.CellId;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchOutlook;
import pentacell.core.match.SearchEffort;
import pentacell.core.match.TradeOff;
import pentacell.core.pack.MatchRules;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Job;
import pentacell.desktop.kit.Background;

/// The trade-off of the pack in hand, while it is drawn and afterwards.
final class TradeOffModel {
    static final int POINTS = 12;

    private static final SearchEffort EFFORT = SearchEffort.forSeconds(0.4, 1);

    private final Desk desk;
    private final MatchModel match;
    private final ReadOnlyObjectWrapper<List<Outlook>> curve =
            new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyBooleanWrapper isDrawing = new ReadOnlyBooleanWrapper();
    private Job drawing = Job.none();

    TradeOffModel(Desk desk, MatchModel match) {
        this.desk = desk;
        this.match = match;
    }

    /// Forgets the curve: it was of another pack.
    void clear() {
        cancel();
        curve.set(List.of());
    }

    /// A point of the trade-off and what it means in use.
    ///
    /// @param discharged the discharge simulated of it; empty where a resistance is not known
    record Outlook(TradeOff.Point point, Optional<MatchOutlook.InUse> discharged) {
        MatchFigures figures() {
            return point.result().figures();
        }
    }

    ReadOnlyObjectProperty<List<Outlook>> curveProperty() {
        return curve.getReadOnlyProperty();
    }

    /// Computes the curve of capacity against the limit on IR spread, point by point.
    void draw(MatchRules rules) {
        List<Candidate> candidates = match.free(rules);
        Map<CellId, Integer> locks = match.locks(rules);
        clear();
        isDrawing.set(true);
        drawing =
                desk.work()
                        .lane("trade-off")
                        .run(
                                job ->
                                        TradeOff.curve(
                                                candidates,
                                                rules,
                                                locks,
                                                POINTS,
                                                EFFORT,
                                                MatchModel.watch(job),
                                                point -> {
                                                    Outlook outlook =
                                                            new Outlook(
                                                                    point,
                                                                    MatchOutlook.inUse(
                                                                            point.result().groups(),
                                                                            candidates));
                                                    Background.tell(() -> add(job, outlook));
                                                }),
                                points -> {
                                    isDrawing.set(false);
                                    if (points.isEmpty() && !drawing.isCancelled())
                                        desk.notices()
                                                .say(
                                                        "No curve: every cell needs a resistance, and the other rules must be possible.");
                                },
                                failure -> {
                                    isDrawing.set(false);
                                    desk.notices().say("No curve: " + failure.getMessage());
                                });
    }

    private void add(Job job, Outlook outlook) {
        if (job.isCancelled()) return;
        List<Outlook> longer = new ArrayList<>(curve.get());
        longer.add(outlook);
        curve.set(List.copyOf(longer));
        isDrawing.set(longer.size() < POINTS);
    }

    void cancel() {
        drawing.cancel();
        isDrawing.set(false);
    }

    /// Whether the curve is growing.
    ReadOnlyBooleanProperty drawingProperty() {
        return isDrawing.getReadOnlyProperty();
    }

    /// Takes the match of a point of the curve for the pack in hand.
    void take(TradeOff.Point point) {
        match.take(
                point.result().rules(),
                point.result().groups(),
                "Took the match within %s."
                        .formatted(Quantity.RESISTANCE.text(point.limitMilliohms())));
    }
}
