package pentacell.core.plan.facts;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;

/// A need while it is changed; what is not named stays.
public final class NeedChange {
    private Chemistry chemistry;
    private Window said;
    private Optional<Window> measured;
    private List<LoadItem> loads;
    private Losses losses;
    private OptionalDouble surgeWatts;
    private OptionalDouble hours;
    private OptionalDouble wattHoursPerKilometre;
    private OptionalDouble kilometres;
    private Optional<LeadAcid> replaces;
    private Optional<Box> box;
    private Packing packing;
    private Optional<Charger> charger;
    private Optional<Board> board;
    private OptionalDouble coldestCelsius;
    private Optional<MeanCell> cell;
    private Wiring wiring;
    private int spares;

    NeedChange(Need need) {
        chemistry = need.chemistry();
        said = need.said();
        measured = need.measured();
        loads = need.loads();
        losses = need.losses();
        surgeWatts = need.surgeWatts();
        hours = need.hours();
        wattHoursPerKilometre = need.wattHoursPerKilometre();
        kilometres = need.kilometres();
        replaces = need.replaces();
        box = need.box();
        packing = need.packing();
        charger = need.charger();
        board = need.board();
        coldestCelsius = need.coldestCelsius();
        cell = need.cell();
        wiring = need.wiring();
        spares = need.spares();
    }

    /// Of its cells.
    public NeedChange chemistry(Chemistry value) {
        chemistry = value;
        return this;
    }

    /// The voltages the device is said to run at.
    public NeedChange said(Window value) {
        said = value;
        return this;
    }

    /// Those it was found to run at.
    public NeedChange measured(Optional<Window> value) {
        measured = value;
        return this;
    }

    /// What is drawn.
    public NeedChange loads(List<LoadItem> value) {
        loads = value;
        return this;
    }

    /// What stands between pack and loads.
    public NeedChange losses(Losses value) {
        losses = value;
        return this;
    }

    /// What starting draws, in W.
    public NeedChange surgeWatts(OptionalDouble value) {
        surgeWatts = value;
        return this;
    }

    /// Wanted, in h.
    public NeedChange hours(OptionalDouble value) {
        hours = value;
        return this;
    }

    /// What driving takes, in Wh.
    public NeedChange wattHoursPerKilometre(OptionalDouble value) {
        wattHoursPerKilometre = value;
        return this;
    }

    /// Wanted.
    public NeedChange kilometres(OptionalDouble value) {
        kilometres = value;
        return this;
    }

    /// The block it stands in for.
    public NeedChange replaces(Optional<LeadAcid> value) {
        replaces = value;
        return this;
    }

    /// Inside of the box.
    public NeedChange box(Optional<Box> value) {
        box = value;
        return this;
    }

    /// Room beside the cans.
    public NeedChange packing(Packing value) {
        packing = value;
        return this;
    }

    /// At hand.
    public NeedChange charger(Optional<Charger> value) {
        charger = value;
        return this;
    }

    /// At hand.
    public NeedChange board(Optional<Board> value) {
        board = value;
        return this;
    }

    /// The coldest it is used at, in °C.
    public NeedChange coldestCelsius(OptionalDouble value) {
        coldestCelsius = value;
        return this;
    }

    /// What it is made of, when that is assumed.
    public NeedChange cell(Optional<MeanCell> value) {
        cell = value;
        return this;
    }

    /// What it is wired with.
    public NeedChange wiring(Wiring value) {
        wiring = value;
        return this;
    }

    /// Cells kept for repairs.
    public NeedChange spares(int value) {
        spares = value;
        return this;
    }

    /// The need as it is now.
    ///
    /// @throws IllegalArgumentException when a figure cannot be
    public Need need() {
        return new Need(
                chemistry,
                said,
                measured,
                loads,
                losses,
                surgeWatts,
                hours,
                wattHoursPerKilometre,
                kilometres,
                replaces,
                box,
                packing,
                charger,
                board,
                coldestCelsius,
                cell,
                wiring,
                spares);
    }
}
