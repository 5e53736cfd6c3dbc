package pentacell.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.circuit.VoltageCurve;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;

/// What a number of groups spans from empty to full, and how its energy lies along it.
///
/// @param emptyVolts where it is emptied to, in V
/// @param nominalVolts its mean, in V
/// @param fullVolts at the end of a charge, in V
/// @param ink share of the energy in each of equal pieces from empty to full; rested
/// @param belowShare share of the energy that lies under the device's low trip, at the steady load
///   where the cells are known
/// @param steadySag what the steady load pulls it down by, in V, where the cells are known
/// @param peakSag the same at the peak
/// @param isOver whether it is full above the high trip
public record VoltageBar(
        Chemistry chemistry,
        int series,
        double emptyVolts,
        double nominalVolts,
        double fullVolts,
        List<Double> ink,
        double belowShare,
        OptionalDouble steadySag,
        OptionalDouble peakSag,
        boolean isOver) {
    private static final int PIECES = 48;
    private static final int STEPS = 2000;
    private static final int MOST_SERIES = 24;

    /// How far outside of the window bars are still drawn, as a share of its ends.
    private static final double BESIDE = 0.3;

    public VoltageBar {
        ink = List.copyOf(ink);
    }

    /// Whether the device runs on any of it.
    public boolean isUsable() {
        return !isOver && belowShare < 1;
    }

    /// The bars about a device's window, 1S to 24S, of both chemistries.
    ///
    /// @param cells how many the pack has about, for the sag; of the need's chemistry
    public static List<VoltageBar> of(Need need, CellSupply supply, int cells) {
        List<VoltageBar> bars = new ArrayList<>();
        double low = need.window().lowTripVolts();
        double high = need.window().highTripVolts();
        for (Chemistry chemistry : Chemistry.values())
            for (int series = 1; series <= MOST_SERIES; series++) {
                double full = series * chemistry.chargeLimitVolts();
                double empty = series * PackPlanner.emptyVolts(chemistry);
                boolean isNear = full > low && empty < high && full < (1 + BESIDE) * high;
                if (isNear) bars.add(bar(need, supply, cells, chemistry, series));
            }
        return List.copyOf(bars);
    }

    private static VoltageBar bar(
            Need need, CellSupply supply, int cells, Chemistry chemistry, int series) {
        boolean isKnown = chemistry == need.chemistry();
        double empty = PackPlanner.emptyVolts(chemistry);
        double full = chemistry.chargeLimitVolts();
        VoltageCurve curve = RestCurve.of(chemistry).curve();
        int parallel = Math.max(1, Math.round((float) cells / series));
        MeanCell cell = supply.mean(series * parallel);
        double ohms = series * cell.ohms() / parallel;
        double nominal = series * chemistry.nominalVolts();
        double steady = isKnown ? need.steadyFromPack() / nominal * ohms : 0;
        double peak = isKnown ? need.peakFromPack() / nominal * ohms : 0;
        double[] ink = new double[PIECES];
        double all = 0;
        double below = 0;
        double from = curve.share(empty);
        for (int i = 0; i < STEPS; i++) {
            double share = from + (1 - from) * (i + 0.5) / STEPS;
            double volts = curve.volts(share);
            int piece = (int) Math.clamp((volts - empty) / (full - empty) * PIECES, 0, PIECES - 1);
            ink[piece] += volts;
            all += volts;
            if (series * volts - steady < need.window().lowTripVolts()) below += volts;
        }
        List<Double> shares = new ArrayList<>();
        for (double each : ink) shares.add(each / all);
        return new VoltageBar(
                chemistry,
                series,
                series * empty,
                nominal,
                series * full,
                shares,
                below / all,
                isKnown ? OptionalDouble.of(steady) : OptionalDouble.empty(),
                isKnown ? OptionalDouble.of(peak) : OptionalDouble.empty(),
                series * full > need.window().highTripVolts() + 1e-9);
    }
}
