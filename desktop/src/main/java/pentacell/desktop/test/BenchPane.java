package pentacell.desktop.test;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.bay.BenchHours;
import pentacell.core.bay.Instrument;
import pentacell.core.cell.CellId;
import pentacell.core.fact.Fact;
import pentacell.core.fact.RunFact;
import pentacell.core.measure.InstrumentFigures;
import pentacell.core.measure.InstrumentFigures.BayFigures;
import pentacell.core.school.TestPolicy;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.WhenShown;
import pentacell.instruments.bench.LinkState;
import pentacell.instruments.simulated.StandIn;

/// What stands on the bench: instruments and their lines, how far their bays read off, the hours
/// somebody is there, the standard conditions.
final class BenchPane extends VBox {
    private static final double WRAP = 400;

    private final Desk desk;
    private final TestModel model;
    private final TableView<Row> table = new TableView<>();
    private final Label figures = new Label();
    private final ComboBox<Integer> speed = new ComboBox<>();
    private final ComboBox<String> school = new ComboBox<>();
    private final TextField from = new TextField();
    private final TextField until = new TextField();
    private final TextField address = new TextField();
    private final TextField folder = new TextField();
    private final Label remark = new Label();

    /// A bay of an instrument in the table.
    private record Row(
            String instrument, String bay, String line, String currents, BayFigures figures) {}

