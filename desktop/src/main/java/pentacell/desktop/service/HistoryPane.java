package pentacell.desktop.service;

import java.util.Optional;
import java.util.stream.IntStream;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.service.ServicedPack;
import pentacell.core.service.Timeline;
import pentacell.core.unit.Count;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.Wrapping;

/// How far groups strayed over the years, near full, at rest and near empty apart.
final class HistoryPane extends VBox {
    private final Label meaning = Wrapping.on(new Label());
    private final ComboBox<Integer> group = new ComboBox<>();
    private final CheckBox recent = new CheckBox("Last stretch only");
    private final HistoryPicture picture = new HistoryPicture();
    private Optional<Integer> chosen = Optional.empty();
    private boolean isFilling;

    HistoryPane(ServiceModel model) {
        setId("history-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("history-meaning");
        meaning.getStyleClass().add("meaning");
        group.setId("history-group");
        group.setConverter(new GroupName());
        group.valueProperty()
                .subscribe(each -> {
                    if (isFilling || each == null) return;
                    chosen = Optional.of(each);
                    show(model.judgedProperty().get());
                });
        recent.setId("history-recent");
        recent.setMinWidth(USE_PREF_SIZE);
        recent.setOnAction(pressed -> show(model.judgedProperty().get()));
        model.inHand().nameProperty().subscribe(name -> chosen = Optional.empty());
        VBox.setVgrow(picture, Priority.ALWAYS);
        Label caption =
                Wrapping.on(
                        new Label(
                                "Lowest when empty and highest when full: it holds less. Lowest always and worse at rest: it loses charge. The same everywhere: it is read wrongly."));
        caption.getStyleClass().add("caption");
        getChildren()
                .addAll(
                        meaning,
                        ControlRow.of(new Label("Line through the band"), group, recent),
                        picture,
                        caption);
        model.judgedProperty().subscribe(this::show);
    }

    private void show(Optional<ServiceModel.Judged> judged) {
        Optional<ServicedPack> pack = judged.map(ServiceModel.Judged::pack);
        int series = pack.map(now -> now.built().groups().size()).orElse(0);
        int shown =
                chosen.filter(each -> each < series)
                        .orElse(pack.map(ServicedPack::doubted).orElse(0));
        isFilling = true;
        group.getItems().setAll(IntStream.range(0, series).boxed().toList());
        group.setValue(series == 0 ? null : shown);
        isFilling = false;
        group.setDisable(series == 0);
        recent.setDisable(pack.flatMap(ServicedPack::recent).isEmpty());
        picture.show(pack, shown, recent.isSelected());
        meaning.setText(pack.map(HistoryPane::meaning).orElse("Match a pack first (Ctrl+6)."));
    }

    private static String meaning(ServicedPack pack) {
        if (pack.history().isEmpty())
            return "No history yet: import the log of its board at Now, or type its groups below.";
        Timeline history = pack.history().get();
        return "%s from %s to %s."
                .formatted(
                        Count.of(history.log().size(), "reading", "readings"),
                        ServiceWords.day(history.from()),
                        ServiceWords.day(history.to()));
    }
}
