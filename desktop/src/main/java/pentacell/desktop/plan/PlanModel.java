package pentacell.desktop.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.donor.Price;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.plan.NeedLine;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Part;
import pentacell.core.plan.facts.PartPrice;
import pentacell.core.plan.facts.PlanFact;
import pentacell.core.plan.facts.Planned;
import pentacell.core.plan.facts.Plans;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.frame.Desk;

/// What Plan knows: the pack in hand with its need, the packs that could meet it, and the one that
/// is looked at.
final class PlanModel {
    /// What a pack is called before anyone named it.
    static final String NEW_PACK = "New pack";

    private final Desk desk;
    private final ReadOnlyObjectWrapper<String> pack = new ReadOnlyObjectWrapper<>("");
    private final ReadOnlyObjectWrapper<Optional<Need>> need =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Proposal>> proposal =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<JudgedPlan>> judged =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<String> said = new ReadOnlyObjectWrapper<>("");
    private Optional<Need> logged = Optional.empty();
    private Optional<Chosen> lookedAt = Optional.empty();
    private int asked;
    private boolean isShown;
    private boolean isStale = true;

    PlanModel(Desk desk) {
        this.desk = desk;
        desk.ledger().stateProperty().subscribe(this::follow);
    }

    ReadOnlyObjectProperty<String> packProperty() {
        return pack.getReadOnlyProperty();
    }

