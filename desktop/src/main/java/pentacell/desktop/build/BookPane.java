package pentacell.desktop.build;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import pentacell.core.build.PackToBuild;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Ledger;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.Wrapping;
import pentacell.reports.BuildBook;
import pentacell.reports.FacesPaper;
import pentacell.reports.NamePlate;
import pentacell.reports.PackReport;
import pentacell.reports.Paper;

/// The paper of the pack: its book, the template of its faces in their own size, its name plate.
final class BookPane extends VBox {
    private static final DateTimeFormatter DATE =
            DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final BuildModel model;
    private final FileAsk files;
    private final Label meaning = Wrapping.on(new Label());
    private final Label plateLines = Wrapping.on(new Label());
    private final TextField builder = new TextField();
    private final TextField wording = new TextField();
    private final ComboBox<NamePlate.Size> size = new ComboBox<>();
    private final ComboBox<Paper> paper = new ComboBox<>();
    private final List<Button> ofPack = new ArrayList<>();
    private final List<Button> ofLayout = new ArrayList<>();

    private interface Form {
        byte[] bytes() throws Exception;
    }

    BookPane(BuildModel model, FileAsk files) {
        this.model = model;
        this.files = files;
        setId("book-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("book-meaning");
        meaning.getStyleClass().add("meaning");
        paper.setId("book-paper");
        paper.getItems().setAll(Paper.values());
        paper.setConverter(new EnumWords<>(each -> each == Paper.A4 ? "A4" : "Letter"));
        paper.getSelectionModel().selectFirst();
        size.setId("plate-size");
        size.getItems().setAll(NamePlate.Size.values());
        size.setConverter(new EnumWords<>(NamePlate.Size::words));
        size.getSelectionModel().selectFirst();
        builder.setId("plate-builder");
        builder.setPromptText("who built it");
        builder.setPrefColumnCount(14);
        wording.setId("plate-wording");
        wording.setPromptText("a line of one’s own");
        wording.setPrefColumnCount(22);
        plateLines.setId("plate-lines");
        for (TextField each : List.of(builder, wording))
            each.textProperty().subscribe(text -> show(model.builtProperty().get()));
        getChildren()
                .addAll(
                        meaning,
                        section(
                                "Build book",
                                "What and why, both faces, what flows, steps with their dates, the plug with its readings, every cell with its history."),
                        ControlRow.of(
                                new Label("Paper"),
                                paper,
                                ofPack("Save the book (PDF)", "book-save", ".pdf", this::book)),
                        section(
                                "Pack report",
                                "For who uses it: whether it is fit and by what, what it gave in its tests, what each group did."),
                        ControlRow.of(
                                ofPack(
                                        "Save the report (PDF)",
                                        "report-save",
                                        " report.pdf",
                                        this::report)),
                        section(
                                "Template of both faces, in their own size",
                                "Put it under the holder, cut strips, bars and paper by it. Tiled over as many sheets as it takes; measure the 50 mm bar first."),
                        ControlRow.of(
                                ofLayout(
                                        "Save the template (PDF)",
                                        "template-save",
                                        " template.pdf",
                                        () -> faces().pdf(paper.getValue())),
                                ofLayout(
                                        "Save both faces (SVG)",
                                        "faces-save",
                                        " faces.svg",
                                        () -> faces().svg().getBytes(StandardCharsets.UTF_8))),
                        section("Name plate", ""),
                        ControlRow.of(
                                size,
                                builder,
                                wording,
                                ofPack(
                                        "Save the plate (PDF)",
                                        "plate-save",
                                        " plate.pdf",
                                        () -> plate().pdf(size.getValue()))),
                        plateLines);
        model.builtProperty().subscribe(this::show);
        model.shownProperty().subscribe(shown -> show(model.builtProperty().get()));
    }

    private static Node section(String title, String words) {
        Label head = new Label(title);
        head.getStyleClass().add("section");
        Label text = Wrapping.on(new Label(words));
        text.getStyleClass().add("caption");
        text.setManaged(!words.isEmpty());
        return new VBox(head, text);
    }

    private Button ofPack(String words, String id, String ending, Form form) {
        Button button = saving(words, id, ending, form);
        ofPack.add(button);
        return button;
    }

    private Button ofLayout(String words, String id, String ending, Form form) {
        Button button = saving(words, id, ending, form);
        ofLayout.add(button);
        return button;
    }

    private Button saving(String words, String id, String ending, Form form) {
        Button button = new Button(words);
        button.setId(id);
        button.setMinWidth(USE_PREF_SIZE);
        button.setOnAction(pressed ->
                Saving.save(
                        model.desk(),
                        files,
                        words,
                        "build " + model.packProperty().get() + ending,
                        form::bytes,
                        () -> {}));
        return button;
    }

    private void show(Optional<PackToBuild> built) {
        ofPack.forEach(each -> each.setDisable(built.isEmpty()));
        ofLayout.forEach(each -> each.setDisable(model.laidOut().isEmpty()));
        meaning.setText(
                built.isEmpty()
                        ? "Match a pack first (Ctrl+6)."
                        : model.laidOut().isEmpty()
                                ? "Take a layout first; then the faces can be printed."
                                : "%s, %s: its paper."
                                        .formatted(
                                                model.packProperty().get(),
                                                built.get().pack().rules().arrangement()));
        plateLines.setText(
                built.isEmpty()
                        ? ""
                        : String.join("\n", plate().lines()) + "\n" + plate().warning());
    }

    private PackToBuild pack() {
        return model.builtProperty().get().orElseThrow();
    }

    private FacesPaper faces() {
        return new FacesPaper(
                model.packProperty().get(), model.laidOut().orElseThrow(), pack().format());
    }

    private String today() {
        return LocalDate.ofInstant(model.desk().now(), ZoneId.systemDefault()).format(DATE);
    }

    private NamePlate plate() {
        return NamePlate.of(
                pack(), model.measured(), builder.getText(), wording.getText(), today());
    }

    private byte[] book() throws Exception {
        return BuildBook.of(
                        pack(),
                        model.laidOut(),
                        model.desk().ledger().state(),
                        today(),
                        ZoneId.systemDefault())
                .pdf(paper.getValue());
    }

    private byte[] report() throws Exception {
        Ledger ledger = model.desk().ledger();
        return PackReport.of(
                        ledger.state(),
                        ledger.judged(),
                        model.packProperty().get(),
                        today(),
                        ZoneId.systemDefault())
                .orElseThrow()
                .pdf(paper.getValue());
    }
}
