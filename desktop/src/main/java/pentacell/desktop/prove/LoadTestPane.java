package pentacell.desktop.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.SwapAdvice;
import pentacell.core.journal.Origin;
import pentacell.core.prove.ProveWords;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.PackWork;
import pentacell.desktop.frame.WatchedFolderField;
import pentacell.desktop.kit.Captioned;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Wrapping;

/// A load test of the whole pack: the fan of its groups, who ended it and why, what to swap.
final class LoadTestPane extends VBox {
    private final ProveModel model;
    private final FileAsk files;
    private final Label meaning = Wrapping.on(new Label());
    private final Label remedy = Wrapping.on(new Label());
    private final Label before = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final ComboBox<String> tests = new ComboBox<>();
    private final FanPicture fan = new FanPicture();
    private final NumberField end;
    private final CheckBox corrected = new CheckBox("As this workshop’s packs gave");
    private final LoadLogs logs;
    private boolean isFilling;

    LoadTestPane(ProveModel model, LoadLogs logs, FileAsk files) {
        this.model = model;
        this.files = files;
        this.logs = logs;
        logs.intake().onSaid(message::setText);
        setId("load-test-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("load-test-meaning");
        meaning.getStyleClass().add("meaning");
        remedy.setId("load-test-remedy");
        before.setId("load-test-before");
        message.setId("load-test-message");
        message.getStyleClass().add("match-message");
        end =
                new NumberField(
                        "load-test-end",
                        "Ends at / V a group",
                        "",
                        "volts of a group",
                        0.5,
                        4.5,
                        message::setText);
        tests.setId("load-tests");
        tests.setPromptText("no test yet");
        tests.setPrefWidth(220);
        tests.valueProperty()
                .subscribe(name -> {
                    if (name != null && !isFilling) model.look(name);
                });
        VBox.setVgrow(fan, Priority.ALWAYS);
        getChildren()
                .addAll(
                        meaning,
                        remedy,
                        before,
                        ControlRow.of(
                                Captioned.of("Test", tests),
                                end,
                                PlainButton.of("Import a log", "load-test-import", this::read),
                                new WatchedFolderField(
                                                logs.intake(), "load-test-folder", message::setText)
                                        .node(),
                                corrected,
                                ControlRow.gap(),
                                PlainButton.of("Swap at Match", "load-test-swap", this::atMatch)),
                        message,
                        fan);
        OnlyWhenSaid.of(remedy, before, message);
        corrected.setId("load-test-corrected");
        corrected.setMinWidth(USE_PREF_SIZE);
        corrected.setSelected(model.isCorrected());
        corrected.setTooltip(
                new Tooltip(
                        "Expects of this pack what the other packs of this workshop gave of what their cells let expect."));
        corrected.setOnAction(pressed -> model.correct(corrected.isSelected()));
        model.judgedProperty().subscribe(this::fill);
        model.testProperty().subscribe(this::show);
    }

    private void atMatch() {
        model.desk().selection().handOver(new PackWork(model.inHand().name(), PackWork.Kind.MATCH));
    }

    private void fill(Optional<ProveModel.Judged> judged) {
        isFilling = true;
        tests.getItems()
                .setAll(
                        judged.map(now -> now.pack().shown().stream().map(Tested::name).toList())
                                .orElse(List.of()));
        tests.setValue(model.testProperty().get().map(Tested::name).orElse(null));
        end.empty(
                judged.map(now -> Quantity.VOLTAGE.number(now.pack().usualEndVolts(), 2))
                        .orElse("3.00"));
        isFilling = false;
        boolean isKnown =
                judged.flatMap(ProveModel.Judged::ratio)
                        .map(ratio -> ratio.without(model.inHand().name()).isPresent())
                        .orElse(false);
        corrected.setVisible(isKnown);
        corrected.setManaged(isKnown);
        show(model.testProperty().get());
    }

    private void show(Optional<Tested> test) {
        isFilling = true;
        tests.setValue(test.map(Tested::name).orElse(null));
        isFilling = false;
        fan.show(test);
        Optional<ProveModel.Judged> judged = model.judgedProperty().get();
        if (judged.isEmpty()) {
            meaning.setText("Match a pack first (Ctrl+6); here it is loaded and judged.");
            remedy.setText("");
            before.setText("");
            return;
        }
        meaning.setText(
                test.map(now -> origin(now) + ProveWords.outcome(now))
                        .orElse(
                                "No load test yet: charge the pack full, load it, and import the log, or type its readings below."));
        remedy.setText(
                test.filter(Tested::proves).map(now -> remedy(now, judged.get())).orElse(""));
        before.setText(
                test.filter(Tested::proves).map(now -> before(now, judged.get())).orElse(""));
    }

    private static String origin(Tested test) {
        if (test.proves()) return "";
        return test.origin() == Origin.STAND_IN
                ? "▲ These readings come from a stand-in and prove nothing. "
                : "▲ An older version logged this and did not note whether the board was real. It proves nothing. ";
    }

    private static String remedy(Tested now, ProveModel.Judged judged) {
        List<String> lines = new ArrayList<>();
        now.shortfall().map(ProveWords::remedy).ifPresent(lines::add);
        boolean isLast = judged.pack().lastWhole().equals(Optional.of(now));
        if (now.shortfall().isPresent() && isLast)
            lines.add(
                    judged.swaps().isEmpty()
                            ? "No cell in stock keeps the rules of the match in its place."
                            : "Test first, alone, and swap what falls short: "
                                    + judged.swaps().stream()
                                            .map(SwapAdvice::sentence)
                                            .collect(Collectors.joining("; "))
                                    + ".");
        return String.join("\n", lines);
    }

    /// The test before this one, beside it.
    private static String before(Tested now, ProveModel.Judged judged) {
        List<Tested> all = judged.pack().tests();
        int at = all.indexOf(now);
        List<String> said = new ArrayList<>();
        now.againstExpected()
                .ifPresent(share ->
                        said.add(
                                "Expected %s%s; it gave %s of that."
                                        .formatted(
                                                Quantity.CHARGE.text(
                                                        now.fan().expectedAmpHours().orElse(0)),
                                                judged.correction().isPresent()
                                                        ? ", %s of what the cells say"
                                                                .formatted(
                                                                        Quantity.PERCENT.text(
                                                                                100
                                                                                        * judged.correction()
                                                                                                .getAsDouble(),
                                                                                0))
                                                        : "",
                                                Quantity.PERCENT.text(100 * share, 0))));
        judged.ratio()
                .filter(ratio -> ratio.packs().size() > 1)
                .ifPresent(ratio ->
                        said.add(
                                "Over %s of this workshop %s%s."
                                        .formatted(
                                                Count.of(ratio.packs().size(), "pack", "packs"),
                                                Quantity.PERCENT.text(100 * ratio.mean(), 0),
                                                ratio.deviation().isPresent()
                                                        ? " ± "
                                                                + Quantity.PERCENT.text(
                                                                        100
                                                                                * ratio.deviation()
                                                                                        .getAsDouble(),
                                                                        0)
                                                        : "")));
        if (at > 0) {
            Tested earlier = all.get(at - 1);
            double change = now.test().wattHours() - earlier.test().wattHours();
            said.add(
                    "Before (%s): %s; now %s %s."
                            .formatted(
                                    earlier.name(),
                                    Quantity.CHARGE.text(earlier.test().ampHours()),
                                    Quantity.ENERGY.text(Math.abs(change), 0),
                                    change < 0 ? "less" : "more"));
        }
        return String.join(" ", said);
    }

    private void read() {
        if (model.judgedProperty().get().isEmpty() || end.mark()) return;
        logs.endsAt(end.isBlank() ? OptionalDouble.empty() : end.typed());
        files.which("Log of a load test", "Logs of groups", "*.csv").ifPresent(logs.intake()::take);
    }
}
