package pentacell.desktop.service;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.service.CanFault;
import pentacell.core.service.Finding;
import pentacell.core.service.ServiceFindingWords;
import pentacell.core.service.ServicedPack;
import pentacell.core.service.StrayBands;
import pentacell.core.service.Watch;
import pentacell.core.service.facts.Alarms;
import pentacell.core.service.facts.UseFact;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.WatchedFolderField;
import pentacell.desktop.kit.Captioned;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.NumberField.NotUnderstood;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Wrapping;
import pentacell.instruments.bench.PackProbe;

/// What stands out of a pack in use: the likely cause, what to look at next, and what every group
/// reads.
final class NowPane extends VBox {
    /// Shared with Prove: mostly it is the same board.
    private static final String BOARD = "pack-board-address";

    private final ServiceModel model;
    private final UseLogs logs;
    private final FileAsk files;
    private final Consumer<String> goTo;
    private final Label meaning = Wrapping.on(new Label());
    private final VBox findings = new VBox(8);
    private final Label balance = Wrapping.on(new Label());
    private final Label alarms = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final FittedTable<Row> groups =
            new FittedTable<>("now-groups", "Match a pack first (Ctrl+6).");
    private final TextField board = new TextField();
    private final NumberField low = field("alarm-low", "Low / V", 0.5, 4);
    private final NumberField high = field("alarm-high", "High / V", 1, 5);
    private final NumberField spread = field("alarm-spread", "Apart at rest / mV", 1, 5000);
    private final NumberField warm = field("alarm-warm", "Warm / °C", 20, 75);

    /// A group.
    ///
    /// @param volts it read last
    /// @param full what it strays by near full, in mV; then at rest, then near empty
    private record Row(
            int group,
            OptionalDouble volts,
            OptionalDouble full,
            OptionalDouble rest,
            OptionalDouble empty) {}

