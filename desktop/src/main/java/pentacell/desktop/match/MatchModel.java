package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.fact.Cell;
import pentacell.core.fact.Pack;
import pentacell.core.fact.PackFact;
import pentacell.core.fact.WorkshopState;
import pentacell.core.grade.MatchableStock;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchOutcome;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchRules;
import pentacell.core.match.MatchSwap;
import pentacell.core.match.Matcher;
import pentacell.core.match.SearchEffort;
import pentacell.core.match.SearchWatch;
import pentacell.core.match.TradeOff;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Background;

/// What Match knows: the pack in hand with its figures, the shelf beside it, and the searches that
/// run.
final class MatchModel {
    private static final SearchEffort EFFORT = SearchEffort.forSeconds(2, 1);
    private static final SearchEffort CURVE_EFFORT = SearchEffort.forSeconds(0.4, 1);

    /// What a pack is called before anyone named it; the first matched pack takes its place in
    /// hand.
    static final String NEW_PACK = "New pack";

    static final int CURVE_POINTS = 12;

    private final Desk desk;
    private final Background curveWork = new Background("trade-off");
    private final ReadOnlyObjectWrapper<String> packName = new ReadOnlyObjectWrapper<>("");
    private final ReadOnlyObjectWrapper<Optional<Shown>> shown =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Search> search =
            new ReadOnlyObjectWrapper<>(new Search.Idle());
    private final ReadOnlyObjectWrapper<List<TradeOff.Point>> curve =
            new ReadOnlyObjectWrapper<>(List.of());
    private AtomicBoolean cancelled = new AtomicBoolean();
    private AtomicBoolean curveCancelled = new AtomicBoolean();

