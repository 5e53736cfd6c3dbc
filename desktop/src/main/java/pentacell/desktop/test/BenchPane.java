package pentacell.desktop.test;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellId;
import pentacell.core.cell.RunFact;
import pentacell.core.measure.InstrumentFigures;
import pentacell.core.measure.InstrumentFigures.BayFigures;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Bench;
import pentacell.core.test.facts.BenchFact;
import pentacell.core.test.facts.Instrument;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;
import pentacell.instruments.bench.LinkState;
import pentacell.instruments.simulated.StandIn;

/// What stands on the bench: instruments and their lines, how far their bays read off, the hours
/// somebody is there, the standard conditions.
final class BenchPane extends VBox {
    private final Desk desk;
    private final TestModel model;
    private final FittedTable<BayRow> table =
            new FittedTable<>(
                    "bench-table", "No instrument yet. Add a stand-in, or type an address.");
    private final Label figures = new Label();
    private final TextField address = new TextField();
    private final Label remark = new Label();
    private final BenchSettings settings;
    private final Recorrect recorrect;

    /// A bay of an instrument in the table.
    private record BayRow(
            String instrument, String bay, String line, String currents, BayFigures figures) {}

    BenchPane(Desk desk, TestModel model, LogIntake logs) {
        this.desk = desk;
        this.model = model;
        setId("bench-pane");
        getStyleClass().add("list-pane");
        ControlRow add = ControlRow.of();
        for (StandIn kind : StandIn.values()) {
            Button button = new Button("Add " + kind.words());
            button.setId("add-" + kind.code());
            button.setOnAction(pressed -> addStandIn(kind));
            add.getChildren().add(button);
        }
        Button remove = new Button("Remove from bench");
        remove.setId("remove-instrument");
        remove.setOnAction(pressed -> remove());
        Label simulated =
                new Label(
                        "The four are stand-ins with virtual cells, for practice. A real instrument speaks the line protocol (docs/instrument-protocol.md):");
        Wrapping.on(simulated);
        simulated.getStyleClass().add("caption");
        address.setId("instrument-address");
        address.setPromptText("Charger A 127.0.0.1:7801");
        address.setPrefColumnCount(20);
        address.setOnAction(enter -> addByAddress());
        VBox.setVgrow(table, Priority.ALWAYS);
        table.column("Bay", BayRow::bay);
        table.column("Line", BayRow::line);
        table.column("Charge / discharge A", BayRow::currents);
        table.column(
                "Gain",
                row ->
                        row.figures().runs() == 0
                                ? "–"
                                : Quantity.RATIO.number(row.figures().gain()));
        table.column(
                "Contact mΩ",
                row ->
                        row.figures().runs() == 0
                                ? "–"
                                : Quantity.RESISTANCE.number(row.figures().contactMilliohms()));
        table.column("Reference runs", row -> String.valueOf(row.figures().runs()));
        Button reference = new Button("Use as reference");
        reference.setId("choose-reference");
        reference.setOnAction(pressed -> chooseReference());
        figures.setId("instrument-figures");
        Wrapping.on(figures);
        remark.setId("bench-remark");
        Wrapping.on(remark);
        settings = new BenchSettings(desk, model, logs, address, remark::setText);
        recorrect = new Recorrect(desk, model, remark::setText);
        Button aside = new Button("Set bay aside or use it again");
        aside.setId("bay-aside");
        aside.setOnAction(pressed -> setAside());
        ControlRow acts = ControlRow.of(aside, remove, reference, recorrect.button());
        getChildren().addAll(add, simulated, settings.node(), table, acts, figures, remark);
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
        model.changesProperty()
                .subscribe(count -> {
                    if (getScene() != null) show();
                });
    }

    private void show() {
        WorkshopState state = desk.ledger().state();
        desk.work()
                .lane("instrument figures")
                .run(
                        () ->
                                new Known(
                                        InstrumentFigures.of(state),
                                        InstrumentFigures.references(state)),
                        this::show);
    }

    /// What is known of the bays.
    ///
    /// @param references cells that show which bay reads off
    private record Known(InstrumentFigures figures, List<CellId> references) {}

    /// Shows rows; the bay that was marked stays marked.
    private void put(List<BayRow> rows) {
        BayRow marked = table.getSelectionModel().getSelectedItem();
        table.getItems().setAll(rows);
        if (marked == null) return;
        for (int i = 0; i < rows.size(); i++)
            if (rows.get(i).bay().equals(marked.bay())) table.getSelectionModel().clearAndSelect(i);
    }

