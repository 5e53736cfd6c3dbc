package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.grade.JudgedStock;
import pentacell.core.grade.MatchableStock;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchBreach;
import pentacell.core.match.MatchByHand;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchOutcome;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchReplacement;
import pentacell.core.match.Matcher;
import pentacell.core.match.SearchEffort;
import pentacell.core.match.SearchWatch;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.MatchSwap;
import pentacell.core.pack.Pack;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Job;

/// What Match knows: the pack in hand with its figures, the shelf beside it, and the searches that
/// run.
final class MatchModel {
    private static final SearchEffort EFFORT = SearchEffort.forSeconds(2, 1);

    /// What a pack is called before anyone named it; the first matched pack takes its place in
    /// hand.
    static final String NEW_PACK = "New pack";

    private final Desk desk;
    private final ReadOnlyObjectWrapper<String> packName = new ReadOnlyObjectWrapper<>("");
    private final ReadOnlyObjectWrapper<Optional<Shown>> shown =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Search> search =
            new ReadOnlyObjectWrapper<>(new Search.Idle());
    private final ReadOnlyObjectWrapper<Optional<MatchFigures>> byHand =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyIntegerWrapper sorts = new ReadOnlyIntegerWrapper();
    private final TradeOffModel tradeOff;
    private SortedStock sorted;
    private Job matching = Job.none();

    MatchModel(Desk desk) {
        this.desk = desk;
        tradeOff = new TradeOffModel(desk, this);
        sorted = SortedStock.of(desk.ledger().state(), desk.ledger().judged(), "");
        desk.ledger().stateProperty().subscribe(this::sort);
        // a search of another workshop was cancelled, and nothing will be heard of it
        desk.ledger().whileOpen(opened -> search.set(new Search.Idle()), () -> {});
    }

    /// A matched pack as it is shown.
    ///
    /// @param groups the cells of each group
    /// @param shelf usable cells of the pack's chemistry that are left over, strongest first
    record Shown(
            Pack pack, List<List<Candidate>> groups, List<Candidate> shelf, MatchFigures figures) {
        Optional<Candidate> find(CellId cell) {
            for (List<Candidate> group : groups)
                for (Candidate each : group) if (each.id().equals(cell)) return Optional.of(each);
            return shelf.stream().filter(each -> each.id().equals(cell)).findFirst();
        }

        boolean isLocked(CellId cell) {
            return pack.locked().contains(cell);
        }

        /// The limit that a swap would break, if any.
        Optional<MatchBreach> breachOf(CellId first, CellId second) {
            return find(first)
                    .flatMap(one ->
                            find(second)
                                    .flatMap(other ->
                                            MatchBreach.of(
                                                    groups,
                                                    MatchSwap.in(groups, one, other),
                                                    pack.rules())));
        }

        /// The best cell of the shelf for the place of another, if any keeps the limits.
        Optional<MatchReplacement> replacementOf(CellId leaving) {
            return find(leaving)
                    .filter(cell -> !shelf.contains(cell))
                    .flatMap(cell ->
                            MatchReplacement.best(groups, cell, shelf, pack.rules(), 1).stream()
                                    .findFirst());
        }

        /// The figures after two cells changed places.
        MatchFigures after(Candidate first, Candidate second) {
            return MatchFigures.of(MatchSwap.in(groups, first, second));
        }
    }

    /// How a search goes.
    sealed interface Search {
        /// None runs.
        record Idle() implements Search {}

        /// One runs.
        record Running(Optional<SearchWatch.Progress> progress) implements Search {}

        /// The last one found that the rules cannot be kept.
        record NoSolution(Infeasible infeasible) implements Search {}
    }