    /// The need as it is shown: as it is typed, else as it was logged.
    ReadOnlyObjectProperty<Optional<Need>> needProperty() {
        return need.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Optional<JudgedPlan>> judgedProperty() {
        return judged.getReadOnlyProperty();
    }

    /// Why there is no proposal; empty when there is.
    ReadOnlyObjectProperty<String> saidProperty() {
        return said.getReadOnlyProperty();
    }

    /// The pack in hand as it was logged.
    Optional<Planned> planned() {
        return Plans.of(desk.ledger().state()).plan(pack.get());
    }

    /// Says whether somebody looks: nothing is worked out while nobody does.
    void watched(boolean isWatched) {
        boolean isBack = isWatched && !isShown;
        isShown = isWatched;
        if (isBack && isStale) propose();
    }

    private void follow(WorkshopState state) {
        Plans plans = Plans.of(state);
        boolean isGone =
                !plans.all().isEmpty()
                        && plans.plan(pack.get()).isEmpty()
                        && (pack.get().isEmpty() || pack.get().equals(NEW_PACK));
        if (isGone) {
            pack.set(plans.all().keySet().iterator().next());
            show();
        }
        if (pack.get().isEmpty()) pack.set(NEW_PACK);
        // a need that is being typed stays when something else was logged meanwhile
        if (!planned().map(Planned::need).equals(logged)) show();
        else workOut();
    }

    private void show() {
        logged = planned().map(Planned::need);
        need.set(logged);
        workOut();
    }

    private void workOut() {
        if (isShown) propose();
        else isStale = true;
    }

    /// Takes another pack in hand; one of this name need not be planned yet.
    void takeInHand(String name) {
        String plain = name.strip();
        if (plain.isEmpty() || plain.equals(pack.get())) return;
        pack.set(plain);
        lookedAt = Optional.empty();
        show();
    }

    /// Shows what a need that is being typed would come to.
    void tryOut(Need typed) {
        if (need.get().equals(Optional.of(typed))) return;
        need.set(Optional.of(typed));
        propose();
    }

    /// Logs the need of the pack in hand, unless it is what was logged already.
    void state(Need stated) {
        state(pack.get(), stated, () -> {}, why -> {});
    }

    /// Logs the need of a pack, unless it is what was logged already.
    void state(String name, Need stated, Runnable onLogged, Consumer<String> onFailed) {
        desk.ledger()
                .log(
                        "State need of " + name,
                        before -> NeedLine.stated(before, name, stated),
                        onLogged,
                        onFailed);
    }

    private void log(String words, List<PlanFact> facts, String after) {
        desk.ledger()
                .log(
                        words,
                        facts,
                        () -> {
                            if (!after.isEmpty()) desk.notices().say(after);
                        });
    }

    /// Plans a pack of another name for the same need.
    void copyAs(String name) {
        Optional<Need> copied = need.get();
        if (copied.isEmpty()) return;
        pack.set(name);
        lookedAt = Optional.empty();
        log(
                "Copy plan as " + name,
                List.of(new PlanFact.NeedStated(name, copied.get())),
                "Planned as “%s” too.".formatted(name));
    }

    /// A name that no pack has yet.
    String freeName(String like) {
        WorkshopState state = desk.ledger().state();
        for (int number = 2; ; number++) {
            String name = like + " " + number;
            if (Plans.of(state).plan(name).isEmpty() && Packs.of(state).pack(name).isEmpty())
                return name;
        }
    }

    /// Gives up the plan of the pack in hand.
    void drop() {
        String dropped = pack.get();
        if (planned().isEmpty()) return;
        log(
                "Drop plan of " + dropped,
                List.of(new PlanFact.PlanDropped(dropped)),
                "Dropped the plan of “%s”; Ctrl+Z brings it back.".formatted(dropped));
    }

    /// Takes the pack that is looked at for the need.
    void choose() {
        judged.get()
                .ifPresent(now -> {
                    Chosen chosen = now.option().asChosen();
                    if (planned().flatMap(Planned::chosen).equals(Optional.of(chosen))) return;
                    List<PlanFact> facts = new ArrayList<>();
                    if (!planned().map(Planned::need).equals(need.get()))
                        need.get()
                                .ifPresent(typed ->
                                        facts.add(new PlanFact.NeedStated(pack.get(), typed)));
                    facts.add(new PlanFact.PackChosen(pack.get(), chosen));
                    log(
                            "Choose %s for %s".formatted(chosen.arrangement(), pack.get()),
                            facts,
                            invalidates(chosen)
                                    .orElse(
                                            "%s is planned as %s."
                                                    .formatted(pack.get(), chosen.arrangement())));
                });
    }

    /// What a choice makes of a match that was made for another.
    Optional<String> invalidates(Chosen chosen) {
        return matched()
                .filter(match -> !match.rules().arrangement().equals(chosen.arrangement()))
                .map(match ->
                        "%s is matched as %s%s: match it again for %s."
                                .formatted(
                                        pack.get(),
                                        match.rules().arrangement(),
                                        match.picked().isEmpty()
                                                ? ""
                                                : " and %d of its cells are picked"
                                                        .formatted(match.picked().size()),
                                        chosen.arrangement()));
    }

    /// The match of the pack in hand, when it has one.
    Optional<Pack> matched() {
        return Packs.of(desk.ledger().state()).pack(pack.get());
    }

    /// Looks at a pack of the ladder.
    void lookAt(Chosen chosen) {
        lookedAt = Optional.of(chosen);
        proposal.get()
                .ifPresent(now -> {
                    if (now.option(chosen).isPresent()) judge(now);
                    else propose();
                });
    }

    /// Prices as they stand.
    Map<Part, Price> prices() {
        return Plans.of(desk.ledger().state()).prices();
    }

    /// Logs what parts cost.
    void price(List<PartPrice> prices) {
        log("Price parts", List.of(new PlanFact.PartsPriced(prices)), "");
    }

    /// The pack that was asked for: looked at, else chosen.
    private Optional<Chosen> inHand() {
        return lookedAt.or(() -> planned().flatMap(Planned::chosen));
    }

    private PlanWorking working(Need wanted) {
        return new PlanWorking(
                wanted, desk.ledger().state(), desk.ledger().judged(), pack.get(), inHand());
    }

    private void propose() {
        int number = ++asked;
        isStale = false;
        if (need.get().isEmpty()) {
            proposal.set(Optional.empty());
            judged.set(Optional.empty());
            said.set("");
            return;
        }
        PlanWorking working = working(need.get().get());
        desk.work()
                .lane("plan")
                .run(
                        working::proposal,
                        found -> {
                            if (number != asked) return;
                            said.set(
                                    found.isPresent()
                                            ? ""
                                            : "There is no measured cell of this chemistry in stock: say under Need what a cell is like.");
                            proposal.set(found);
                            if (found.isPresent()) judge(found.get());
                            else judged.set(Optional.empty());
                        });
    }

    private void judge(Proposal now) {
        int number = ++asked;
        PlanWorking working = working(now.need());
        desk.work()
                .lane("plan")
                .run(
                        () -> working.judged(now),
                        done -> {
                            if (number == asked) judged.set(Optional.of(done));
                        });
    }
}
