package pentacell.core.plan.facts;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import pentacell.core.cell.Chemistry;

/// What a pack must power, what it is made of, and where it must fit.
///
/// @param chemistry of its cells
/// @param said the voltages the device is said to run at
/// @param measured those it was found to run at, when it was tried; they count
/// @param loads what is drawn, at least one
/// @param losses what stands between pack and loads
/// @param surgeWatts what starting draws for an instant, at the load, in W
/// @param hours wanted, in h
/// @param wattHoursPerKilometre what driving takes, at the load, in Wh
/// @param kilometres wanted
/// @param replaces the block it stands in for
/// @param box inside of the box
/// @param packing room beside the cans
/// @param charger at hand
/// @param board at hand
/// @param coldestCelsius the coldest it is used at, in °C
/// @param cell what it is made of, when that is assumed and not taken from the stock
/// @param wiring what it is wired with
/// @param spares cells kept for repairs
public record Need(
        Chemistry chemistry,
        Window said,
        Optional<Window> measured,
        List<LoadItem> loads,
        Losses losses,
        OptionalDouble surgeWatts,
        OptionalDouble hours,
        OptionalDouble wattHoursPerKilometre,
        OptionalDouble kilometres,
        Optional<LeadAcid> replaces,
        Optional<Box> box,
        Packing packing,
        Optional<Charger> charger,
        Optional<Board> board,
        OptionalDouble coldestCelsius,
        Optional<MeanCell> cell,
        Wiring wiring,
        int spares) {
    public Need {
        loads = List.copyOf(loads);
        if (loads.isEmpty()) throw new IllegalArgumentException("something must be drawn");
        surgeWatts.ifPresent(watts -> requireAmount("surge watts", watts));
        hours.ifPresent(wanted -> requireAmount("hours wanted", wanted));
        kilometres.ifPresent(wanted -> requireAmount("kilometres wanted", wanted));
        wattHoursPerKilometre.ifPresent(each -> requireAmount("Wh per kilometre", each));
        if (kilometres.isPresent() && wattHoursPerKilometre.isEmpty())
            throw new IllegalArgumentException(
                    "kilometres are wanted, but not said what one takes: wattHoursPerKilometre");
        if (coldestCelsius.isPresent()
                && !(coldestCelsius.getAsDouble() >= -60 && coldestCelsius.getAsDouble() <= 60))
            throw new IllegalArgumentException(
                    "the coldest day is −60 to 60 °C, was " + coldestCelsius.getAsDouble());
        if (spares < 0 || spares > 1000)
            throw new IllegalArgumentException("spares are 0 to 1000, were " + spares);
    }

    static void requireAmount(String what, double amount) {
        if (!(amount > 0 && amount <= 1e6))
            throw new IllegalArgumentException(
                    "%s: above 0 and at most 1000000, was %s".formatted(what, amount));
    }

    /// A plain need: what it runs at and what it draws.
    public static Need of(Chemistry chemistry, Window window, List<LoadItem> loads) {
        return new Need(
                chemistry,
                window,
                Optional.empty(),
                loads,
                Losses.NONE,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty(),
                Packing.USUAL,
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                Wiring.USUAL,
                0);
    }

    /// The voltages that count: as measured, else as said.
    public Window window() {
        return measured.orElse(said);
    }

    /// What the pack gives on the mean, in W.
    public double steadyFromPack() {
        return losses.fromPack(loads.stream().mapToDouble(LoadItem::meanWatts).sum());
    }

    /// What the pack gives while everything is on, in W: for minutes, so cells and conductors must
    /// bear it for long.
    public double allOnFromPack() {
        return losses.fromPack(loads.stream().mapToDouble(LoadItem::watts).sum());
    }

    /// What the pack gives when all peaks fall together, in W.
    public double peakFromPack() {
        return losses.fromPack(loads.stream().mapToDouble(LoadItem::peakWatts).sum());
    }

    /// What of the energy from the pack moves the load, as a share: what is drawn only to be on
    /// covers no distance.
    public double movingShare() {
        double steady = steadyFromPack();
        return steady > losses.idleWatts() ? 1 - losses.idleWatts() / steady : 1;
    }

    /// The same need with some of it changed, such as `need.with(n -> n.hours(...))`.
    public Need with(UnaryOperator<NeedChange> change) {
        return change.apply(new NeedChange(this)).need();
    }
}