    private void show(Known known) {
        List<BayRow> rows =
                Bench.of(desk.ledger().state()).instruments().values().stream()
                        .flatMap(instrument ->
                                instrument.bays().stream()
                                        .map(bay ->
                                                new BayRow(
                                                        instrument.name(),
                                                        bay.name(),
                                                        words(instrument, bay),
                                                        Quantity.CURRENT.number(bay.chargeAmps())
                                                                + " / "
                                                                + Quantity.CURRENT.number(
                                                                        bay.dischargeAmps()),
                                                        known.figures().of(bay.name()))))
                        .toList();
        if (!table.getItems().equals(rows)) put(rows);
        List<CellId> references = known.references();
        figures.setText(
                (references.isEmpty()
                                ? "No reference cell. Run one good cell through every bay to see which bay reads off. "
                                : "Reference: "
                                        + references.stream()
                                                .map(CellId::text)
                                                .reduce((one, other) -> one + ", " + other)
                                                .orElse("")
                                        + ". ")
                        + "A capacity repeats within "
                        + Quantity.PERCENT.text(100 * known.figures().repeatability())
                        + (known.figures().repeats() == 0
                                ? " (common practice, until there are repeats)."
                                : " (from %d repeats).".formatted(known.figures().repeats())));
        settings.show();
    }

    private String words(Instrument instrument, Bay bay) {
        if (Bench.of(desk.ledger().state()).baysAside().contains(bay.name())) return "set aside";
        LinkState link = model.link(instrument.name());
        String who =
                instrument.isSimulated()
                        ? "stand-in, ×"
                                + model.speed()
                                + (desk.ledger().state().standInsCount() ? "" : ", for practice")
                        : instrument.address();
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
        desk.ledger()
                .log(
                        "Add " + name,
                        List.of(
                                new BenchFact.InstrumentAdded(
                                        new Instrument(
                                                name,
                                                Instrument.simulated(kind.code()),
                                                kind.bays(name)))),
                        () ->
                                desk.notices()
                                        .say(
                                                name
                                                        + " is on the bench."
                                                        + (desk.ledger().state().standInsCount()
                                                                ? ""
                                                                : " It is for practice: its readings do not count.")));
    }

    private void addByAddress() {
        String text = address.getText().strip();
        int space = text.lastIndexOf(' ');
        if (space < 0 || !text.substring(space + 1).matches("[\\w.\\-]+:\\d{1,5}")) {
            remark.setText(
                    "\"%s\" is not a name and an address; use one such as Charger A 127.0.0.1:7801."
                            .formatted(text));
            return;
        }
        String name = text.substring(0, space).strip();
        String at = text.substring(space + 1);
        model.bench()
                .ask(
                        name,
                        at,
                        bays -> {
                            remark.setText("");
                            address.clear();
                            desk.ledger()
                                    .log(
                                            "Add " + name,
                                            List.of(
                                                    new BenchFact.InstrumentAdded(
                                                            new Instrument(name, at, bays))),
                                            () -> desk.notices().say(name + " is on the bench."));
                        },
                        remark::setText);
    }

    private void remove() {
        BayRow row = table.getSelectionModel().getSelectedItem();
        if (row == null) {
            remark.setText("Choose the instrument in the table first.");
            return;
        }
        boolean isBusy =
                model.runs().keySet().stream()
                        .anyMatch(bay -> bay.startsWith(row.instrument() + " · "));
        if (isBusy) {
            remark.setText(row.instrument() + " has cells running in it; stop them first.");
            return;
        }
        remark.setText("");
        desk.ledger()
                .log(
                        "Take " + row.instrument() + " off the bench",
                        List.of(new BenchFact.InstrumentRemoved(row.instrument())),
                        () ->
                                desk.notices()
                                        .say(row.instrument() + " was removed from the bench."));
    }

    private void setAside() {
        BayRow row = table.getSelectionModel().getSelectedItem();
        if (row == null) {
            remark.setText("Choose the bay in the table first.");
            return;
        }
        boolean isAside = Bench.of(desk.ledger().state()).baysAside().contains(row.bay());
        String words = row.bay() + (isAside ? " is used again" : " is set aside");
        remark.setText("");
        desk.ledger()
                .log(
                        words,
                        List.of(
                                new BenchFact.BayUseSet(
                                        row.bay(),
                                        isAside
                                                ? BenchFact.BayUse.IN_USE
                                                : BenchFact.BayUse.ASIDE)),
                        () ->
                                desk.notices()
                                        .say(
                                                words
                                                        + (isAside
                                                                ? "."
                                                                : "; the plan does without it.")));
    }

    private void chooseReference() {
        Optional<CellId> cell = desk.selection().cellProperty().get();
        if (cell.isEmpty()) {
            remark.setText("Select the cell first.");
            return;
        }
        boolean already = InstrumentFigures.references(desk.ledger().state()).contains(cell.get());
        desk.ledger()
                .log(
                        cell.get()
                                + (already
                                        ? " is no longer a reference cell"
                                        : " is a reference cell"),
                        List.of(
                                new RunFact.ReferenceChosen(
                                        cell.get(),
                                        already ? RunFact.Reference.NO : RunFact.Reference.YES)),
                        () -> remark.setText(""));
    }
}
