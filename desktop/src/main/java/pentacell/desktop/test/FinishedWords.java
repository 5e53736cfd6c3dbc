package pentacell.desktop.test;

import java.util.ArrayList;
import java.util.List;
import pentacell.core.cell.RunFact.RunEnd;
import pentacell.core.measure.Anomaly;
import pentacell.core.unit.Quantity;
import pentacell.instruments.bench.Finished;

/// A run that ended, in one sentence: what was measured, what was odd, what it changed and why.
final class FinishedWords {
    private FinishedWords() {}

    static String of(Finished finished) {
        List<String> parts = new ArrayList<>();
        finished.analysis()
                .discharge()
                .filter(discharge -> discharge.reachedEnd())
                .ifPresent(
                        discharge -> parts.add(Quantity.CAPACITY.text(discharge.milliampHours())));
        finished.analysis()
                .resistance()
                .ifPresent(resistance ->
                        parts.add(Quantity.RESISTANCE.text(resistance.milliohms()) + " DC"));
        if (finished.ending().end() != RunEnd.DONE)
            parts.add(
                    finished.ending().end().words()
                            + (finished.ending().why().isBlank()
                                    ? ""
                                    : " (" + finished.ending().why() + ")"));
        finished.analysis().anomalies().stream()
                .findFirst()
                .map(Anomaly::sentence)
                .ifPresent(parts::add);
        if (finished.before() != finished.after().verdict())
            parts.add(
                    "%s → %s: %s"
                            .formatted(
                                    finished.before().words(),
                                    finished.after().verdict().words(),
                                    finished.after().reasons().isEmpty()
                                            ? ""
                                            : finished.after().reasons().get(0).sentence()));
        if (!finished.counts()) parts.add("from a stand-in, does not count");
        return finished.cell() + ": " + String.join(" · ", parts);
    }
}
