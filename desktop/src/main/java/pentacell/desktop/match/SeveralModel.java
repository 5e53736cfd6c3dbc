package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Fact;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchOutcome;
import pentacell.core.match.MatchSeveral;
import pentacell.core.match.MatchSeveral.Granted;
import pentacell.core.match.MatchSeveral.Sharing;
import pentacell.core.match.MatchSeveral.Wish;
import pentacell.core.match.MatchWords;
import pentacell.core.match.SearchEffort;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.MatchableStock;
import pentacell.core.unit.Count;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Job;
import pentacell.desktop.frame.PackInHand;

/// Several packs from one stock: which are wanted, in which order, and what became of each.
final class SeveralModel {
    private static final SearchEffort EFFORT = SearchEffort.forSeconds(1, 1);

    private final Desk desk;
    private final ReadOnlyObjectWrapper<List<Row>> rows = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyBooleanWrapper isMatching = new ReadOnlyBooleanWrapper();
    private Job matching = Job.none();

    SeveralModel(Desk desk) {
        this.desk = desk;
        desk.ledger().stateProperty().subscribe(this::follow);
    }

    /// A pack of the list.
    ///
    /// @param isWanted whether it is matched with the others
    /// @param known the pack as it is; empty for one that was never matched
    /// @param said what became of it when it was last matched here
    record Row(String pack, MatchRules rules, boolean isWanted, Optional<Pack> known, String said) {
        private Row wanted(boolean wanted) {
            return new Row(pack, rules, wanted, known, said);
        }

        private Row now(Optional<Pack> pack) {
            return new Row(this.pack, pack.map(Pack::rules).orElse(rules), isWanted, pack, said);
        }

        private Row saying(String words) {
            return new Row(pack, rules, isWanted, known, words);
        }

        /// Whether cells of it are in the hand already.
        boolean isBeingPicked() {
            return known.map(each -> !each.picked().isEmpty()).orElse(false);
        }
    }

    ReadOnlyObjectProperty<List<Row>> rowsProperty() {
        return rows.getReadOnlyProperty();
    }

    ReadOnlyBooleanProperty matchingProperty() {
        return isMatching.getReadOnlyProperty();
    }

    /// Packs that came are added at the end, those that were added by hand stay. Finished packs are
    /// not matched anew.
    private void follow(WorkshopState state) {
        Map<String, Pack> packs = new LinkedHashMap<>(Packs.of(state).all());
        packs.keySet()
                .removeIf(name ->
                        !PackInHand.isInTheMaking(Assemblies.of(state).assembly(name).standing()));
        List<Row> now = new ArrayList<>();
        for (Row row : rows.get())
            if (row.known().isEmpty() || packs.containsKey(row.pack()))
                now.add(row.now(Optional.ofNullable(packs.get(row.pack()))));
        packs.values().stream()
                .filter(pack -> now.stream().noneMatch(row -> row.pack().equals(pack.name())))
                .map(pack ->
                        new Row(
                                pack.name(),
                                pack.rules(),
                                pack.picked().isEmpty(),
                                Optional.of(pack),
                                ""))
                .forEach(now::add);
        rows.set(List.copyOf(now));
    }

    /// Adds a pack with these rules, or gives them to the one of that name.
    void add(String pack, MatchRules rules) {
        List<Row> now = new ArrayList<>(rows.get());
        Optional<Row> before = now.stream().filter(row -> row.pack().equals(pack)).findFirst();
        Row row = new Row(pack, rules, true, before.flatMap(Row::known), "");
        before.ifPresentOrElse(old -> now.set(now.indexOf(old), row), () -> now.add(row));
        rows.set(List.copyOf(now));
    }

    void toggle(Row row) {
        replace(row, row.wanted(!row.isWanted()));
    }

    private void replace(Row row, Row by) {
        List<Row> now = new ArrayList<>(rows.get());
        int at = now.indexOf(row);
        if (at < 0) return;
        now.set(at, by);
        rows.set(List.copyOf(now));
    }

    /// Moves a pack earlier or later in the order.
    void move(Row row, int by) {
        List<Row> now = new ArrayList<>(rows.get());
        int at = now.indexOf(row);
        int to = at + by;
        if (at < 0 || to < 0 || to >= now.size()) return;
        now.remove(at);
        now.add(to, row);
        rows.set(List.copyOf(now));
    }

    /// Matches what is wanted; what is found is logged as one step.
    void match(Sharing sharing) {
        List<Row> wanted = rows.get().stream().filter(Row::isWanted).toList();
        if (wanted.isEmpty()) return;
        WorkshopState state = desk.ledger().state();
        JudgedStock judged = desk.ledger().judged();
        isMatching.set(true);
        matching =
                desk.work()
                        .lane("match")
                        .run(
                                job ->
                                        MatchSeveral.match(
                                                candidates(state, judged, wanted),
                                                wanted.stream().map(SeveralModel::wish).toList(),
                                                sharing,
                                                EFFORT,
                                                MatchModel.watch(job)),
                                this::finish,
                                failure -> {
                                    isMatching.set(false);
                                    desk.notices().say("No match: " + failure.getMessage());
                                });
    }

    void cancel() {
        matching.cancel();
    }

    private static Wish wish(Row row) {
        Map<CellId, Integer> locks = new HashMap<>();
        row.known()
                .ifPresent(pack ->
                        pack.locked()
                                .forEach(cell ->
                                        pack.groupOf(cell)
                                                .ifPresent(group -> {
                                                    if (group < row.rules().series())
                                                        locks.put(cell, group);
                                                })));
        return new Wish(row.pack(), row.rules(), locks);
    }

    /// Cells that are in no other pack, and kept for the repair of none.
    private static List<Candidate> candidates(
            WorkshopState state, JudgedStock judged, List<Row> wanted) {
        List<String> names = wanted.stream().map(Row::pack).toList();
        List<CellId> spares =
                Packs.of(state).all().values().stream()
                        .flatMap(pack -> pack.spares().stream())
                        .toList();
        return MatchableStock.of(state, judged, names).candidates().stream()
                .filter(cell -> !spares.contains(cell.id()))
                .toList();
    }

    private void finish(List<Granted> granted) {
        isMatching.set(false);
        List<Fact> facts = new ArrayList<>();
        List<Row> now = new ArrayList<>(rows.get());
        int matched = 0;
        for (Granted each : granted) {
            Optional<Row> row =
                    now.stream().filter(one -> one.pack().equals(each.wish().pack())).findFirst();
            String said =
                    switch (each.outcome()) {
                        case MatchOutcome.Infeasible none ->
                                "No match: " + MatchWords.sentence(none.why()) + ".";
                        case MatchOutcome.Matched found -> "Matched.";
                    };
            if (each.outcome() instanceof MatchOutcome.Matched found) {
                matched++;
                facts.addAll(
                        MatchModel.facts(
                                each.wish().pack(),
                                MatchModel.kept(each.wish().rules(), found.result()),
                                each.wish().locks(),
                                found.result()));
            }
            row.ifPresent(one -> now.set(now.indexOf(one), one.saying(said)));
        }
        rows.set(List.copyOf(now));
        if (facts.isEmpty()) return;
        String words = Count.of(matched, "pack", "packs");
        desk.ledger()
                .log(
                        "Match " + words,
                        facts,
                        () -> desk.notices().say("Matched " + words + " from one stock."));
    }
}