    MatchModel(Desk desk) {
        this.desk = desk;
        desk.stateProperty().subscribe(state -> refresh());
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

    ReadOnlyObjectProperty<List<TradeOff.Point>> curveProperty() {
        return curve.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<String> packNameProperty() {
        return packName.getReadOnlyProperty();
    }

    /// Takes another pack in hand.
    void takeInHand(String name) {
        if (name.equals(packName.get())) return;
        packName.set(name);
        cancelCurve();
        curve.set(List.of());
        search.set(new Search.Idle());
        refresh();
    }

    MatchableStock stock() {
        return MatchableStock.of(desk.state(), desk.judged(), packName.get());
    }

    private void refresh() {
        WorkshopState state = desk.state();
        if ((packName.get().isEmpty() || packName.get().equals(NEW_PACK))
                && !state.packs().isEmpty())
            packName.set(List.copyOf(state.packs().keySet()).get(state.packs().size() - 1));
        shown.set(state.pack(packName.get()).map(pack -> show(pack, state)));
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
                    state.cell(id)
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
    private static Optional<Candidate> noLongerUsable(Cell cell, WorkshopState state) {
        if (cell.milliampHours().isEmpty()) return Optional.empty();
        Optional<CellModel> model = state.modelOf(cell);
        return Optional.of(
                new Candidate(
                        cell.id(),
                        cell.milliampHours().getAsDouble(),
                        cell.milliohms(),
                        cell.model().orElse(""),
                        cell.donor().orElse(""),
                        model.map(CellModel::chemistry),
                        OptionalDouble.empty(),
                        ""));
    }

    /// The locks that hold for a pack of as many groups.
    private Map<CellId, Integer> locks(MatchRules rules) {
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
        AtomicBoolean stop = new AtomicBoolean();
        cancelled = stop;
        search.set(new Search.Running(Optional.empty()));
        SearchWatch watch =
                new SearchWatch() {
                    @Override
                    public boolean stop() {
                        return stop.get();
                    }

                    @Override
                    public void searched(Progress progress) {
                        Background.tell(() -> {
                            if (search.get() instanceof Search.Running)
                                search.set(new Search.Running(Optional.of(progress)));
                        });
                    }
                };
        desk.compute(
                () -> Matcher.match(candidates, rules, locks, EFFORT, watch),
                outcome -> finish(pack, rules, locks, outcome));
    }

    private void finish(
            String pack, MatchRules rules, Map<CellId, Integer> locks, MatchOutcome outcome) {
        switch (outcome) {
            case Infeasible infeasible -> search.set(new Search.NoSolution(infeasible));
            case MatchOutcome.Matched matched -> {
                search.set(new Search.Idle());
                desk.log(
                        "Match " + pack,
                        List.of(
                                new PackFact.GroupsMatched(
                                        pack, rules, matched.result().groups(), locks)),
                        () ->
                                desk.say(
                                        switch (matched.result().ending()) {
                                            case PROVEN_BEST ->
                                                    "Matched: no grouping of these cells can be better.";
                                            case PROVEN_WITHIN_NOISE ->
                                                    "Matched: no grouping can be better by more than the meter can tell.";
                                            case SEARCHED -> "Matched.";
                                            case CUT_SHORT ->
                                                    "Cancelled: this is the best match found until then.";
                                        }));
            }
        }
    }

    /// Ends the search with the best it has.
    void cancel() {
        cancelled.set(true);
    }

    /// Computes the curve of capacity against the limit on IR spread, point by point.
    void drawCurve(MatchRules rules) {
        List<Candidate> candidates = stock().candidates();
        Map<CellId, Integer> locks = locks(rules);
        cancelCurve();
        AtomicBoolean stop = new AtomicBoolean();
        curveCancelled = stop;
        curve.set(List.of());
        SearchWatch watch =
                new SearchWatch() {
                    @Override
                    public boolean stop() {
                        return stop.get();
                    }

                    @Override
                    public void searched(Progress progress) {}
                };
        TradeOff.Listener add =
                point ->
                        Background.tell(() -> {
                            if (stop.get()) return;
                            List<TradeOff.Point> longer = new ArrayList<>(curve.get());
                            longer.add(point);
                            curve.set(List.copyOf(longer));
                        });
        curveWork.run(
                () ->
                        TradeOff.curve(
                                candidates, rules, locks, CURVE_POINTS, CURVE_EFFORT, watch, add),
                points -> {
                    if (points.isEmpty() && !stop.get())
                        desk.say(
                                "No curve: every cell needs a resistance, and the other rules must be possible.");
                },
                failure -> desk.say("No curve: " + failure.getMessage()));
    }

    void cancelCurve() {
        curveCancelled.set(true);
    }

    /// Lets two cells change places, unless one is locked.
    void swap(CellId first, CellId second) {
        if (shown.get().isEmpty() || first.equals(second)) return;
        Shown now = shown.get().get();
        for (CellId cell : List.of(first, second)) {
            if (now.isLocked(cell)) {
                desk.say(cell + " is locked to its group; set it free first (L).");
                return;
            }
        }
        boolean bothOnShelf =
                now.pack().groupOf(first).isEmpty() && now.pack().groupOf(second).isEmpty();
        if (bothOnShelf || now.pack().groupOf(first).equals(now.pack().groupOf(second))) return;
        desk.log(
                "Swap " + first + " and " + second,
                List.of(new PackFact.CellsSwapped(now.pack().name(), first, second)),
                () -> desk.say("Swapped " + first + " and " + second + "."));
    }

    /// Locks a cell to its group, or sets it free.
    void toggleLock(CellId cell) {
        if (shown.get().isEmpty() || shown.get().get().pack().groupOf(cell).isEmpty()) return;
        Shown now = shown.get().get();
        PackFact.Lock lock = now.isLocked(cell) ? PackFact.Lock.FREE : PackFact.Lock.LOCKED;
        desk.log(
                (lock == PackFact.Lock.LOCKED ? "Lock " : "Free ") + cell,
                List.of(new PackFact.CellLock(now.pack().name(), cell, lock)),
                () -> {});
    }
}
