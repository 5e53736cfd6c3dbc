package pentacell.core;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Place;
import pentacell.core.cell.Tray;
import pentacell.core.cell.TrayFact;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.state.WorkshopState;

/// A journal written by hand, for tests: each call logs one act, a minute after the last.
public final class Journal {
    public static final Instant BEGIN = Instant.parse("2026-03-01T09:00:00Z");

    private final List<Act> acts = new ArrayList<>();
    private long sequence;
    private Instant now = BEGIN;

    public Journal log(Fact... facts) {
        List<Entry> entries = new ArrayList<>();
        for (Fact fact : facts) entries.add(new Entry(++sequence, fact));
        acts.add(new Act(acts.size() + 1, now, "test", entries));
        now = now.plusSeconds(60);
        return this;
    }

    public Journal wait(Duration time) {
        now = now.plus(time);
        return this;
    }

    public Journal model(String name, Chemistry chemistry, double ratedMilliampHours) {
        return log(
                new CatalogueFact.ModelDefined(
                        new CellModel(
                                name,
                                CellFormat.parse("18650").orElseThrow(),
                                chemistry,
                                ratedMilliampHours,
                                ratedMilliampHours,
                                CellLimits.careful(chemistry, ratedMilliampHours))));
    }

    public Journal tray(String name, int rows, int columns) {
        return log(new TrayFact.TrayAdded(new Tray(name, rows, columns)));
    }

    /// Names a cell by its donor part, lays it in a place when one is given, reads it.
    public Journal cell(String id, String model, String place, double volts) {
        CellId cell = new CellId(id);
        List<Fact> facts = new ArrayList<>();
        facts.add(new CellFact.CellNamed(cell, cell.donorPart(), Optional.of(model)));
        Place.parse(place).ifPresent(at -> facts.add(new CellFact.CellPlaced(cell, at)));
        facts.add(new CellFact.VoltageRead(cell, volts));
        return log(facts.toArray(Fact[]::new));
    }

    public WorkshopState state() {
        return Chapters.fold(acts);
    }
}
