package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.CellId;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchOutlook;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;

/// Two matches side by side: the one in hand, those it had before, points of the trade-off, other
/// packs.
final class CompareModel {
    private final Desk desk;
    private final MatchModel match;
    private final ReadOnlyObjectWrapper<Optional<Compared>> compared =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private int asked;

    CompareModel(Desk desk, MatchModel match) {
        this.desk = desk;
        this.match = match;
    }

    /// A match that can be looked at.
    ///
    /// @param name in words, no two alike
    record Choice(String name, MatchRules rules, List<List<CellId>> groups) {
        @Override
        public String toString() {
            return name;
        }
    }

    /// A match and what it comes to.
    record Side(Choice choice, MatchFigures figures, Optional<MatchOutlook.InUse> inUse) {
        Set<CellId> cells() {
            return choice.groups().stream().flatMap(List::stream).collect(Collectors.toSet());
        }
    }

    /// Both, and how many cells they have in common.
    record Compared(Side left, Side right) {
        int common() {
            Set<CellId> both = new HashSet<>(left.cells());
            both.retainAll(right.cells());
            return both.size();
        }
    }

    ReadOnlyObjectProperty<Optional<Compared>> comparedProperty() {
        return compared.getReadOnlyProperty();
    }

    /// What there is to compare, the match in hand first.
    List<Choice> choices() {
        List<Choice> choices = new ArrayList<>();
        String inHand = match.packNameProperty().get();
        Packs packs = Packs.of(desk.ledger().state());
        packs.pack(inHand)
                .ifPresent(pack -> {
                    choices.add(new Choice(inHand + ", now", pack.rules(), pack.groups()));
                    int ago = 1;
                    for (Pack.Earlier each : pack.earlier())
                        choices.add(
                                new Choice(
                                        "%s, %s"
                                                .formatted(
                                                        inHand,
                                                        ago == 1
                                                                ? "the match before"
                                                                : ago + " matches before"),
                                        each.rules(),
                                        each.groups()));
                });
        for (TradeOffModel.Outlook each : match.tradeOff().curveProperty().get())
            choices.add(
                    new Choice(
                            "Trade-off at "
                                    + Quantity.RESISTANCE.text(each.point().limitMilliohms(), 2),
                            each.point().result().rules(),
                            each.point().result().groups()));
        for (Pack pack : packs.all().values())
            if (!pack.name().equals(inHand))
                choices.add(new Choice(pack.name(), pack.rules(), pack.groups()));
        return distinct(choices);
    }

    private static List<Choice> distinct(List<Choice> choices) {
        Set<String> names = new HashSet<>();
        return choices.stream().filter(each -> names.add(each.name())).toList();
    }

    /// Compares two of them; what they mean in use takes a moment.
    void compare(Choice left, Choice right) {
        int number = ++asked;
        List<List<Candidate>> first = match.cells(left.groups());
        List<List<Candidate>> second = match.cells(right.groups());
        if (first.isEmpty() || second.isEmpty()) {
            compared.set(Optional.empty());
            return;
        }
        desk.work()
                .lane("compare")
                .run(
                        () -> new Compared(side(left, first), side(right, second)),
                        both -> {
                            if (number == asked) compared.set(Optional.of(both));
                        });
    }

    private static Side side(Choice choice, List<List<Candidate>> groups) {
        List<Candidate> cells = groups.stream().flatMap(List::stream).toList();
        return new Side(
                choice, MatchFigures.of(groups), MatchOutlook.inUse(choice.groups(), cells));
    }

    void clear() {
        asked++;
        compared.set(Optional.empty());
    }

    /// Whether the groups can be taken for the pack in hand: all their cells must be free for it.
    Optional<CellId> notFree(Choice choice) {
        Set<CellId> free =
                match.stock().candidates().stream().map(Candidate::id).collect(Collectors.toSet());
        return choice.groups().stream()
                .flatMap(List::stream)
                .filter(cell -> !free.contains(cell))
                .findFirst();
    }

    /// Takes the groups of a choice for the pack in hand.
    void take(Choice choice) {
        Optional<CellId> missing = notFree(choice);
        if (missing.isPresent()) {
            desk.notices()
                    .say(
                            "Not taken: %s is out or in another pack by now."
                                    .formatted(missing.get()));
            return;
        }
        match.take(
                choice.rules(),
                choice.groups(),
                "Took the groups of “%s”.".formatted(choice.name()));
    }
}
