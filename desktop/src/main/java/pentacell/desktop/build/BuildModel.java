package pentacell.desktop.build;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.LayoutSearch;
import pentacell.core.build.LayoutWish;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.TakeOffs;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.Assembly;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellId;
import pentacell.core.prove.LoadTest;
import pentacell.core.prove.ProvedPack;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Job;
import pentacell.desktop.frame.PackInHand;
import pentacell.desktop.frame.WhileWatched;

/// What Build knows: the pack in hand as it is to be built, the layouts found for it, and the one
/// that is looked at.
final class BuildModel {
    private final Desk desk;
    private final PackInHand pack;
    private final ReadOnlyObjectWrapper<Optional<PackToBuild>> built =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<JudgedLayout>> found =
            new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Optional<JudgedLayout>> shown =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<TakeOffs.Compared>> takeOffs =
            new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyBooleanWrapper searching = new ReadOnlyBooleanWrapper();
    private Optional<JudgedLayout> laidOut = Optional.empty();
    private Optional<LoadTest> measured = Optional.empty();
    private Optional<JudgedLayout> lookedAt = Optional.empty();
    private PackToBuild.Asked asked = PackToBuild.Asked.NOTHING;
    private Optional<SearchedFor> searchedFor = Optional.empty();
    private Job search = Job.none();
    private int turn;
    private final WhileWatched work = new WhileWatched(this::workOut);

    /// What a search depends on.
    private record SearchedFor(LayoutWish wish, JudgedLayout.Electric electric) {}

    /// What is worked out away from the window's thread.
    private record Worked(
            Optional<PackToBuild> built,
            Optional<JudgedLayout> laidOut,
            Optional<LoadTest> measured) {}

    BuildModel(Desk desk) {
        this.desk = desk;
        pack = new PackInHand(desk);
        pack.nameProperty()
                .subscribe(name -> {
                    lookedAt = Optional.empty();
                    searchedFor = Optional.empty();
                    found.set(List.of());
                    work.refresh();
                });
        desk.ledger().stateProperty().subscribe(state -> work.refresh());
    }

    PackInHand inHand() {
        return pack;
    }

    ReadOnlyObjectProperty<String> packProperty() {
        return pack.nameProperty();
    }

    /// The pack in hand as it is to be built; empty while none is matched.
    ReadOnlyObjectProperty<Optional<PackToBuild>> builtProperty() {
        return built.getReadOnlyProperty();
    }

    /// The layouts found, best first.
    ReadOnlyObjectProperty<List<JudgedLayout>> foundProperty() {
        return found.getReadOnlyProperty();
    }

    /// The layout that is looked at: one of those found, else the chosen one, else the best.
    ReadOnlyObjectProperty<Optional<JudgedLayout>> shownProperty() {
        return shown.getReadOnlyProperty();
    }

    /// What the layout looked at would come to with its leads elsewhere; empty until that is known.
    ReadOnlyObjectProperty<List<TakeOffs.Compared>> takeOffsProperty() {
        return takeOffs.getReadOnlyProperty();
    }

    /// Whether layouts are being searched for.
    ReadOnlyBooleanProperty searchingProperty() {
        return searching.getReadOnlyProperty();
    }

    Desk desk() {
        return desk;
    }

    /// What was said and read of the pack in hand.
    Assembly assembly() {
        return Assemblies.of(desk.ledger().state()).assembly(pack.name());
    }

    /// The layout that was chosen, judged.
    Optional<JudgedLayout> laidOut() {
        return laidOut;
    }

    /// What the pack gave when it was loaded to its end last.
    Optional<LoadTest> measured() {
        return measured;
    }

    PackToBuild.Asked asked() {
        return asked;
    }

    /// Says whether somebody looks: nothing is worked out while nobody does.
    void watched(boolean isWatched) {
        work.watched(isWatched);
    }

    /// Asks for other layouts, or another current.
    void ask(PackToBuild.Asked wanted) {
        if (wanted.equals(asked)) return;
        boolean isOtherLayout = !wanted.takeOff().equals(asked.takeOff());
        asked = wanted;
        lookedAt = Optional.empty();
        if (isOtherLayout)
            assembly()
                    .layout()
                    .ifPresent(layout -> choose(layout.with(wanted.takeOff()), "Move the leads"));
        work.now();
    }

    private void workOut() {
        int number = ++turn;
        WorkshopState state = desk.ledger().state();
        JudgedStock judged = desk.ledger().judged();
        String name = pack.name();
        PackToBuild.Asked wanted = asked;
        desk.work()
                .lane("build")
                .run(
                        () -> {
                            Optional<PackToBuild> now = PackToBuild.of(state, judged, name, wanted);
                            return new Worked(
                                    now,
                                    now.flatMap(PackToBuild::laidOut),
                                    now.flatMap(pack -> ProvedPack.measured(state, pack)));
                        },
                        done -> {
                            if (number == turn) show(done);
                        });
    }

    private void show(Worked done) {
        laidOut = done.laidOut();
        measured = done.measured();
        built.set(done.built());
        if (done.built().isEmpty()) {
            found.set(List.of());
            shown.set(Optional.empty());
            return;
        }
        PackToBuild now = done.built().get();
        SearchedFor wanted = new SearchedFor(now.wish(), now.electric());
        if (searchedFor.equals(Optional.of(wanted))) look();
        else search(wanted);
    }

