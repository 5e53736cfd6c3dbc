package pentacell.desktop.frame;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import pentacell.core.unit.Count;
import pentacell.desktop.kit.When;
import pentacell.desktop.kit.Wrapping;
import pentacell.workshop.logbook.Damage;
import pentacell.workshop.logbook.Problem;
import pentacell.workshop.logbook.Recovery;
import pentacell.workshop.logbook.Salvage;

/// Laid over the window when a workshop file is not whole: what was found in it, and the ways out.
/// None of them changes the damaged file.
final class DamagePane extends StackPane {
    private static final int PROBLEMS_SHOWN = 60;

    private final Desk desk;
    private final FileAsk files;
    private final Clock clock;
    private final Consumer<Path> open;
    private final VBox sheet = new VBox();

    /// @param open opens a workshop file
    DamagePane(Desk desk, FileAsk files, Clock clock, Consumer<Path> open) {
        this.desk = desk;
        this.files = files;
        this.clock = clock;
        this.open = open;
        setId("damage");
        getStyleClass().add("over");
        sheet.getStyleClass().add("over-sheet");
        sheet.setMaxHeight(Region.USE_PREF_SIZE);
        getChildren().add(sheet);
        setVisible(false);
        addEventFilter(
                KeyEvent.KEY_PRESSED,
                key -> {
                    if (key.getCode() == KeyCode.ESCAPE) leave();
                });
    }

    /// Shows what was found in a file.
    void show(Damage damage) {
        FlowPane ways = ways();
        damage.copy()
                .ifPresent(copy ->
                        ways.getChildren()
                                .add(
                                        way(
                                                "damage-copy",
                                                "Go on with the copy",
                                                () -> takeCopy(damage, copy.file()))));
        if (damage.problems().stream().noneMatch(each -> each.kind() == Problem.Kind.EMPTY))
            ways.getChildren()
                    .add(way("damage-salvage", "Save what can be read …", () -> salvage(damage)));
        else
            ways.getChildren()
                    .add(way("damage-anew", "Begin a new workshop here", () -> beginAnew(damage)));
        if (damage.canGoOn())
            ways.getChildren().add(way("damage-go-on", "Open it as it is", () -> goOn(damage)));
        ways.getChildren().add(leaveWay());
        ways.getChildren().get(0).getStyleClass().add("primary");
        sheet.getChildren()
                .setAll(
                        heading(damage.file().getFileName() + " is not whole"),
                        text("It was not opened, and nothing in it was changed. This was found:"),
                        problems(damage.problems()),
                        text(
                                damage.copy()
                                        .map(DamagePane::words)
                                        .orElse("There is no whole copy of it.")),
                        ways);
        show(ways);
    }

    private void show(FlowPane ways) {
        setVisible(true);
        ways.getChildren().get(0).requestFocus();
    }

    private static String words(Damage.WholeCopy copy) {
        String begin =
                "The latest whole copy is of %s, with %s. "
                        .formatted(words(copy.at()), Count.of(copy.acts(), "act", "acts"));
        if (copy.missingCount() == 0)
            return begin + "As far as is known, nothing is missing in it.";
        String lacks = begin + "It lacks " + Count.of(copy.missingCount(), "act", "acts");
        if (copy.missing().isEmpty()) return lacks + ".";
        long more = copy.missingCount() - copy.missing().size();
        return lacks
                + ": "
                + copy.missing().stream().map(DamagePane::words).collect(Collectors.joining(", "))
                + (more > 0 ? " and %d more.".formatted(more) : ".");
    }

    private static String words(Damage.MissingAct act) {
        return act.words() + act.at().map(at -> " (" + words(at) + ")").orElse("");
    }

    private static String words(Instant at) {
        return When.WEEKDAY_AND_DAY.words(at.atZone(ZoneId.systemDefault()));
    }

    private static Label heading(String words) {
        Label heading = text(words);
        heading.getStyleClass().add("over-heading");
        return heading;
    }

    private static Label text(String words) {
        return Wrapping.on(new Label(words));
    }

    private static Node problems(List<Problem> problems) {
        VBox lines = new VBox();
        lines.getStyleClass().add("over-lines");
        for (Problem each : problems.subList(0, Math.min(PROBLEMS_SHOWN, problems.size())))
            lines.getChildren().add(text(each.line()));
        if (problems.size() > PROBLEMS_SHOWN)
            lines.getChildren().add(text("and " + (problems.size() - PROBLEMS_SHOWN) + " more"));
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setId("damage-problems");
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("over-scroll");
        return scroll;
    }

    private static FlowPane ways() {
        FlowPane ways = new FlowPane();
        ways.getStyleClass().add("over-ways");
        return ways;
    }

    private static Button way(String id, String words, Runnable action) {
        Button button = new Button(words);
        button.setId(id);
        button.setOnAction(pressed -> action.run());
        return button;
    }

    private Button leaveWay() {
        return way("damage-leave", "Leave it", this::leave);
    }

    private void leave() {
        setVisible(false);
    }

    private void takeCopy(Damage damage, Path copy) {
        away(
                () -> Recovery.takeCopy(damage.file(), copy, clock.instant()),
                (Optional<Path> aside) -> {
                    leave();
                    open.accept(damage.file());
                    aside.ifPresent(path ->
                            desk.notices().say("The damaged file is kept as " + path + "."));
                });
    }

    private void goOn(Damage damage) {
        away(
                () -> {
                    Recovery.goOn(damage.file());
                    return damage.file();
                },
                this::openThat);
    }

    private void beginAnew(Damage damage) {
        away(
                () -> {
                    Recovery.beginAnew(damage.file(), clock.instant());
                    return damage.file();
                },
                this::openThat);
    }

    private void openThat(Path file) {
        leave();
        open.accept(file);
    }

    private void salvage(Damage damage) {
        String name = String.valueOf(damage.file().getFileName()).replaceFirst("\\.[^.]*$", "");
        files.whereTo("Save what can be read", name + " saved.pentacell")
                .ifPresent(fresh ->
                        away(
                                () -> Salvage.of(damage.file(), fresh, desk.ledger().chapters()),
                                this::show));
    }

    /// Shows what was saved.
    private void show(Salvage.Saved saved) {
        FlowPane ways = ways();
        Button openIt = way("damage-open", "Open it", () -> openThat(saved.file()));
        openIt.getStyleClass().add("primary");
        ways.getChildren().addAll(openIt, leaveWay());
        sheet.getChildren()
                .setAll(
                        heading("Saved in " + saved.file().getFileName()),
                        text(
                                "%s in %s%s. %s"
                                        .formatted(
                                                Count.of(saved.facts(), "entry", "entries"),
                                                Count.of(saved.acts(), "act", "acts"),
                                                saved.fromCopy() == 0
                                                        ? ""
                                                        : ", %d of them from the copy"
                                                                .formatted(saved.fromCopy()),
                                                saved.lost().isEmpty()
                                                        ? "Nothing was lost."
                                                        : "This was lost:")));
        if (!saved.lost().isEmpty()) sheet.getChildren().add(problems(saved.lost()));
        sheet.getChildren().add(ways);
        show(ways);
    }

    private <T> void away(Callable<T> task, Consumer<? super T> onUi) {
        desk.work()
                .lane("opening")
                .runAcrossWorkshops(
                        task,
                        onUi,
                        failure -> {
                            if (failure instanceof IOException told)
                                desk.notices().say(String.valueOf(told.getMessage()));
                            else desk.work().failed(failure);
                        });
    }
}
