package pentacell.desktop.match;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.PickLine;
import pentacell.core.build.PickWalk;
import pentacell.core.build.PickWalk.Order;
import pentacell.core.build.ScanLine;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.LineQueue;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;
import pentacell.reports.Paper;
import pentacell.reports.PickListPdf;
import pentacell.workshop.exchange.PickFiles;

/// The pick walk: what to fetch next in large letters, a field that checks ids off and refuses the
/// wrong cell, the list, paper.
final class PickPane extends VBox {
    private static final DateTimeFormatter DATE =
            DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final Desk desk;
    private final MatchModel model;
    private final MatchFilesOut files;
    private final ComboBox<Order> order = new ComboBox<>();
    private final ComboBox<Paper> paper = new ComboBox<>();
    private final Label next = new Label();
    private final Label left = new Label();
    private final TextField check = new TextField();
    private final Label answer = new Label();
    private final FittedTable<PickLine> table =
            new FittedTable<>("pick-table", "Nothing to pick: match a pack first.");

    PickPane(Desk desk, MatchModel model, MatchFilesOut files) {
        this.desk = desk;
        this.model = model;
        this.files = files;
        setId("pick");
        getStyleClass().add("pick");
        order.setId("pick-order");
        order.getItems().setAll(Order.values());
        order.getSelectionModel().selectFirst();
        order.setConverter(new EnumWords<>(Order::words));
        order.valueProperty().subscribe(value -> show());
        paper.setId("pick-paper");
        paper.getItems().setAll(Paper.values());
        paper.getSelectionModel().selectFirst();
        paper.setConverter(new EnumWords<>(size -> size == Paper.A4 ? "A4" : "Letter"));
        next.setId("pick-next");
        next.getStyleClass().add("pick-next");
        Wrapping.on(next);
        left.setId("pick-left");
        left.getStyleClass().add("caption");
        check.setId("pick-check");
        check.setPromptText("cell id, typed or scanned, then Enter");
        check.getStyleClass().add("quick-field");
        LineQueue lines = new LineQueue(check, desk.notices(), this::enter);
        answer.setId("pick-answer");
        Wrapping.on(answer);
        ControlRow bar =
                ControlRow.of(
                        new Label("Walk"),
                        order,
                        ControlRow.gap(),
                        new Label("Paper"),
                        paper,
                        PlainButton.of("Print pick list", "pick-pdf", this::pdf),
                        PlainButton.of("Save as CSV", "pick-csv", this::csv));
        HBox.setHgrow(check, Priority.ALWAYS);
        HBox line = new HBox(check);
        VBox.setVgrow(table, Priority.ALWAYS);
        columns();
        getChildren().addAll(bar, next, left, line, lines, answer, table);
        model.shownProperty().subscribe(shown -> show());
        WhenShown.run(this, desk.ledger().expectedProperty(), this::showNext);
    }

    void focusField() {
        check.requestFocus();
    }

    private void columns() {
        table.column("Taken", line -> line.taken() ? "✓" : "")
                .column("Place", line -> line.place().map(Object::toString).orElse("not placed"))
                .column("Cell", line -> line.cell().text())
                .count("Group", PickLine::group)
                .count("Position", PickLine::position)
                .measured("mAh", Quantity.CAPACITY, PickLine::milliampHours)
                .measured("mΩ", Quantity.RESISTANCE, PickLine::milliohms)
                .inThisOrder();
        table.getSelectionModel()
                .selectedItemProperty()
                .subscribe(line -> {
                    if (line != null) desk.selection().select(line.cell());
                });
    }

    private Optional<Pack> pack() {
        return model.shownProperty().get().map(Shown::pack);
    }

    private List<PickLine> walk() {
        return walk(desk.ledger().state());
    }

    private List<PickLine> walk(WorkshopState state) {
        return pack(state)
                .map(pack -> PickWalk.of(pack, state, order.getValue()))
                .orElse(List.of());
    }

    /// The pack that is shown, with the ids in it that were checked off by then.
    private Optional<Pack> pack(WorkshopState state) {
        return pack().map(shown -> Packs.of(state).pack(shown.name()).orElse(shown));
    }

    private void show() {
        List<PickLine> walk = walk();
        table.getItems().setAll(walk);
        long taken = walk.stream().filter(PickLine::taken).count();
        left.setText(
                walk.isEmpty()
                        ? ""
                        : (walk.size() - taken) + " of " + walk.size() + " cells still to fetch");
        showNext();
        PickWalk.next(walk).ifPresent(line -> table.scrollTo(Math.max(0, walk.indexOf(line) - 2)));
    }

    /// What to fetch next follows from the ids typed, whether they are on the disk or not.
    private void showNext() {
        List<PickLine> walk = walk(desk.ledger().expected());
        next.setText(
                PickWalk.next(walk)
                        .map(line ->
                                line.place().map(Object::toString).orElse("no place")
                                        + "   "
                                        + line.cell()
                                        + "   to group "
                                        + line.group())
                        .orElse(walk.isEmpty() ? "Nothing to pick" : "All cells picked"));
    }

    private Entered enter(String text) {
        WorkshopState expected = desk.ledger().expected();
        String name = pack(expected).map(Pack::name).orElse("");
        return switch (ScanLine.read(text, expected, name)) {
            case Line.Incomplete<LineAct> wrong -> {
                answer.setText("■ " + wrong.remark());
                yield new Entered.Refused(wrong.remark());
            }
            case Line.Complete<LineAct> line -> taken(line.act());
        };
    }

    private Entered taken(LineAct act) {
        LineAct.ToLog log = act.toLog().orElseThrow();
        return new Entered.Line(
                log.text(),
                (onLogged, onFailed) -> {
                    answer.setText(act.answer());
                    desk.ledger().log(log.words(), log.draft(), onLogged, onFailed);
                });
    }

    private void pdf() {
        write(
                "Print pick list",
                ".pdf",
                (pack, walk) -> {
                    ByteArrayOutputStream out = new ByteArrayOutputStream();
                    PickListPdf.Heading heading =
                            new PickListPdf.Heading(
                                    pack.name(),
                                    pack.rules().arrangement(),
                                    order.getValue(),
                                    LocalDate.now(java.time.ZoneId.systemDefault()).format(DATE));
                    PickListPdf.write(out, heading, walk, paper.getValue());
                    return out.toByteArray();
                });
    }

    private void csv() {
        write(
                "Save pick list",
                ".csv",
                (pack, walk) ->
                        PickFiles.csv(walk).getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    private interface Contents {
        byte[] of(Pack pack, List<PickLine> walk) throws IOException;
    }

    private void write(String title, String ending, Contents contents) {
        if (pack().isEmpty()) return;
        Pack pack = pack().get();
        List<PickLine> walk = walk();
        String proposed = "pick list " + pack.name() + " " + order.getValue().words() + ending;
        files.write(title, proposed, () -> contents.of(pack, walk));
    }
}