    private void search(SearchedFor wanted) {
        searchedFor = Optional.of(wanted);
        lookedAt = Optional.empty();
        look();
        search.cancel();
        searching.set(true);
        search =
                desk.work()
                        .lane("layouts")
                        .run(
                                job ->
                                        LayoutSearch.of(
                                                wanted.wish(), wanted.electric(), job::isCancelled),
                                all -> {
                                    if (!searchedFor.equals(Optional.of(wanted))) return;
                                    searching.set(false);
                                    found.set(all);
                                    look();
                                },
                                failure -> {
                                    searching.set(false);
                                    desk.notices().say("No layout: " + failure.getMessage());
                                });
    }

    /// Ends the search with what it has.
    void stopSearching() {
        search.cancel();
    }

    private void look() {
        Optional<JudgedLayout> now =
                lookedAt.or(() -> laidOut).or(() -> found.get().stream().findFirst());
        if (now.equals(shown.get())) return;
        shown.set(now);
        takeOffs.set(List.of());
        if (now.isEmpty() || now.get().currents().isEmpty() || built.get().isEmpty()) return;
        Layout layout = now.get().layout();
        JudgedLayout.Electric electric = built.get().get().electric();
        desk.work()
                .lane("take-offs")
                .run(
                        () -> TakeOffs.of(layout, electric),
                        all -> {
                            if (shown.get().equals(now)) takeOffs.set(all);
                        });
    }

    /// Shows the cell at a place on the card.
    void pick(Spot spot) {
        shown.get()
                .flatMap(now -> now.layout().cansByPlace().at(spot))
                .ifPresent(can ->
                        built.get()
                                .ifPresent(now ->
                                        desk.selection()
                                                .select(now.cansOf(can.group()).get(can.can()))));
    }

    /// Where the cell on the card stands in the layout that is looked at.
    Set<Spot> placesOfSelected() {
        Optional<CellId> cell = desk.selection().cellProperty().get();
        Set<Spot> places = new LinkedHashSet<>();
        if (cell.isEmpty() || shown.get().isEmpty() || built.get().isEmpty()) return places;
        Layout layout = shown.get().get().layout();
        PackToBuild now = built.get().get();
        for (int group = 0; group < now.groups().size(); group++) {
            List<CellId> cans = now.cansOf(group);
            for (int can = 0; can < cans.size(); can++)
                if (cans.get(can).equals(cell.get()))
                    places.add(layout.places().get(group).get(can));
        }
        return places;
    }

    /// Looks at one of the layouts found.
    void lookAt(JudgedLayout arrangement) {
        lookedAt = Optional.of(arrangement);
        look();
    }

    /// Takes the layout that is looked at.
    void take() {
        shown.get().ifPresent(now -> choose(now.layout(), "Lay out " + pack.name()));
    }

    /// Keeps a place free, or lets it be filled again: in the chosen layout, else in those looked
    /// for.
    void keepFree(Spot spot) {
        Optional<Layout> chosen = assembly().layout();
        if (chosen.isPresent()) {
            Optional<Layout> kept = chosen.get().keepingFree(spot);
            if (kept.isEmpty())
                desk.notices()
                        .say(
                                "No other place for the can: add a row or a column first (Change it).");
            kept.ifPresent(layout -> choose(layout, "Keep %s free".formatted(spot)));
            return;
        }
        List<Spot> free = new ArrayList<>(asked.keptFree());
        if (!free.remove(spot)) free.add(spot);
        ask(asked.keeping(free));
    }

    /// Places of the chosen layout whose cans are not in the holder yet, while it is being filled.
    Set<Spot> awaited() {
        Set<Spot> places = new LinkedHashSet<>();
        if (built.get().isEmpty() || !isTaken()) return places;
        PackToBuild now = built.get().get();
        if (now.inHolder() == 0) return places;
        Layout layout = shown.get().orElseThrow().layout();
        for (int group = 0; group < now.groups().size(); group++) {
            List<CellId> cans = now.cansOf(group);
            for (int can = 0; can < cans.size(); can++)
                if (!now.assembly().inHolder().contains(cans.get(can)))
                    places.add(layout.places().get(group).get(can));
        }
        return places;
    }

    /// Whether the layout that is looked at is the chosen one.
    boolean isTaken() {
        Optional<Layout> chosen = assembly().layout();
        return chosen.isPresent() && shown.get().map(JudgedLayout::layout).equals(chosen);
    }

    /// Logs a layout, unless it is the one that holds.
    void choose(Layout layout, String words) {
        lookedAt = Optional.empty();
        if (assembly().layout().equals(Optional.of(layout))) return;
        log(words, List.of(new AssemblyFact.LayoutChosen(pack.name(), layout)));
    }

    /// Logs something of the pack in hand.
    void log(String words, List<AssemblyFact> facts) {
        desk.ledger().log(words, facts, () -> {});
    }

    /// Logs something of the pack in hand, and says so.
    void log(String words, List<AssemblyFact> facts, String said) {
        desk.ledger().log(words, facts, () -> desk.notices().say(said));
    }
}
