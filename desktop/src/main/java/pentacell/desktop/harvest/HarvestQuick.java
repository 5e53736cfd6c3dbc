package pentacell.desktop.harvest;

import java.util.Optional;
import java.util.function.Supplier;
import pentacell.core.harvest.HarvestLine;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.LoggedLines;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Harvest: readings of groups, signs, minutes.
final class HarvestQuick {
    private HarvestQuick() {}

    static QuickSource of(Desk desk, HarvestModel model) {
        Supplier<Optional<String>> inHand =
                () -> model.donor().map(record -> record.donor().code());
        return new LoggedLines(
                desk,
                () -> inHand.get().orElse("No donor in hand"),
                "HB03 3.98 3.52 3.97 p11.5 o0   or 2:3.53, swollen, 12min",
                text -> HarvestLine.read(text, desk.ledger().expected(), inHand.get()),
                changed -> desk.selection().donorProperty().subscribe(code -> changed.run()));
    }
}
