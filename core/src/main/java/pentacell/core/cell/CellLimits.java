package pentacell.core.cell;

import pentacell.core.unit.Limit;

/// What a model of cell may be charged and discharged with.
///
/// @param chargeVolts highest charging voltage in V
/// @param endVolts lowest discharge voltage in V
/// @param chargeAmps highest charging current in A
/// @param dischargeAmps highest continuous discharge current in A
public record CellLimits(
        double chargeVolts, double endVolts, double chargeAmps, double dischargeAmps) {
    private static final double MOST_AMPS = 999;

    public CellLimits {
        if (!(endVolts > 0 && chargeVolts > endVolts && chargeVolts < 5))
            throw new IllegalArgumentException(
                    "voltage limits must be 0 < end < charge < 5 V, were end %s, charge %s"
                            .formatted(endVolts, chargeVolts));
        if (!(Limit.CURRENT.holds(chargeAmps) && Limit.CURRENT.holds(dischargeAmps)))
            throw new IllegalArgumentException(
                    "current limits must be above 0 and under 1000 A, were charge %s, discharge %s"
                            .formatted(chargeAmps, dischargeAmps));
    }

    /// Those of so many cans in parallel; currents no higher than anything here can measure.
    CellLimits ofCans(int count) {
        return new CellLimits(
                chargeVolts, endVolts, amps(count * chargeAmps), amps(count * dischargeAmps));
    }

    private static double amps(double wanted) {
        return Limit.CURRENT.holds(wanted) ? wanted : MOST_AMPS;
    }

    /// Careful limits for a salvaged cell: its chemistry's voltages, charge at 0.5 C and discharge
    /// at 1 C (common practice).
    public static CellLimits careful(Chemistry chemistry, double ratedMilliampHours) {
        return new CellLimits(
                chemistry.chargeLimitVolts(),
                chemistry.endVolts(),
                ratedMilliampHours / 2000,
                ratedMilliampHours / 1000);
    }
}