    /// @param goTo shows another pane
    NowPane(ServiceModel model, UseLogs logs, FileAsk files, Consumer<String> goTo) {
        this.model = model;
        this.logs = logs;
        this.files = files;
        this.goTo = goTo;
        setId("now-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("now-meaning");
        meaning.getStyleClass().add("meaning");
        findings.setId("now-findings");
        balance.setId("now-balance");
        alarms.setId("now-alarms");
        message.setId("now-message");
        message.getStyleClass().add("match-message");
        groups.count("Group", row -> row.group() + 1)
                .measured("Last read / V", Quantity.VOLTAGE, Row::volts)
                .measured("Near full / mV", Quantity.MILLIVOLTS, Row::full)
                .measured("At rest / mV", Quantity.MILLIVOLTS, Row::rest)
                .measured("Near empty / mV", Quantity.MILLIVOLTS, Row::empty)
                .inThisOrder();
        board.setId("service-board");
        board.setPromptText("127.0.0.1:7801");
        board.setPrefColumnCount(10);
        model.desk().settings().get(BOARD).ifPresent(board::setText);
        board.setOnAction(enter -> readBoard());
        groups.setMinHeight(110);
        VBox.setVgrow(groups, Priority.ALWAYS);
        logs.intake().onSaid(message::setText);
        getChildren()
                .addAll(
                        meaning,
                        findings,
                        balance,
                        alarms,
                        message,
                        groups,
                        ControlRow.of(
                                PlainButton.of("Import a history", "history-import", this::read),
                                new WatchedFolderField(
                                                logs.intake(), "history-folder", message::setText)
                                        .node(),
                                Captioned.of("Board at", board),
                                PlainButton.of("Read the board", "board-read", this::readBoard)),
                        ControlRow.of(
                                low,
                                high,
                                spread,
                                warm,
                                PlainButton.of("Set alarms", "alarms-set", this::setAlarms)));
        OnlyWhenSaid.of(balance, alarms, message);
        model.judgedProperty().subscribe(this::show);
    }

    private NumberField field(String id, String caption, double least, double most) {
        return new NumberField(
                id,
                caption,
                "",
                "a figure from %s to %s"
                        .formatted(NumberField.plain(least), NumberField.plain(most)),
                least,
                most,
                text -> message.setText(text));
    }

    private void read() {
        if (model.judgedProperty().get().isEmpty()) return;
        files.which("History of a pack", "Logs of groups", "*.csv").ifPresent(logs.intake()::take);
    }

    /// One reading of the board on the line, logged as one by hand.
    private void readBoard() {
        Optional<ServicedPack> pack = model.judgedProperty().get().map(ServiceModel.Judged::pack);
        String address = board.getText().strip();
        if (pack.isEmpty()) return;
        if (address.isEmpty()) {
            message.setText("Type where the board answers, such as 127.0.0.1:7801.");
            return;
        }
        message.setText("");
        model.desk().settings().put(BOARD, address);
        int series = pack.get().built().groups().size();
        model.desk()
                .work()
                .lane("board")
                .run(
                        job -> PackProbe.groups(address),
                        read -> {
                            if (read.volts().size() != series) {
                                message.setText(
                                        "The board reads %s, the pack has %d: is it another pack's?"
                                                .formatted(
                                                        Count.of(
                                                                read.volts().size(),
                                                                "group",
                                                                "groups"),
                                                        series));
                                return;
                            }
                            model.log(
                                    "Read the board of " + model.inHand().name(),
                                    new UseFact.GroupsSeen(
                                            model.inHand().name(), read.amps(), read.volts()));
                        },
                        failure -> message.setText(String.valueOf(failure.getMessage())));
    }

    private void setAlarms() {
        Optional<ServicedPack> pack = model.judgedProperty().get().map(ServiceModel.Judged::pack);
        if (pack.isEmpty()) return;
        Alarms before = pack.get().alarmLimits();
        try {
            double least = low.number().orElse(before.lowVolts());
            double most = high.number().orElse(before.highVolts());
            if (!(most > least)) throw low.complain("The high alarm lies above the low one.");
            message.setText("");
            model.log(
                    "Alarms of " + model.inHand().name(),
                    new UseFact.AlarmsSet(
                            model.inHand().name(),
                            new Alarms(
                                    least,
                                    most,
                                    spread.number().orElse(before.spreadMillivolts()),
                                    warm.number().isPresent()
                                            ? warm.number()
                                            : before.warmCelsius())));
        } catch (NotUnderstood said) {
            // the field says what was expected
        }
    }

    private void show(Optional<ServiceModel.Judged> judged) {
        Optional<ServicedPack> pack = judged.map(ServiceModel.Judged::pack);
        groups.getItems().setAll(pack.map(NowPane::rows).orElse(List.of()));
        meaning.setText(
                pack.map(NowPane::meaning)
                        .orElse("Match a pack first (Ctrl+6); here it is looked after for years."));
        List<Node> blocks = new ArrayList<>();
        pack.ifPresent(now -> {
            boolean isAlone = now.findings().size() == 1;
            now.findings().forEach(each -> blocks.add(block(each, isAlone)));
        });
        findings.getChildren().setAll(blocks);
        findings.setManaged(!blocks.isEmpty());
        balance.setText(pack.map(NowPane::balance).orElse(""));
        alarms.setText(
                pack.map(now ->
                                now.alarms().stream()
                                        .map(alarm ->
                                                ServiceFindingWords.sentence(
                                                        alarm, ZoneId.systemDefault()))
                                        .reduce((one, next) -> one + " " + next)
                                        .orElse(""))
                        .orElse(""));
        Optional<Alarms> limits = pack.map(ServicedPack::alarmLimits);
        low.empty(limits.map(each -> NumberField.plain(each.lowVolts())).orElse(""));
        high.empty(limits.map(each -> NumberField.plain(each.highVolts())).orElse(""));
        spread.empty(limits.map(each -> NumberField.plain(each.spreadMillivolts())).orElse(""));
        warm.empty(limits.map(each -> NumberField.plain(each.warmest())).orElse(""));
        if (limits.isPresent() && pack.get().use().alarms().isPresent()) {
            low.show("");
            high.show("");
            spread.show("");
            warm.show("");
        }
    }

    private static String balance(ServicedPack pack) {
        return pack.watch().map(Watch::outOfBalance).orElse(List.of()).stream()
                .map(each ->
                        Sentence.whole(ServiceFindingWords.sentence(each))
                                + " "
                                + Sentence.whole(
                                        ServiceFindingWords.remedy(
                                                each, pack.built().balancerMilliamps())))
                .collect(Collectors.joining("\n"));
    }

    private static String meaning(ServicedPack pack) {
        if (pack.history().isEmpty())
            return "Nothing was read of this pack in use yet: import the history of its board, or type its groups below.";
        if (pack.watch().isEmpty())
            return pack.use().lastChange().isPresent()
                    ? "Too little was read since the repair to tell anything: half a day of readings or more is wanted."
                    : "Too little was read to tell causes: half a day of readings or more is wanted.";
        int count = pack.findings().size();
        if (count == 0)
            return "Nothing stands out: groups are %s apart near empty, %s near full."
                    .formatted(
                            Quantity.MILLIVOLTS.text(pack.watch().get().spreadLowMillivolts()),
                            Quantity.MILLIVOLTS.text(pack.watch().get().spreadHighMillivolts()));
        return count == 1
                ? Sentence.whole(ServiceFindingWords.sentence(pack.findings().getFirst()))
                : Sentence.begin(Count.of(count, "thing", "things")) + " stand out.";
    }

    private static String whole(String words) {
        return words.isEmpty() ? "" : Sentence.whole(words);
    }

    /// @param isAlone whether its sentence stands over the pane already
    private Node block(Finding finding, boolean isAlone) {
        String id = "%s-%d".formatted(finding.cause().code(), finding.group() + 1);
        Label what =
                Wrapping.on(
                        new Label(
                                "Likely in group %d: %s (%s sure)"
                                        .formatted(
                                                finding.group() + 1,
                                                finding.cause().words(),
                                                Quantity.PERCENT.text(100 * finding.sure(), 0))));
        what.setId("finding-" + id);
        what.getStyleClass().add("section");
        Label figures =
                Wrapping.on(
                        new Label(
                                isAlone
                                        ? whole(ServiceFindingWords.figure(finding))
                                        : Sentence.whole(ServiceFindingWords.sentence(finding))
                                                + " "
                                                + whole(ServiceFindingWords.figure(finding))));
        OnlyWhenSaid.of(figures);
        Label check = Wrapping.on(new Label("Next: " + ServiceFindingWords.check(finding) + "."));
        ReasonField reason = new ReasonField("aside-reason-" + id);
        ControlRow row =
                ControlRow.of(
                        PlainButton.of(
                                ServiceWords.goOn(finding.cause()),
                                "go-on-" + id,
                                () -> goOn(finding)),
                        ControlRow.gap(),
                        reason,
                        PlainButton.of(
                                "Set it aside",
                                "aside-" + id,
                                () -> setAside(finding, reason.getText())));
        VBox block = new VBox(3, what, figures, check, row);
        block.getStyleClass().add("finding");
        return block;
    }

    private void goOn(Finding finding) {
        model.searchGroup(finding.group());
        switch (finding.cause()) {
            case CELLS_OFF -> {
                model.search(CanFault.BROKEN_JOINT);
                goTo.accept(ServiceStation.SEARCH);
            }
            case SELF_DISCHARGE -> {
                model.search(CanFault.HEATER);
                goTo.accept(ServiceStation.SEARCH);
            }
            case RESISTANCE, MISREAD, UNEVEN_LOAD -> goTo.accept(ServiceStation.HISTORY);
        }
    }

    private void setAside(Finding finding, String reason) {
        if (reason.isBlank()) {
            message.setText("Write why it is no trouble; the reason is logged.");
            return;
        }
        message.setText("");
        model.log(
                "Group %d: no trouble".formatted(finding.group() + 1),
                new UseFact.TroubleSetAside(
                        model.inHand().name(), finding.group(), finding.cause(), reason.strip()));
    }

    private static List<Row> rows(ServicedPack pack) {
        List<Row> rows = new ArrayList<>();
        Optional<StrayBands> bands = pack.recent().or(pack::bands);
        for (int g = 0; g < pack.built().groups().size(); g++) {
            int group = g;
            rows.add(
                    new Row(
                            g,
                            pack.lastVolts(g),
                            bands.map(all -> StrayBands.usual(all.nearFull(), group))
                                    .orElse(OptionalDouble.empty()),
                            bands.map(all -> StrayBands.usual(all.atRest(), group))
                                    .orElse(OptionalDouble.empty()),
                            bands.map(all -> StrayBands.usual(all.nearEmpty(), group))
                                    .orElse(OptionalDouble.empty())));
        }
        return rows;
    }
}
