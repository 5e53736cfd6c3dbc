package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.journal.Fact;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchByHand;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchOutcome;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchResult;
import pentacell.core.match.Matcher;
import pentacell.core.match.SearchEffort;
import pentacell.core.match.SearchWatch;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Pack;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Packs;
import pentacell.core.plan.facts.Planned;
import pentacell.core.plan.facts.Plans;
import pentacell.core.school.Grading;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.MatchableStock;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Job;
import pentacell.desktop.frame.PackInHand;

/// What Match knows: the pack in hand with its figures, the shelf beside it, and the searches that
/// run.
final class MatchModel {
    private static final SearchEffort EFFORT = SearchEffort.forSeconds(2, 1);
    private static final SearchEffort HARDER = SearchEffort.forSeconds(6, 2);

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
    private final MatchHands hands;
    private SortedStock sorted;
    private Supplier<Optional<MatchRules>> typed = Optional::empty;
    private Job matching = Job.none();

    MatchModel(Desk desk) {
        this.desk = desk;
        tradeOff = new TradeOffModel(desk, this);
        hands = new MatchHands(desk, this);
        sorted = SortedStock.of(desk.ledger().state(), desk.ledger().judged(), "");
        desk.ledger().stateProperty().subscribe(this::sort);
        // a search of another workshop was cancelled, and nothing will be heard of it
        desk.ledger().whileOpen(opened -> search.set(new Search.Idle()), () -> {});
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

    /// The rules as they are typed; empty while they cannot be understood.
    Optional<MatchRules> typedRules() {
        return typed.get();
    }

    /// Names who knows the rules as they are typed.
    void rulesFrom(Supplier<Optional<MatchRules>> source) {
        typed = source;
    }

    /// What was planned of the pack in hand.
    Optional<Planned> planned() {
        return Plans.of(desk.ledger().state()).plan(packName.get());
    }

    /// What a hand may change.
    MatchHands hands() {
        return hands;
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
            packName.set(PackInHand.first(state, PackInHand::isInTheMaking).orElseThrow());
    }

    private void refresh() {
        WorkshopState state = desk.ledger().state();
        keepPackInHand(state);
        shown.set(Packs.of(state).pack(packName.get()).map(this::show));
        dealByHand();
    }

    private Shown show(Pack pack) {
        List<List<Candidate>> groups = cells(pack.groups());
        Set<CellId> inPack =
                pack.groups().stream().flatMap(List::stream).collect(Collectors.toSet());
        Optional<Chemistry> chemistry =
                groups.stream()
                        .flatMap(List::stream)
                        .flatMap(cell -> cell.chemistry().stream())
                        .findFirst();
        Optional<CellFormat> size =
                Candidate.formats(groups.stream().flatMap(List::stream).toList()).stream()
                        .findFirst();
        List<Candidate> shelf =
                stock().candidates().stream()
                        .filter(cell ->
                                !inPack.contains(cell.id()) && cell.chemistry().equals(chemistry))
                        .filter(cell -> cell.mayBeOf(size))
                        .sorted(
                                Comparator.comparingDouble(
                                        (Candidate cell) -> -cell.milliampHours()))
                        .toList();
        return new Shown(pack, groups, shelf, MatchFigures.of(groups));
    }

    /// The cells of some groups as they are known now; groups of which none is known are left out.
    List<List<Candidate>> cells(List<List<CellId>> groups) {
        WorkshopState state = desk.ledger().state();
        Map<CellId, Candidate> usable = new HashMap<>();
        stock().candidates().forEach(cell -> usable.put(cell.id(), cell));
        List<List<Candidate>> known = new ArrayList<>();
        for (List<CellId> group : groups) {
            List<Candidate> cells = new ArrayList<>();
            for (CellId id : group)
                Optional.ofNullable(usable.get(id))
                        .or(() ->
                                Cells.of(state)
                                        .cell(id)
                                        .flatMap(cell -> noLongerUsable(cell, state)))
                        .ifPresent(cells::add);
            if (!cells.isEmpty()) known.add(cells);
        }
        return known;
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
        search(rules, List.of(), EFFORT);
    }

    /// Goes on from the groups as they are, three times as hard.
    void improve(MatchRules rules) {
        search(rules, shown.get().map(now -> now.pack().groups()).orElse(List.of()), HARDER);
    }

    /// What may be matched: the stock without what is kept for repairs.
    List<Candidate> free(MatchRules rules) {
        Set<CellId> spares = shown.get().map(now -> now.pack().spares()).orElse(Set.of());
        Map<String, List<CellId>> selections = Grading.of(desk.ledger().state()).selections();
        // what was kept together under a name that is gone: the whole stock
        Optional<Set<CellId>> chosen =
                rules.cellsFrom().map(selections::get).map(cells -> Set.copyOf(cells));
        return stock().candidates().stream()
                .filter(cell -> !spares.contains(cell.id()))
                .filter(cell -> chosen.isEmpty() || chosen.get().contains(cell.id()))
                .toList();
    }

    /// What is asked of the search: spares that are kept already need not be chosen.
    private MatchRules beyondSpares(MatchRules rules) {
        int kept = shown.get().map(now -> now.pack().spares().size()).orElse(0);
        return rules.with(change -> change.spares(Math.max(0, rules.spares().orElse(0) - kept)));
    }

    private void search(MatchRules rules, List<List<CellId>> from, SearchEffort effort) {
        String pack = packName.get();
        List<Candidate> candidates = free(rules);
        Map<CellId, Integer> locks = locks(rules);
        MatchRules asked = beyondSpares(rules);
        search.set(new Search.Running(Optional.empty()));
        matching =
                desk.work()
                        .lane("match")
                        .run(
                                job ->
                                        Matcher.improve(
                                                candidates, asked, locks, from, effort, watch(job)),
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
                                facts(pack, kept(rules, matched.result()), locks, matched.result()),
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

    /// The rules as asked for, with the limit on IR that the school may have set.
    static MatchRules kept(MatchRules rules, MatchResult result) {
        return rules.withMaxIrSpread(result.rules().maxIrSpreadMilliohms());
    }

    /// What is logged of a match: its groups, and the spares chosen with it.
    static List<Fact> facts(
            String pack, MatchRules rules, Map<CellId, Integer> locks, MatchResult result) {
        List<Fact> facts = new ArrayList<>();
        facts.add(new PackFact.GroupsMatched(pack, rules, result.groups(), locks));
        for (CellId spare : result.spares())
            facts.add(new PackFact.CellReserved(pack, spare, PackFact.Reserve.KEPT));
        return facts;
    }

    /// Takes groups that were found elsewhere for the pack in hand.
    void take(MatchRules rules, List<List<CellId>> groups, String said) {
        String pack = packName.get();
        desk.ledger()
                .log(
                        "Match " + pack,
                        List.of(new PackFact.GroupsMatched(pack, rules, groups, locks(rules))),
                        () -> desk.notices().say(said));
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
        List<Candidate> candidates = free(now.pack().rules());
        desk.work()
                .lane("by hand")
                .run(
                        () -> MatchByHand.figures(candidates, now.pack().rules()),
                        figures -> {
                            if (shown.get().equals(Optional.of(now))) byHand.set(figures);
                        });
    }
}
