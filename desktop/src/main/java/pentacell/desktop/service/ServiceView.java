package pentacell.desktop.service;

import java.time.ZoneId;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import pentacell.core.service.ServicedPack;
import pentacell.core.service.Watch;
import pentacell.core.unit.DayText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.PackChoice;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.kit.FigureRow;
import pentacell.desktop.kit.StationPanes;

/// What Service shows: the pack in hand with its figures, and a pane for each question.
final class ServiceView {
    private final StationPanes panes;
    private final FigureRow figures = new FigureRow();
    private final Label arrangement = figures.loudest("service-arrangement", "Pack");
    private final Label findings = figures.figure("service-findings", "Findings");
    private final Label low = figures.figure("service-low", "Apart, low / mV");
    private final Label high = figures.figure("service-high", "Apart, full / mV");
    private final Label trend = figures.figure("service-trend", "mV per 30 days");
    private final Label read = figures.figure("service-read", "Last read");
    private final ComboBox<String> pack;
    private final QuickBar quick;

    ServiceView(Desk desk, FileAsk files, ServiceModel model, UseLogs logs) {
        pack = PackChoice.of("service-pack", desk, model.inHand());
        quick = new QuickBar(desk, ServiceQuick.of(model), "A reading of the pack in use");
        panes = new StationPanes("service-station", figures.node(), pack);
        panes.add(ServiceStation.NOW, () -> new NowPane(model, logs, files, this::show))
                .add(ServiceStation.HISTORY, () -> new HistoryPane(model))
                .add(ServiceStation.SEARCH, () -> new SearchPane(model))
                .add(ServiceStation.REPAIR, () -> new CanRepairPane(model))
                .add(ServiceStation.YEARS, () -> new YearsPane(model, files));
        panes.node().sceneProperty().subscribe(scene -> model.watched(scene != null));
        model.judgedProperty().subscribe(this::figures);
        show(ServiceStation.NOW);
    }

    private void figures(Optional<ServiceModel.Judged> judged) {
        Optional<ServicedPack> now = judged.map(ServiceModel.Judged::pack);
        Optional<Watch> watch = now.flatMap(ServicedPack::watch);
        arrangement.setText(now.map(each -> each.built().pack().rules().arrangement()).orElse("–"));
        findings.setText(
                watch.isEmpty()
                        ? "–"
                        : String.valueOf(now.map(each -> each.findings().size()).orElse(0)));
        low.setText(
                watch.map(each -> Quantity.MILLIVOLTS.number(each.spreadLowMillivolts()))
                        .orElse("–"));
        high.setText(
                watch.map(each -> Quantity.MILLIVOLTS.number(each.spreadHighMillivolts()))
                        .orElse("–"));
        trend.setText(
                watch.map(each -> Quantity.MILLIVOLTS.number(each.trendMillivolts())).orElse("–"));
        read.setText(
                now.flatMap(ServicedPack::lastRead)
                        .map(at -> DayText.of(at.atZone(ZoneId.systemDefault()).toLocalDate()))
                        .orElse("–"));
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
