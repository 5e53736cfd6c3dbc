package pentacell.core.circuit;

/// What flows on the mean during a step of a discharge.
///
/// It is taken from the middle of the step (midpoint rule), or goes on as it changed since the step
/// before: f + h ÷ 2h' · (f − f'), the rule of Adams and Bashforth (both of the second order; from
/// memory, as in any textbook on differential equations). The latter asks for the state once a step
/// instead of twice, but needs a step before it under the same load, and steps that are short
/// beside the time in which parallel cells even out. Currents of cells add up to that of the pack
/// either way, as they do at each moment.
final class StepFlows {
    /// Of the time in which cells even out; the rule is stable up to the whole of it.
    private static final double SHORT_STEP = 0.2;

    private final GroupedCells cells;
    private final boolean isShort;

    /// Of each cell, in A.
    final double[] cellAmps;

    private final double[] cellAmpsBefore;
    private double amps;
    private double watts;

    /// At the begin of the step before, and its width in s: 0 when there was none.
    private double ampsBefore;

    private double wattsBefore;
    private double stepBefore;

    /// @param widestSeconds no step is wider
    StepFlows(GroupedCells cells, double widestSeconds) {
        this.cells = cells;
        isShort = widestSeconds <= SHORT_STEP * cells.evenOutSeconds();
        cellAmps = new double[cells.cells()];
        cellAmpsBefore = new double[cells.cells()];
    }

    double amps() {
        return amps;
    }

    double watts() {
        return watts;
    }

    /// Another load begins.
    void beginAnew() {
        stepBefore = 0;
    }

    /// A step begins in the present state.
    ///
    /// @return whether what flows in it follows from the step before; its middle is asked otherwise
    boolean goOn(double step, double packAmps, double packVolts) {
        double weight = isShort && stepBefore > 0 ? step / (2 * stepBefore) : 0;
        for (int i = 0; i < cellAmps.length; i++) {
            double now = cells.amps[i];
            cellAmps[i] = now + weight * (now - cellAmpsBefore[i]);
            cellAmpsBefore[i] = now;
        }
        double packWatts = packAmps * packVolts;
        amps = packAmps + weight * (packAmps - ampsBefore);
        watts = packWatts + weight * (packWatts - wattsBefore);
        ampsBefore = packAmps;
        wattsBefore = packWatts;
        stepBefore = step;
        return weight > 0;
    }

    /// The present state is the middle of the step.
    void takeFromMiddle(double packAmps, double packVolts) {
        System.arraycopy(cells.amps, 0, cellAmps, 0, cellAmps.length);
        amps = packAmps;
        watts = packAmps * packVolts;
    }
}
