package pentacell.desktop.build;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import pentacell.core.build.BuildFindingWords;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.TapCheck;
import pentacell.core.build.TapFault;
import pentacell.core.build.TapVerdict;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.MeterPoint;
import pentacell.core.build.facts.Plugs;
import pentacell.core.build.facts.TapReading;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.unit.Count;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.LineQueue;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Wrapping;
import pentacell.workshop.exchange.TapFiles;

/// The balance plug before it goes in: a ladder of joints, what each lead should read and reads,
/// and what is wrong.
final class TapsPane extends VBox {
    private static final int MOST_VOLTS = 1000;

    private final BuildModel model;
    private final FileAsk files;
    private final Label meaning = Wrapping.on(new Label());
    private final Label faults = Wrapping.on(new Label());
    private final Label order = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final TextField typed = new TextField();
    private final TextField plugs = new TextField();
    private final PlotSurface ladder = new PlotSurface((pen, width, height) -> {});
    private final FittedTable<Row> table =
            new FittedTable<>("taps", "Match a pack first (Ctrl+6).");

    /// A lead.
    private record Row(
            int lead, String pin, String belongs, OptionalDouble expected, OptionalDouble read) {
        OptionalDouble offMillivolts() {
            return expected.isPresent() && read.isPresent()
                    ? OptionalDouble.of(1000 * (read.getAsDouble() - expected.getAsDouble()))
                    : OptionalDouble.empty();
        }
    }

