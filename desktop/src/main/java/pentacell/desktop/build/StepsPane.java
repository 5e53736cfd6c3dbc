package pentacell.desktop.build;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.assembly.AssemblyFact;
import pentacell.core.assembly.Ticked;
import pentacell.core.build.BuildStep;
import pentacell.core.build.BuildSteps;
import pentacell.core.build.PackToBuild;
import pentacell.core.unit.Sentence;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.Scrolled;
import pentacell.desktop.kit.When;
import pentacell.desktop.kit.Wrapping;

/// The steps of the work, each with its hazard where it bites, to be ticked off.
final class StepsPane extends VBox {
    private final BuildModel model;
    private final Label meaning = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final VBox list = new VBox();
    private List<BuildStep> steps = List.of();
    private Map<String, Ticked> ticked = Map.of();

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
    }

    private void show(Optional<PackToBuild> built) {
        List<BuildStep> now = built.map(pack -> pack.steps(model.laidOut())).orElse(List.of());
        Map<String, Ticked> done = model.assembly().ticked();
        long left = now.stream().filter(step -> !done.containsKey(step.code())).count();
        meaning.setText(
                now.isEmpty()
                        ? "Match a pack first (Ctrl+6); its steps are written here."
                        : left == 0
                                ? "All steps are done."
                                : "%d of %d steps done. Next: %s."
                                        .formatted(
                                                now.size() - left,
                                                now.size(),
                                                now.stream()
                                                        .filter(step ->
                                                                !done.containsKey(step.code()))
                                                        .findFirst()
                                                        .map(next -> Sentence.within(next.title()))
                                                        .orElse("")));
        if (now.equals(steps) && done.equals(ticked)) return;
        steps = now;
        ticked = done;
        message.setText("");
        list.getChildren().setAll(steps.stream().map(this::row).toList());
    }

    private HBox row(BuildStep step) {
        Optional<Ticked> done = Optional.ofNullable(ticked.get(step.code()));
        CheckBox tick = new CheckBox();
        tick.setId("step-" + step.code());
        tick.setAccessibleText(step.title());
        tick.setSelected(done.isPresent());
        Label title = Wrapping.on(new Label(number(step) + "  " + step.title()));
        title.getStyleClass().add("check-name");
        VBox text = new VBox(title);
        text.setSpacing(2);
        if (done.isEmpty()) {
            text.getChildren().add(Wrapping.on(new Label(step.how())));
            step.hazard()
                    .ifPresent(hazard -> {
                        Label line = Wrapping.on(new Label("▲ " + hazard));
                        line.getStyleClass().add("step-hazard");
                        text.getChildren().add(line);
                    });
            if (!step.materials().isEmpty()) {
                Label line = Wrapping.on(new Label(String.join(" · ", step.materials())));
                line.getStyleClass().add("caption");
                text.getChildren().add(line);
            }
        } else {
            Label line = Wrapping.on(new Label(doneWords(done.get())));
            line.getStyleClass().add("caption");
            text.getChildren().add(line);
        }
        HBox.setHgrow(text, Priority.ALWAYS);
        TextField remark = new TextField();
        remark.setId("remark-" + step.code());
        remark.setPromptText("remark, or a picture’s path");
        remark.setPrefColumnCount(17);
        remark.setMinWidth(USE_PREF_SIZE);
        remark.setVisible(done.isEmpty());
        remark.setManaged(done.isEmpty());
        tick.setOnAction(pressed -> tick(step, tick, remark.getText().strip()));
        remark.setOnAction(enter -> {
            tick.setSelected(true);
            tick(step, tick, remark.getText().strip());
        });
        HBox row = new HBox(tick, text, remark);
        row.getStyleClass().add("check-row");
        return row;
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
            model.log(
                    "Step to do again: " + step.title(),
                    List.of(
                            new AssemblyFact.WorkTicked(
                                    pack,
                                    step.code(),
                                    AssemblyFact.Tick.OPEN,
                                    "",
                                    Optional.empty())));
            return;
        }
        List<BuildStep> before = BuildSteps.openBefore(step, steps, ticked.keySet());
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
        boolean isPhoto = typed.matches("(?i)\\S+\\.(png|jpe?g|webp|heic|gif)");
        model.log(
                "Step done: " + step.title(),
                List.of(
                        new AssemblyFact.WorkTicked(
                                pack,
                                step.code(),
                                AssemblyFact.Tick.DONE,
                                isPhoto ? "" : typed,
                                isPhoto ? Optional.of(typed) : Optional.empty())));
    }
}
