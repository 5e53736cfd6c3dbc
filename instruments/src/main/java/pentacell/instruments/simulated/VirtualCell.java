package pentacell.instruments.simulated;

import pentacell.core.circuit.RestCurve;

/// A cell as an equivalent circuit: an open circuit voltage that follows its charge, a resistance,
/// and one resistor and capacitor in parallel behind it (the published form of Chen & Rincón-Mora,
/// 2006, from memory; the curves and figures are our own).
///
/// U = OCV(s) + I·R0 + Uc, with ds/dt = (I − I_leak)/Q and dUc/dt = (I·R1 − Uc)/τ; I over 0
/// charges. Heat: C·dT/dt = f·I²·(R0 + R1) + P − k·(T − ambient), for a can of the usual 18 mm
/// size.
public final class VirtualCell {
    private static final double JOULES_A_KELVIN = 40;
    private static final double WATTS_A_KELVIN = 0.06;
    static final double AMBIENT_CELSIUS = 22;

    /// Beyond full and empty the voltage runs away, in V per whole charge.
    private static final double OVER_FULL_VOLTS = 60;

    private static final double UNDER_EMPTY_VOLTS = 200;

    private final CellTruth truth;
    private final RestCurve curve;
    private double share;
    private double slowVolts;
    private double celsius = AMBIENT_CELSIUS;

    public VirtualCell(CellTruth truth) {
        this.truth = truth;
        curve = RestCurve.of(truth.chemistry());
        share = truth.share();
    }

    /// What it is in truth.
    public CellTruth truth() {
        return truth;
    }

    /// Its open circuit voltage, in V.
    double openVolts() {
        double beyond =
                share > 1
                        ? OVER_FULL_VOLTS * (share - 1)
                        : share < 0 ? UNDER_EMPTY_VOLTS * share : 0;
        return curve.volts(Math.clamp(share, 0, 1)) + beyond;
    }

    /// Voltage across it at a current, in V.
    public double volts(double amps) {
        return openVolts() + slowVolts + amps * truth.ohms();
    }

    /// Current at which it is at a voltage, in A.
    double ampsAt(double volts) {
        return (volts - openVolts() - slowVolts) / truth.ohms();
    }

    /// Temperature of the can, in °C.
    public double celsius() {
        return celsius;
    }

    /// Lets time pass at a current.
    void pass(double amps, double seconds) {
        share += (amps - truth.leakAmps()) * seconds / (3.6 * truth.milliampHours());
        double settled = amps * truth.slowOhms();
        slowVolts = settled + (slowVolts - settled) * Math.exp(-seconds / truth.slowSeconds());
        double watts =
                truth.heatFactor() * amps * amps * (truth.ohms() + truth.slowOhms())
                        + truth.heaterWatts();
        double warmest = AMBIENT_CELSIUS + watts / WATTS_A_KELVIN;
        celsius =
                warmest
                        + (celsius - warmest)
                                * Math.exp(-seconds * WATTS_A_KELVIN / JOULES_A_KELVIN);
    }
}
