package pentacell.desktop.build;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.BuildStep;
import pentacell.core.build.BuildSteps;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.Ticked;
import pentacell.core.unit.Sentence;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.Scrolled;
import pentacell.desktop.kit.When;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;

/// The steps of the work, each with its hazard where it bites, to be ticked off.
final class StepsPane extends VBox {
    private final BuildModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final VBox list = new VBox();
    private String packShown = "";
    private List<BuildStep> steps = List.of();
    private List<Row> rows = List.of();

    StepsPane(BuildModel model) {
        this.model = model;
        setId("steps-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("steps-meaning");
        meaning.getStyleClass().add("meaning");
        message.setId("steps-message");
        message.getStyleClass().add("match-message");
        list.getStyleClass().add("checks");
        Scrolled scroll = new Scrolled(list);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(meaning, message, scroll);
        OnlyWhenSaid.of(message);
        model.builtProperty().subscribe(this::show);
        // a tick shows as soon as it is logged, before the pack is worked out again
        WhenShown.run(this, model.desk().ledger().stateProperty(), this::showTicks);
    }

    private void show(Optional<PackToBuild> built) {
        String name = model.packProperty().get();
        List<BuildStep> now = built.map(each -> each.steps(model.laidOut())).orElse(List.of());
        if (!name.equals(packShown) || !now.equals(steps)) {
            packShown = name;
            steps = now;
            rows = steps.stream().map(Row::new).toList();
            message.setText("");
            list.getChildren().setAll(rows);
        }
        showTicks();
    }

    /// Rows stay while the steps do: what is being typed into one of them is not lost.
    private void showTicks() {
        Map<String, Ticked> done = model.assembly().ticked();
        long left = steps.stream().filter(step -> !done.containsKey(step.code())).count();
        meaning.setText(
                steps.isEmpty()
                        ? "Match a pack first (Ctrl+6); its steps are written here."
                        : left == 0
                                ? "All steps are done."
                                : "%d of %d steps done. Next: %s."
                                        .formatted(
                                                steps.size() - left,
                                                steps.size(),
                                                steps.stream()
                                                        .filter(step ->
                                                                !done.containsKey(step.code()))
                                                        .findFirst()
                                                        .map(next -> Sentence.within(next.title()))
                                                        .orElse("")));
        rows.forEach(row -> row.show(Optional.ofNullable(done.get(row.step.code()))));
    }

    /// A step: its tick, what is to be done, and a remark for the day it is done.
    private final class Row extends HBox {
        private final BuildStep step;
        private final CheckBox tick = new CheckBox();
        private final TextField remark = new TextField();
        private final VBox text = new VBox();
        private final Label title;
        private Optional<Ticked> shown = Optional.empty();

        Row(BuildStep step) {
            this.step = step;
            title = Wrapping.on(new Label(number(step) + "  " + step.title()));
            title.getStyleClass().add("check-name");
            tick.setId("step-" + step.code());
            tick.setAccessibleText(step.title());
            text.setSpacing(2);
            HBox.setHgrow(text, Priority.ALWAYS);
            remark.setId("remark-" + step.code());
            remark.setPromptText("remark, or a picture’s path");
            remark.setPrefColumnCount(17);
            remark.setMinWidth(USE_PREF_SIZE);
            tick.setOnAction(pressed -> tick(step, tick, remark.getText().strip()));
            remark.setOnAction(enter -> {
                tick.setSelected(true);
                tick(step, tick, remark.getText().strip());
            });
            getStyleClass().add("check-row");
            getChildren().addAll(tick, text, remark);
            write();
        }

        void show(Optional<Ticked> done) {
            if (done.equals(shown)) return;
            shown = done;
            tick.setSelected(done.isPresent());
            if (done.isPresent()) remark.clear();
            write();
        }

        private void write() {
            remark.setVisible(shown.isEmpty());
            remark.setManaged(shown.isEmpty());
            text.getChildren().setAll(title);
            if (shown.isPresent()) {
                say(doneWords(shown.get()), "caption");
                return;
            }
            text.getChildren().add(Wrapping.on(new Label(step.how())));
            step.hazard().ifPresent(hazard -> say("▲ " + hazard, "step-hazard"));
            if (!step.materials().isEmpty()) say(String.join(" · ", step.materials()), "caption");
        }

        private void say(String words, String look) {
            Label line = Wrapping.on(new Label(words));
            line.getStyleClass().add(look);
            text.getChildren().add(line);
        }
    }

    private int number(BuildStep step) {
        return steps.indexOf(step) + 1;
    }

    private static String doneWords(Ticked done) {
        List<String> words = new ArrayList<>();
        words.add("done " + When.WEEKDAY_AND_DAY.words(done.at().atZone(ZoneId.systemDefault())));
        if (!done.remark().isEmpty()) words.add(done.remark());
        done.photo().ifPresent(photo -> words.add("picture " + photo));
        return String.join(" · ", words);
    }

    private void tick(BuildStep step, CheckBox box, String typed) {
        String pack = model.packProperty().get();
        if (!box.isSelected()) {
            log("Step to do again: ", step, box, tick(pack, step, AssemblyFact.Tick.OPEN, ""));
            return;
        }
        // the step before may be ticked, but not on the disk yet
        Set<String> done =
                Assemblies.of(model.desk().ledger().expected()).assembly(pack).ticked().keySet();
        List<BuildStep> before = BuildSteps.openBefore(step, steps, done);
        if (!before.isEmpty() && typed.isEmpty()) {
            box.setSelected(false);
            message.setText(
                    "First: %s. To tick it all the same, write why into its remark."
                            .formatted(
                                    before.stream()
                                            .map(next -> Sentence.within(next.title()))
                                            .collect(Collectors.joining(", "))));
            return;
        }
        message.setText("");
        log("Step done: ", step, box, tick(pack, step, AssemblyFact.Tick.DONE, typed));
    }

    private static AssemblyFact tick(
            String pack, BuildStep step, AssemblyFact.Tick tick, String typed) {
        boolean isPhoto = typed.matches("(?i)\\S+\\.(png|jpe?g|webp|heic|gif)");
        return new AssemblyFact.WorkTicked(
                pack,
                step.code(),
                tick,
                isPhoto ? "" : typed,
                isPhoto ? Optional.of(typed) : Optional.empty());
    }

    /// What could not be written is not ticked.
    private void log(String words, BuildStep step, CheckBox box, AssemblyFact fact) {
        model.desk()
                .ledger()
                .logOnce(
                        words + step.title(),
                        List.of(fact),
                        () -> {},
                        why -> box.setSelected(model.assembly().ticked().containsKey(step.code())));
    }
}
