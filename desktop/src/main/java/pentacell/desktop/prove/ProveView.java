package pentacell.desktop.prove;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.PackChoice;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.kit.FigureRow;
import pentacell.desktop.kit.StationPanes;

/// What Prove shows: the pack in hand with its figures, and a pane for each question.
final class ProveView {
    private final StationPanes panes;
    private final FigureRow figures = new FigureRow();
    private final Label arrangement = figures.loudest("prove-arrangement", "Pack");
    private final Label ampHours = figures.figure("prove-amp-hours", "Gave / Ah");
    private final Label wattHours = figures.figure("prove-watt-hours", "Gave / Wh");
    private final Label expected = figures.figure("prove-expected", "Of expected / %");
    private final Label ohms = figures.figure("prove-ohms", "Pack / mΩ");
    private final Label verdict = figures.figure("prove-verdict", "Verdict");
    private final ComboBox<String> pack;
    private final QuickBar quick;

    ProveView(Desk desk, FileAsk files, ProveModel model, LoadLogs logs, LineRun run) {
        pack = PackChoice.of("prove-pack", desk, model.inHand());
        quick = new QuickBar(desk, ProveQuick.of(model), "A reading of the pack");
        panes = new StationPanes("prove-station", figures.node(), pack);
        panes.add(ProveStation.LOAD_TEST, () -> new LoadTestPane(model, logs, files))
                .add(ProveStation.RUN, () -> new TestRunPane(model, run))
                .add(ProveStation.GROUPS, () -> new GroupsPane(model))
                .add(ProveStation.HEAT, () -> new HeatPane(model))
                .add(ProveStation.CHARGE, () -> new ChargePane(model))
                .add(ProveStation.SYSTEM, () -> new SystemPane(model))
                .add(ProveStation.VERDICT, () -> new VerdictPane(model));
        panes.node().sceneProperty().subscribe(scene -> model.watched(scene != null));
        model.judgedProperty().subscribe(this::figures);
        show(ProveStation.LOAD_TEST);
    }

    private void figures(Optional<ProveModel.Judged> judged) {
        Optional<Tested> last = judged.flatMap(now -> now.pack().lastWhole());
        arrangement.setText(
                judged.map(now -> now.pack().built().pack().rules().arrangement()).orElse("–"));
        ampHours.setText(
                last.map(each -> Quantity.CHARGE.number(each.test().ampHours())).orElse("–"));
        wattHours.setText(
                last.map(each -> Quantity.ENERGY.number(each.test().wattHours(), 0)).orElse("–"));
        expected.setText(
                last.filter(each -> each.againstExpected().isPresent())
                        .map(each ->
                                Quantity.PERCENT.number(
                                        100 * each.againstExpected().getAsDouble(), 0))
                        .orElse("–"));
        ohms.setText(
                last.filter(each -> each.test().packMilliohms().isPresent())
                        .map(each ->
                                Quantity.RESISTANCE.number(
                                        each.test().packMilliohms().getAsDouble(), 0))
                        .orElse("–"));
        verdict.setText(judged.map(now -> now.verdict().level().words()).orElse("–"));
    }

    Node node() {
        return panes.node();
    }

    QuickBar quickLine() {
        return quick;
    }

    void show(String name) {
        panes.show(name);
    }
}
