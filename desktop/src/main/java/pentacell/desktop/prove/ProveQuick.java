package pentacell.desktop.prove;

import java.time.ZoneId;
import pentacell.core.prove.ProveLine;
import pentacell.desktop.frame.LoggedLines;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Prove: a group alone, a group when full, the pack under load by hand, where
/// the device tripped.
final class ProveQuick {
    private ProveQuick() {}

    static QuickSource of(ProveModel model) {
        return new LoggedLines(
                model.desk(),
                () -> model.inHand().name(),
                "g5 20.9Ah   full g3 4.18   4a 3.71 3.70 …   trip 20.6",
                text ->
                        ProveLine.read(
                                text,
                                model.desk().ledger().expected(),
                                model.inHand().name(),
                                model.desk().now(),
                                ZoneId.systemDefault()),
                changed -> model.inHand().nameProperty().subscribe(name -> changed.run()));
    }
}