    TapsPane(BuildModel model, FileAsk files) {
        this.model = model;
        this.files = files;
        setId("taps-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("taps-meaning");
        meaning.getStyleClass().add("meaning");
        faults.setId("taps-faults");
        message.setId("taps-message");
        message.getStyleClass().add("match-message");
        typed.setId("taps-typed");
        typed.setPromptText("from lead 0 on: 0 4.17 8.34 …   - for nothing");
        typed.setPrefColumnCount(27);
        LineQueue lines = new LineQueue(typed, model.desk().notices(), this::enter);
        plugs.setId("taps-plugs");
        plugs.setPromptText("one");
        plugs.setPrefColumnCount(6);
        plugs.setTooltip(
                new Tooltip(
                        "How many leads each plug of the board has, in order from lead 0, such as 11 + 10; empty for one plug."));
        plugs.setOnAction(enter -> sayPlugs());
        plugs.focusedProperty()
                .subscribe(isFocused -> {
                    if (!isFocused) sayPlugs();
                });
        table.count("Lead", Row::lead)
                .column("Pin", Row::pin)
                .column("Belongs on", Row::belongs)
                .measured("Should read / V", Quantity.VOLTAGE, Row::expected)
                .measured("Reads / V", Quantity.VOLTAGE, Row::read)
                .measured("Off / mV", Quantity.MILLIVOLTS, Row::offMillivolts)
                .inThisOrder();
        HBox.setHgrow(table, Priority.ALWAYS);
        StackPane drawn = new StackPane(ladder);
        ladder.setId("taps-ladder");
        drawn.setMinSize(260, 200);
        drawn.setPrefWidth(330);
        HBox both = new HBox(12, drawn, table);
        VBox.setVgrow(both, Priority.ALWAYS);
        order.setText(
                "Order of plugging: B− first, then the plug, the load’s leads last; to take it off, the other way round. Black probe on the pack’s negative; one lead loose at a time.");
        order.getStyleClass().add("caption");
        getChildren()
                .addAll(
                        meaning,
                        faults,
                        ControlRow.of(
                                new Label("Readings"),
                                typed,
                                PlainButton.of("Log readings", "taps-log", lines::enter),
                                ControlRow.gap(),
                                new Label("Leads a plug"),
                                plugs,
                                PlainButton.of("Import", "taps-import", this::load),
                                PlainButton.of("Wired anew", "taps-clear", this::clear)),
                        lines,
                        message,
                        both,
                        order);
        OnlyWhenSaid.of(faults, message);
        model.builtProperty().subscribe(this::show);
    }

    private Entered enter(String text) {
        String pack = model.packProperty().get();
        Optional<Pack> matched = Packs.of(model.desk().ledger().expected()).pack(pack);
        if (matched.isEmpty()) return refused("Match a pack first (Ctrl+6).");
        String[] pieces = text.strip().split("[\\s;]+");
        List<TapReading> readings = new ArrayList<>();
        for (int lead = 0; lead < pieces.length; lead++) {
            boolean isNothing = pieces[lead].equals("-") || pieces[lead].equals("–");
            OptionalDouble volts =
                    isNothing ? OptionalDouble.empty() : NumberText.parse(pieces[lead]);
            if (!isNothing && !(Math.abs(volts.orElse(Double.NaN)) <= MOST_VOLTS))
                return refused(
                        "Lead %d, \"%s\": expected volts up to %d, or - where nothing is read."
                                .formatted(lead, pieces[lead], MOST_VOLTS));
            readings.add(new TapReading(lead, volts));
        }
        int leads = matched.get().groups().size() + 1;
        if (pieces.length > leads)
            return refused(
                    "%d readings, the plug has %d leads: 0 to %d."
                            .formatted(pieces.length, leads, leads - 1));
        message.setText("");
        return Entered.fact(
                model.desk().ledger(),
                text,
                "Read the plug of " + pack,
                new AssemblyFact.TapsRead(pack, readings));
    }

    private Entered refused(String why) {
        message.setText(why);
        return new Entered.Refused(why);
    }

    private void sayPlugs() {
        Optional<PackToBuild> built = model.builtProperty().get();
        if (built.isEmpty() || plugs.getText().strip().equals(model.assembly().plugs().text()))
            return;
        int leads = built.get().groups().size() + 1;
        Optional<Plugs> said =
                plugs.getText().isBlank()
                        ? Optional.of(Plugs.ONE)
                        : Plugs.parse(plugs.getText()).filter(each -> each.fit(leads));
        if (said.isEmpty()) {
            message.setText(
                    "\"%s\": expected the leads of each plug, %d in all, such as %d + %d."
                            .formatted(plugs.getText().strip(), leads, (leads + 1) / 2, leads / 2));
            return;
        }
        message.setText("");
        String pack = model.packProperty().get();
        model.log(
                "%s has %s".formatted(pack, Count.of(said.get().count(), "plug", "plugs")),
                List.of(new AssemblyFact.PlugsSaid(pack, said.get())));
    }

    private void log(List<TapReading> readings) {
        String pack = model.packProperty().get();
        model.log("Read the plug of " + pack, List.of(new AssemblyFact.TapsRead(pack, readings)));
    }

    private void load() {
        Optional<PackToBuild> built = model.builtProperty().get();
        if (built.isEmpty()) return;
        files.which("Readings of the plug", "Tables of readings", "*.csv")
                .ifPresent(file -> {
                    TapFiles.Readings read = TapFiles.read(file, built.get().groups().size());
                    if (!read.problems().isEmpty()) {
                        message.setText(read.problems().get(0).text());
                        return;
                    }
                    message.setText("");
                    List<TapReading> readings = new ArrayList<>();
                    for (int lead = 0; lead < read.volts().size(); lead++)
                        readings.add(new TapReading(lead, read.volts().get(lead)));
                    log(readings);
                });
    }

    private void clear() {
        if (model.assembly().taps().isEmpty()) return;
        String pack = model.packProperty().get();
        model.log("Plug of " + pack + " wired anew", List.of(new AssemblyFact.TapsCleared(pack)));
    }

    private void show(Optional<PackToBuild> built) {
        if (built.isEmpty()) {
            table.getItems().clear();
            meaning.setText("Match a pack first (Ctrl+6); its plug is checked here.");
            faults.setText("");
            ladder.repaint((pen, width, height) -> {});
            return;
        }
        PackToBuild pack = built.get();
        int series = pack.groups().size();
        List<Double> expected = pack.expectedTaps();
        var taps = model.assembly().taps();
        Plugs pins = model.assembly().plugs();
        if (!plugs.isFocused()) plugs.setText(pins.text());
        List<Row> rows = new ArrayList<>();
        List<OptionalDouble> readings = new ArrayList<>();
        for (int lead = 0; lead <= series; lead++) {
            OptionalDouble read = taps.getOrDefault(lead, OptionalDouble.empty());
            readings.add(read);
            rows.add(
                    new Row(
                            lead,
                            pins.fit(series + 1) ? pins.pin(lead) : "–",
                            lead == 0 ? "pack’s negative" : "positive of group " + lead,
                            expected.isEmpty()
                                    ? OptionalDouble.empty()
                                    : OptionalDouble.of(expected.get(lead)),
                            read));
        }
        table.getItems().setAll(rows);
        boolean isAll = taps.size() == series + 1;
        Optional<TapVerdict> verdict =
                isAll ? Optional.of(TapCheck.of(readings, pack.chemistry())) : Optional.empty();
        meaning.setText(meaning(taps.size(), series, verdict));
        faults.setText(faults(verdict, pack));
        List<OptionalInt> seats =
                expected.isEmpty() ? List.of() : TapCheck.seats(expected, readings);
        ladder.repaint((pen, width, height) ->
                new Ladder(pen, series, seats, taps.keySet().stream().toList())
                        .paint(width, height));
    }

    private static String meaning(int read, int series, Optional<TapVerdict> verdict) {
        if (verdict.isPresent())
            return !verdict.get().isSafeToPlugIn()
                    ? "Do not plug it in."
                    : verdict.get().faults().isEmpty()
                            ? "Every lead is where it belongs: the plug may go in."
                            : "Every lead is where it belongs; even out the groups below first.";
        return read == 0
                ? "Read lead 0 to %d against the pack’s negative before the plug goes in."
                        .formatted(series)
                : "%d of %d leads read.".formatted(read, series + 1);
    }

    private String faults(Optional<TapVerdict> verdict, PackToBuild pack) {
        List<String> lines = new ArrayList<>();
        verdict.ifPresent(known -> {
            for (TapFault fault : known.faults())
                lines.add(
                        (fault.kind() == TapFault.Kind.GROUP_ODD ? "▲ " : "■ ")
                                + Sentence.whole(BuildFindingWords.sentence(fault)));
        });
        Optional<Double> whole = Optional.ofNullable(model.assembly().whole().get(MeterPoint.PACK));
        Optional<Double> output =
                Optional.ofNullable(model.assembly().whole().get(MeterPoint.OUTPUT));
        List<Double> expected = pack.expectedTaps();
        if (whole.isPresent() && !expected.isEmpty())
            lines.add(
                    "The pack reads %s, the sum of its groups is %s."
                            .formatted(
                                    Quantity.VOLTAGE.text(whole.get(), 2),
                                    Quantity.VOLTAGE.text(expected.get(expected.size() - 1), 2)));
        if (output.isPresent() && whole.isPresent())
            lines.add(
                    "Behind the board %s: %s below the pack."
                            .formatted(
                                    Quantity.VOLTAGE.text(output.get(), 2),
                                    Quantity.MILLIVOLTS.text(1000 * (whole.get() - output.get()))));
        return String.join("\n", lines);
    }

    /// The string as a ladder, the plug beside it; a lead runs to the joint that it reads.
    private record Ladder(Pen pen, int series, List<OptionalInt> seats, List<Integer> read) {
        void paint(double width, double height) {
            double em = pen.em();
            double top = 2.2 * em;
            double step = (height - 3.4 * em) / series;
            double string = 5.5 * em;
            double plug = width - 3.5 * em;
            if (!(step > 0)) return;
            pen.text(Hue.SECOND, 0.85, false, Anchor.CENTRE, string, 0.5 * em, "string");
            pen.text(Hue.SECOND, 0.85, false, Anchor.CENTRE, plug, 0.5 * em, "plug");
            pen.line(Hue.ACCENT, 3, string, top, string, top + series * step);
            for (int joint = 0; joint <= series; joint++) {
                double y = y(top, step, joint);
                pen.disc(Hue.ACCENT, 1, string, y, 0.45 * em);
                String name = joint == 0 ? "−" : joint == series ? "+" : joint + "–" + (joint + 1);
                pen.text(Hue.INK, 0.95, false, Anchor.RIGHT, string - em, y, name);
                pen.fill(Hue.SHEET, 1, plug - 0.6 * em, y - 0.45 * em, 1.2 * em, 0.9 * em);
                pen.frame(Hue.INK, 1, plug - 0.6 * em, y - 0.45 * em, 1.2 * em, 0.9 * em);
                pen.text(Hue.INK, 0.95, true, Anchor.LEFT, plug + em, y, String.valueOf(joint));
            }
            for (int lead = 0; lead < seats.size(); lead++) lead(lead, top, step, string, plug);
        }

        private double y(double top, double step, int joint) {
            return top + (series - joint) * step;
        }

        private void lead(int lead, double top, double step, double string, double plug) {
            double em = pen.em();
            double from = y(top, step, lead);
            OptionalInt seat = seats.get(lead);
            if (seat.isEmpty()) {
                // read and fits nothing, or not read
                if (!read.contains(lead)) return;
                pen.dashes(4, 4);
                pen.stroke(Hue.STOP, 1.5, plug - 0.7 * em, from, plug - 5 * em, from);
                pen.dashes();
                pen.text(Hue.STOP, 1, true, Anchor.CENTRE, plug - 5.8 * em, from, "■");
                return;
            }
            boolean isRight = seat.getAsInt() == lead;
            double to = y(top, step, seat.getAsInt());
            pen.stroke(
                    isRight ? Hue.INK : Hue.STOP,
                    isRight ? 1.5 : 3,
                    plug - 0.7 * em,
                    from,
                    string + 0.5 * em,
                    to);
            if (!isRight)
                pen.text(
                        Hue.STOP,
                        0.9,
                        true,
                        Anchor.CENTRE,
                        plug - 1.6 * em,
                        from + (to - from) * 0.08,
                        "■");
        }
    }
}