    ReadOnlyObjectProperty<Optional<Shown>> shownProperty() {
        return shown.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Search> searchProperty() {
        return search.getReadOnlyProperty();
    }

    /// What a hand would deal of the same cells under the pack's rules.
    ReadOnlyObjectProperty<Optional<MatchFigures>> byHandProperty() {
        return byHand.getReadOnlyProperty();
    }

    /// The trade-off of the pack in hand.
    TradeOffModel tradeOff() {
        return tradeOff;
    }

    ReadOnlyObjectProperty<String> packNameProperty() {
        return packName.getReadOnlyProperty();
    }

    /// Takes another pack in hand.
    void takeInHand(String name) {
        if (name.equals(packName.get())) return;
        packName.set(name);
        tradeOff.clear();
        search.set(new Search.Idle());
        refresh();
    }

    /// The stock as it can be matched for the pack in hand.
    MatchableStock stock() {
        WorkshopState state = desk.ledger().state();
        if (!sorted.isOf(state, packName.get()))
            sorted = SortedStock.of(state, desk.ledger().judged(), packName.get());
        return sorted.stock();
    }

    /// Counts how often the stock was sorted anew.
    ReadOnlyIntegerProperty sortsProperty() {
        return sorts.getReadOnlyProperty();
    }

    /// Sorts the stock of a new state away from the UI thread, then shows what became of the pack.
    private void sort(WorkshopState state) {
        keepPackInHand(state);
        JudgedStock judged = desk.ledger().judged();
        String pack = packName.get();
        desk.work()
                .lane("stock")
                .run(
                        () -> SortedStock.of(state, judged, pack),
                        done -> {
                            if (!done.isOf(desk.ledger().state(), packName.get())) return;
                            sorted = done;
                            refresh();
                            sorts.set(sorts.get() + 1);
                        });
    }

    private void keepPackInHand(WorkshopState state) {
        if ((packName.get().isEmpty() || packName.get().equals(NEW_PACK))
                && !Packs.of(state).all().isEmpty())
            packName.set(
                    List.copyOf(Packs.of(state).all().keySet())
                            .get(Packs.of(state).all().size() - 1));
    }

    private void refresh() {
        WorkshopState state = desk.ledger().state();
        keepPackInHand(state);
        shown.set(Packs.of(state).pack(packName.get()).map(pack -> show(pack, state)));
        dealByHand();
    }

    private Shown show(Pack pack, WorkshopState state) {
        MatchableStock stock = stock();
        Map<CellId, Candidate> usable = new HashMap<>();
        stock.candidates().forEach(cell -> usable.put(cell.id(), cell));
        List<List<Candidate>> groups = new ArrayList<>();
        Set<CellId> inPack = new java.util.HashSet<>();
        for (List<CellId> group : pack.groups()) {
            List<Candidate> cells = new ArrayList<>();
            for (CellId id : group) {
                inPack.add(id);
                Candidate known = usable.get(id);
                if (known != null) cells.add(known);
                else
                    Cells.of(state)
                            .cell(id)
                            .flatMap(cell -> noLongerUsable(cell, state))
                            .ifPresent(cells::add);
            }
            if (!cells.isEmpty()) groups.add(cells);
        }
        Optional<Chemistry> chemistry =
                groups.stream()
                        .flatMap(List::stream)
                        .flatMap(cell -> cell.chemistry().stream())
                        .findFirst();
        List<Candidate> shelf =
                stock.candidates().stream()
                        .filter(cell ->
                                !inPack.contains(cell.id()) && cell.chemistry().equals(chemistry))
                        .sorted(
                                Comparator.comparingDouble(
                                        (Candidate cell) -> -cell.milliampHours()))
                        .toList();
        return new Shown(pack, groups, shelf, MatchFigures.of(groups));
    }

    /// A cell that was matched and has since been judged out still stands in its group until it is
    /// swapped.
    private Optional<Candidate> noLongerUsable(CellRecord cell, WorkshopState state) {
        return cell.milliampHours().isEmpty()
                ? Optional.empty()
                : Optional.of(
                        MatchableStock.candidate(
                                cell, stock().method(), Catalogue.of(state).modelOf(cell)));
    }

    /// The locks that hold for a pack of as many groups.
    Map<CellId, Integer> locks(MatchRules rules) {
        Map<CellId, Integer> locks = new HashMap<>();
        shown.get()
                .ifPresent(now ->
                        now.pack()
                                .locked()
                                .forEach(cell ->
                                        now.pack()
                                                .groupOf(cell)
                                                .ifPresent(group -> {
                                                    if (group < rules.series())
                                                        locks.put(cell, group);
                                                })));
        return locks;
    }

    /// Searches; the result is logged when it is found.
    void match(MatchRules rules) {
        String pack = packName.get();
        List<Candidate> candidates = stock().candidates();
        Map<CellId, Integer> locks = locks(rules);
        search.set(new Search.Running(Optional.empty()));
        matching =
                desk.work()
                        .lane("match")
                        .run(
                                job -> Matcher.match(candidates, rules, locks, EFFORT, watch(job)),
                                outcome -> finish(pack, rules, locks, outcome),
                                failure -> {
                                    search.set(new Search.Idle());
                                    desk.notices().say("No match: " + failure.getMessage());
                                });
        matching.progressProperty()
                .subscribe(told -> {
                    if (search.get() instanceof Search.Running
                            && told.orElse(null) instanceof SearchWatch.Progress progress)
                        search.set(new Search.Running(Optional.of(progress)));
                });
    }

    static SearchWatch watch(Job job) {
        return new SearchWatch() {
            @Override
            public boolean stop() {
                return job.isCancelled();
            }

            @Override
            public void searched(Progress progress) {
                job.tell(progress);
            }
        };
    }

    private void finish(
            String pack, MatchRules rules, Map<CellId, Integer> locks, MatchOutcome outcome) {
        switch (outcome) {
            case Infeasible infeasible -> search.set(new Search.NoSolution(infeasible));
            case MatchOutcome.Matched matched -> {
                search.set(new Search.Idle());
                desk.ledger()
                        .log(
                                "Match " + pack,
                                List.of(
                                        new PackFact.GroupsMatched(
                                                pack, rules, matched.result().groups(), locks)),
                                () ->
                                        desk.notices()
                                                .say(
                                                        switch (matched.result().ending()) {
                                                            case PROVEN_BEST ->
                                                                    "Matched: no grouping of these cells can be better.";
                                                            case PROVEN_WITHIN_NOISE ->
                                                                    "Matched: no grouping can be better by more than the meter can tell.";
                                                            case SEARCHED -> "Matched.";
                                                            case CUT_SHORT ->
                                                                    "Cancelled: this is the best match found so far.";
                                                        }));
            }
        }
    }

    /// Ends the search with the best it has.
    void cancel() {
        matching.cancel();
    }

    private void dealByHand() {
        if (shown.get().isEmpty()) {
            byHand.set(Optional.empty());
            return;
        }
        Shown now = shown.get().get();
        List<Candidate> candidates = stock().candidates();
        desk.work()
                .lane("by hand")
                .run(
                        () -> MatchByHand.figures(candidates, now.pack().rules()),
                        figures -> {
                            if (shown.get().equals(Optional.of(now))) byHand.set(figures);
                        });
    }

    /// Lets two cells change places, unless one is locked.
    void swap(CellId first, CellId second) {
        if (shown.get().isEmpty() || first.equals(second)) return;
        Shown now = shown.get().get();
        for (CellId cell : List.of(first, second)) {
            if (now.isLocked(cell)) {
                desk.notices().say(cell + " is locked to its group; unlock it first (L).");
                return;
            }
        }
        boolean bothOnShelf =
                now.pack().groupOf(first).isEmpty() && now.pack().groupOf(second).isEmpty();
        if (bothOnShelf || now.pack().groupOf(first).equals(now.pack().groupOf(second))) return;
        Optional<MatchBreach> breach = now.breachOf(first, second);
        if (breach.isPresent()) {
            desk.notices()
                    .say(
                            "Not swapped: %s. Change the limit and match again, or choose another cell."
                                    .formatted(breach.get().sentence()));
            return;
        }
        desk.ledger()
                .log(
                        "Swap " + first + " and " + second,
                        List.of(new PackFact.CellsSwapped(now.pack().name(), first, second)),
                        () -> desk.notices().say("Swapped " + first + " and " + second + "."));
    }

    /// Locks a cell to its group, or sets it free.
    void toggleLock(CellId cell) {
        if (shown.get().isEmpty() || shown.get().get().pack().groupOf(cell).isEmpty()) return;
        Shown now = shown.get().get();
        PackFact.Lock lock = now.isLocked(cell) ? PackFact.Lock.FREE : PackFact.Lock.LOCKED;
        desk.ledger()
                .log(
                        (lock == PackFact.Lock.LOCKED ? "Lock " : "Free ") + cell,
                        List.of(new PackFact.CellLock(now.pack().name(), cell, lock)),
                        () -> {});
    }
}
