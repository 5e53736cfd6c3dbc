package pentacell.desktop.intake;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ProgressIndicator;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.Cells;
import pentacell.core.imports.ImportedFiles;
import pentacell.core.journal.Fact;
import pentacell.core.journal.Origin;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Count;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Wrapping;
import pentacell.workshop.exchange.CellCsv;
import pentacell.workshop.exchange.CellTable;
import pentacell.workshop.exchange.ImportedFacts;

/// The preview of a cell table before it is taken in: what each column was taken for, which lines
/// are bad, what will happen.
final class ImportPane extends VBox {
    private final Desk desk;
    private final Label title = new Label();
    private final Label columns = new Label();
    private final Label effect = new Label();
    private final ListView<String> problems = new ListView<>();
    private final Button take = new Button();
    private final Button close = new Button("Close");
    private final ProgressIndicator reading = new ProgressIndicator();
    private Runnable onClose = () -> {};
    private Optional<CellTable> table = Optional.empty();

    ImportPane(Desk desk) {
        this.desk = desk;
        setId("import-pane");
        getStyleClass().add("form");
        title.getStyleClass().add("form-title");
        title.setId("import-title");
        Wrapping.on(columns);
        columns.setId("import-columns");
        Wrapping.on(effect);
        effect.setId("import-effect");
        problems.setId("import-problems");
        problems.setCellFactory(list -> new WrappedLine());
        problems.setPlaceholder(new Label("No bad lines."));
        VBox.setVgrow(problems, Priority.ALWAYS);
        take.setId("import-take");
        take.getStyleClass().add("primary");
        take.setOnAction(pressed -> takeGoodLines());
        close.setId("import-close");
        close.setOnAction(pressed -> onClose.run());
        HBox buttons = new HBox(take, close, reading);
        buttons.getStyleClass().add("form-buttons");
        reading.setMaxSize(20, 20);
        getChildren().addAll(title, columns, effect, problems, buttons);
    }

    /// A problem in full, over as many lines as it takes.
    private static final class WrappedLine extends ListCell<String> {
        WrappedLine() {
            setWrapText(true);
            // as wide as the list, not as the text
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(String item, boolean empty) {
            super.updateItem(item, empty);
            setText(empty ? "" : item);
        }
    }

    void onClose(Runnable action) {
        onClose = action;
    }

    /// Reads a file and shows what is in it.
    void preview(Path file) {
        title.setText("Reading " + file.getFileName() + " …");
        columns.setText("");
        effect.setText("");
        problems.getItems().clear();
        take.setDisable(true);
        take.setText("Import good lines");
        reading.setVisible(true);
        desk.work().lane("files").run(() -> CellCsv.read(file), this::show);
    }

    private void show(CellTable read) {
        table = Optional.of(read);
        reading.setVisible(false);
        title.setText(
                read.fileName()
                        + (read.encoding().isEmpty() ? "" : ", read as " + read.encoding()));
        columns.setText(
                read.columns().stream()
                        .map(column -> "\"" + column.header().strip() + "\" is " + column.words())
                        .collect(Collectors.joining(";  ")));
        problems.getItems().setAll(read.problems().stream().map(CellTable.Problem::text).toList());
        WorkshopState state = desk.ledger().state();
        long known =
                read.rows().stream()
                        .filter(row -> Cells.of(state).cell(row.id()).isPresent())
                        .count();
        String twice =
                !read.sha256().isEmpty() && ImportedFiles.of(state).has(read.sha256())
                        ? " This same file was imported before: its readings would be logged twice."
                        : "";
        effect.setText(
                "%s (%s, %d already logged get a new reading), %s.%s"
                        .formatted(
                                Count.of(read.rows().size(), "good line", "good lines"),
                                Count.of(read.rows().size() - known, "new cell", "new cells"),
                                known,
                                Count.of(read.problems().size(), "problem", "problems"),
                                twice));
        take.setText("Import " + Count.of(read.rows().size(), "good line", "good lines"));
        take.setDisable(read.rows().isEmpty());
        // Enter imports; with nothing to import it closes
        (read.rows().isEmpty() ? close : take).requestFocus();
    }

    private void takeGoodLines() {
        if (table.isEmpty()) return;
        CellTable taken = table.get();
        take.setDisable(true);
        reading.setVisible(true);
        WorkshopState state = desk.ledger().state();
        desk.work()
                .lane("files")
                .run(
                        () -> ImportedFacts.of(taken, state),
                        facts -> {
                            List<Fact> all = Origin.IMPORTED.mark(facts);
                            desk.ledger()
                                    .log(
                                            "Import " + taken.fileName(),
                                            all,
                                            () -> {
                                                reading.setVisible(false);
                                                desk.notices()
                                                        .say(
                                                                taken.rows().size()
                                                                        + " cells taken from "
                                                                        + taken.fileName()
                                                                        + ".");
                                                onClose.run();
                                            },
                                            why -> {
                                                reading.setVisible(false);
                                                take.setDisable(false);
                                            });
                        });
    }
}
