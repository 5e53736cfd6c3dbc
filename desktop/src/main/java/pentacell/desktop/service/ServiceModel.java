package pentacell.desktop.service;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Fact;
import pentacell.core.pack.PackFact;
import pentacell.core.service.CanFault;
import pentacell.core.service.CanRepair;
import pentacell.core.service.CanSearch;
import pentacell.core.service.EndOfLife;
import pentacell.core.service.ServicedPack;
import pentacell.core.service.facts.PackInUse;
import pentacell.core.service.facts.PacksInUse;
import pentacell.core.service.facts.UseFact;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.JudgedPack;
import pentacell.desktop.frame.PackInHand;

/// What Service knows: the pack in hand with all that was logged of it in use, judged away from the
/// window's thread, and which can is searched.
final class ServiceModel {
    private final Desk desk;
    private final PackInHand inHand;
    private final JudgedPack<Judged> judged;
    private final ReadOnlyObjectWrapper<Optional<Searched>> searched =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private CanFault sought = CanFault.BROKEN_JOINT;
    private Optional<Integer> chosenGroup = Optional.empty();
    private Optional<CellId> chosenCan = Optional.empty();

    /// A pack, judged.
    ///
    /// @param repairs of the cans that were found
    /// @param end what becomes of its cells when it is taken apart
    record Judged(ServicedPack pack, List<CanRepair> repairs, EndOfLife end) {
        Judged {
            repairs = List.copyOf(repairs);
        }
    }

    /// A search that goes on.
    ///
    /// @param next the can to be read next: the one pointed at, else the first in the order
    record Searched(CanFault sought, CanSearch search, Optional<CanSearch.Can> next) {}

    ServiceModel(Desk desk) {
        this.desk = desk;
        inHand = new PackInHand(desk, standing -> standing == PackStanding.FINAL);
        inHand.nameProperty()
                .subscribe(name -> {
                    chosenGroup = Optional.empty();
                    chosenCan = Optional.empty();
                });
        judged = new JudgedPack<>(desk, inHand, "service", () -> ServiceModel::judge);
        judged.property().subscribe(now -> look());
        desk.ledger().expectedProperty().subscribe(state -> look());
    }

    Desk desk() {
        return desk;
    }

    PackInHand inHand() {
        return inHand;
    }

    /// The pack in hand; empty while none is matched.
    ReadOnlyObjectProperty<Optional<Judged>> judgedProperty() {
        return judged.property();
    }

    /// The search that goes on; empty while no pack is matched.
    ReadOnlyObjectProperty<Optional<Searched>> searchedProperty() {
        return searched.getReadOnlyProperty();
    }

    /// Searches something else.
    void search(CanFault other) {
        if (sought == other) return;
        sought = other;
        chosenCan = Optional.empty();
        look();
    }

    /// Searches another group.
    ///
    /// @param group from 0
    void searchGroup(int group) {
        chosenGroup = Optional.of(group);
        chosenCan = Optional.empty();
        look();
    }

    /// Reads this can next, whatever the order says.
    void readNext(CellId cell) {
        chosenCan = Optional.of(cell);
        look();
    }

    private void look() {
        searched.set(
                judged.property()
                        .get()
                        .filter(now -> now.pack().built().pack().name().equals(inHand.name()))
                        .map(now -> searched(now.pack())));
    }

    private Searched searched(ServicedPack pack) {
        int group =
                chosenGroup
                        .filter(each -> each < pack.built().groups().size())
                        .orElseGet(pack::doubted);
        CanSearch search = search(pack, group);
        // the next can follows from what was typed, whether it is on the disk or not
        PackInUse latest = PacksInUse.of(desk.ledger().expected()).pack(inHand.name());
        CanSearch coming =
                latest.equals(pack.use()) ? search : search(pack.searchedWith(latest), group);
        return new Searched(
                sought,
                search,
                coming.cans().stream()
                        .filter(each -> chosenCan.equals(Optional.of(each.cell())))
                        .findFirst()
                        .or(coming::next));
    }

    private CanSearch search(ServicedPack pack, int group) {
        return switch (sought) {
            case BROKEN_JOINT -> pack.brokenJoints(group);
            case HEATER -> pack.heaters(group);
        };
    }

    /// Says whether somebody looks: nothing is worked out while nobody does.
    void watched(boolean isWatched) {
        judged.watched(isWatched);
    }

    private static Optional<Judged> judge(WorkshopState state, JudgedStock stock, String name) {
        return ServicedPack.of(state, stock, name)
                .map(pack -> new Judged(pack, pack.repairs(state, stock), pack.endOfLife(state)));
    }

    /// Logs something of the pack in hand.
    void log(String words, Fact... facts) {
        desk.ledger().log(words, List.of(facts), () -> {});
    }

    /// A reading of the can that is next, or of another; the search goes on to the one after.
    Entered enter(CellId cell, double figure, String text) {
        UseFact read = read(inHand.name(), cell, figure);
        return new Entered.Line(
                text,
                (onLogged, onFailed) -> {
                    chosenCan = Optional.empty();
                    desk.ledger().log("Read " + cell, List.of(read), onLogged, onFailed);
                });
    }

    /// A reading of a can, as the search takes it.
    UseFact read(String pack, CellId cell, double figure) {
        return switch (sought) {
            case BROKEN_JOINT -> new UseFact.CanProbed(pack, cell, figure);
            case HEATER -> new UseFact.CanWarm(pack, cell, figure);
        };
    }

    CanFault sought() {
        return sought;
    }

    /// A can was joined again.
    void reconnected(CanRepair repair) {
        CellId cell = repair.can().cell();
        log("Join " + cell + " again", new UseFact.CellReconnected(inHand.name(), cell));
    }

    /// The cell that was found leaves, the one proposed takes its place.
    void replaced(CanRepair repair, String reason) {
        repair.replacement()
                .ifPresent(each -> {
                    CellId out = repair.can().cell();
                    CellId in = each.swap().coming().id();
                    List<Fact> facts = new ArrayList<>();
                    facts.add(
                            new UseFact.CellReplaced(
                                    inHand.name(), repair.group(), out, in, reason));
                    facts.add(new PackFact.CellsSwapped(inHand.name(), out, in));
                    log("Replace " + out + " by " + in, facts.toArray(Fact[]::new));
                });
    }
}