    BenchPane(Desk desk, TestModel model, LogIntake logs) {
        this.desk = desk;
        this.model = model;
        setId("bench-pane");
        getStyleClass().add("list-pane");
        FlowPane add = new FlowPane();
        add.getStyleClass().add("extras");
        // or the row would push the pane over the card
        add.setPrefWrapLength(WRAP);
        for (StandIn kind : StandIn.values()) {
            Button button = new Button("Add " + kind.words());
            button.setId("add-" + kind.code());
            button.setOnAction(pressed -> addStandIn(kind));
            add.getChildren().add(button);
        }
        Button remove = new Button("Take off the bench");
        remove.setId("remove-instrument");
        remove.setOnAction(pressed -> remove());
        add.getChildren().add(remove);
        Label simulated =
                new Label(
                        "The four are stand-ins with virtual cells, for practice. A real instrument speaks the line protocol (docs/instrument-protocol.md):");
        simulated.setWrapText(true);
        simulated.getStyleClass().add("caption");
        address.setId("instrument-address");
        address.setPromptText("name host:port, such as Charger A 127.0.0.1:7801");
        address.setPrefColumnCount(30);
        address.setOnAction(enter -> addByAddress());
        table.setId("bench-table");
        table.setPlaceholder(
                new Label("Nothing stands on the bench yet. Add a stand-in, or type an address."));
        table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_LAST_COLUMN);
        VBox.setVgrow(table, Priority.ALWAYS);
        column("Bay", 130, Row::bay);
        column("Line", 170, Row::line);
        column("Charge / discharge A", 130, Row::currents);
        column(
                "Gain",
                62,
                row ->
                        row.figures().runs() == 0
                                ? "–"
                                : String.format(Locale.ROOT, "%.3f", row.figures().gain()));
        column(
                "Contact mΩ",
                80,
                row ->
                        row.figures().runs() == 0
                                ? "–"
                                : Quantity.RESISTANCE.number(row.figures().contactMilliohms()));
        column("Reference runs", 100, row -> String.valueOf(row.figures().runs()));
        Button reference = new Button("Selected cell compares the bays");
        reference.setId("choose-reference");
        reference.setOnAction(pressed -> chooseReference());
        figures.setId("instrument-figures");
        figures.setWrapText(true);
        folder.setPromptText("a folder logs come into");
        folder.setId("watched-folder");
        folder.setPrefColumnCount(24);
        logs.folder().ifPresent(path -> folder.setText(path.toString()));
        folder.setOnAction(enter -> {
            logs.watch(folder.getText());
            desk.say(
                    folder.getText().isBlank()
                            ? "No folder is watched."
                            : "Logs that come into " + folder.getText() + " are taken in.");
        });
        remark.setId("bench-remark");
        getChildren().addAll(add, simulated, settings(), table, reference, figures, remark);
        WhenShown.run(this, desk.stateProperty(), this::show);
        model.changesProperty()
                .subscribe(count -> {
                    if (getScene() != null) show();
                });
    }

    private Node settings() {
        speed.setId("stand-in-speed");
        speed.getItems().setAll(TestModel.SPEEDS);
        speed.setValue(model.speed());
        speed.setOnAction(chosen -> {
            if (speed.getValue() != null) model.setSpeed(speed.getValue());
        });
        school.setId("test-school");
        school.getItems().setAll(TestPolicy.SHIPPED.stream().map(TestPolicy::name).toList());
        school.setOnAction(chosen -> chooseSchool());
        from.setId("hours-from");
        until.setId("hours-until");
        for (TextField field : List.of(from, until)) {
            field.setPrefColumnCount(3);
            field.setOnAction(enter -> setHours());
        }
        FlowPane row = new FlowPane();
        row.getStyleClass().add("form-fields");
        row.setPrefWrapLength(WRAP);
        row.getChildren()
                .addAll(
                        captioned("Instrument", address),
                        captioned("Stand-ins' clock ×", speed),
                        captioned("Standard conditions", school),
                        captioned("There from (h)", from),
                        captioned("until (h)", until),
                        captioned("Watched folder", folder));
        return row;
    }

    private static Node captioned(String caption, Node field) {
        Label label = new Label(caption);
        label.setLabelFor(field);
        label.getStyleClass().add("caption");
        return new VBox(label, field);
    }

    private void column(String title, double width, Function<Row, String> value) {
        TableColumn<Row, String> column = new TableColumn<>(title);
        column.setPrefWidth(width);
        column.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(value.apply(row.getValue())));
        table.getColumns().add(column);
    }

    private void show() {
        InstrumentFigures known = InstrumentFigures.of(desk.state());
        List<Row> rows =
                desk.state().instruments().values().stream()
                        .flatMap(instrument ->
                                instrument.bays().stream()
                                        .map(bay ->
                                                new Row(
                                                        instrument.name(),
                                                        bay.name(),
                                                        words(instrument),
                                                        Quantity.CURRENT.number(bay.chargeAmps())
                                                                + " / "
                                                                + Quantity.CURRENT.number(
                                                                        bay.dischargeAmps()),
                                                        known.of(bay.name()))))
                        .toList();
        if (!table.getItems().equals(rows)) table.getItems().setAll(rows);
        List<CellId> references = InstrumentFigures.references(desk.state());
        figures.setText(
                (references.isEmpty()
                                ? "No reference cell: run one good cell through every bay to see which reads off. "
                                : "Reference: "
                                        + references.stream()
                                                .map(CellId::text)
                                                .reduce((one, other) -> one + ", " + other)
                                                .orElse("")
                                        + ". ")
                        + "A capacity repeats within "
                        + Quantity.PERCENT.text(100 * known.repeatability())
                        + (known.repeats() == 0
                                ? " (common practice, until there are repeats)."
                                : " (from %d repeats).".formatted(known.repeats())));
        school.setValue(desk.state().schools().test().name());
        BenchHours.Span span =
                desk.state().benchHours().days().values().stream()
                        .findFirst()
                        .orElse(new BenchHours.Span(8, 22));
        if (!from.isFocused()) from.setText(String.valueOf(span.from()));
        if (!until.isFocused()) until.setText(String.valueOf(span.until()));
    }

    private String words(Instrument instrument) {
        LinkState link = model.link(instrument.name());
        String who =
                instrument.isSimulated() ? "stand-in, ×" + model.speed() : instrument.address();
        return (link.connected() ? who : "■ " + link.words());
    }

    private void addStandIn(StandIn kind) {
        String stem =
                switch (kind) {
                    case FOUR_SLOT, EIGHT_SLOT -> "Charger";
                    case BENCH_LOAD -> "Load";
                    case AC_METER -> "Meter";
                };
        String name = model.nextName(stem);
        desk.log(
                "Add " + name,
                List.of(
                        new Fact.InstrumentAdded(
                                new Instrument(
                                        name, Instrument.simulated(kind.code()), kind.bays(name)))),
                () -> desk.say(name + " stands on the bench."));
    }

    private void addByAddress() {
        String text = address.getText().strip();
        int space = text.lastIndexOf(' ');
        if (space < 0 || !text.substring(space + 1).matches("[\\w.\\-]+:\\d{1,5}")) {
            remark.setText(
                    "\"%s\" is no name and address; expected one such as Charger A 127.0.0.1:7801."
                            .formatted(text));
            return;
        }
        String name = text.substring(0, space).strip();
        String at = text.substring(space + 1);
        model.ask(
                name,
                at,
                bays -> {
                    remark.setText("");
                    address.clear();
                    desk.log(
                            "Add " + name,
                            List.of(new Fact.InstrumentAdded(new Instrument(name, at, bays))),
                            () -> desk.say(name + " stands on the bench."));
                },
                remark::setText);
    }

    private void remove() {
        Row row = table.getSelectionModel().getSelectedItem();
        if (row == null) {
            remark.setText("Choose the instrument in the table first.");
            return;
        }
        boolean isBusy =
                model.runs().keySet().stream()
                        .anyMatch(bay -> bay.startsWith(row.instrument() + " · "));
        if (isBusy) {
            remark.setText(row.instrument() + " has cells in it that run; stop them first.");
            return;
        }
        remark.setText("");
        desk.log(
                "Take " + row.instrument() + " off the bench",
                List.of(new Fact.InstrumentRemoved(row.instrument())),
                () -> desk.say(row.instrument() + " is off the bench."));
    }

    private void chooseReference() {
        Optional<CellId> cell = desk.selectedProperty().get();
        if (cell.isEmpty()) {
            remark.setText("Select the cell first.");
            return;
        }
        boolean already = InstrumentFigures.references(desk.state()).contains(cell.get());
        desk.log(
                cell.get() + (already ? " compares no bays" : " compares the bays"),
                List.of(
                        new RunFact.ReferenceChosen(
                                cell.get(),
                                already ? RunFact.Reference.NO : RunFact.Reference.YES)),
                () -> remark.setText(""));
    }

    private void chooseSchool() {
        TestPolicy.SHIPPED.stream()
                .filter(policy -> policy.name().equals(school.getValue()))
                .filter(policy -> !policy.equals(desk.state().schools().test()))
                .findFirst()
                .ifPresent(policy ->
                        desk.log(
                                "Test: " + policy.name(),
                                List.of(new Fact.TestChosen(policy)),
                                () -> desk.say("Standard conditions: " + policy.name())));
    }

    private void setHours() {
        try {
            BenchHours.Span span =
                    new BenchHours.Span(
                            Integer.parseInt(from.getText().strip()),
                            Integer.parseInt(until.getText().strip()));
            remark.setText("");
            desk.log(
                    "Somebody is there %d to %d h".formatted(span.from(), span.until()),
                    List.of(new Fact.BenchHoursSet(BenchHours.everyDay(span))),
                    () ->
                            desk.say(
                                    "Swaps are planned between %d and %d h."
                                            .formatted(span.from(), span.until())));
        } catch (IllegalArgumentException odd) {
            remark.setText("Hours are two whole numbers, such as 8 and 22.");
        }
    }
}
