package pentacell.core.measure;

/// What changes of a voltage have in common with the current: ΔV = R·ΔI + s·I·Δt, fitted by least
/// squares. R is what a step of the current does at once, s what its flow does over time.
public final class StepsAndFlow {
    /// Steps and flow are told apart when this part of both is not the same, squared.
    private static final double APART = 1e-6;

    private double steps;
    private double both;
    private double flows;
    private double atSteps;
    private double atFlows;

    /// Takes in what happened between two readings.
    ///
    /// @param volts by which the voltage changed
    /// @param step by which the current changed, in A
    /// @param flow the charge that flowed, in A·s
    public void add(double volts, double step, double flow) {
        steps += step * step;
        both += step * flow;
        flows += flow * flow;
        atSteps += step * volts;
        atFlows += flow * volts;
    }

    private double apart() {
        return steps * flows - both * both;
    }

    /// R, in Ω; NaN when steps and flow cannot be told apart, as under a steady current.
    public double ohms() {
        return apart() > APART * steps * flows
                ? (flows * atSteps - both * atFlows) / apart()
                : Double.NaN;
    }

    /// Whether the voltage rises with the current: by R or s, whichever is more of its own error;
    /// both errors hold the same noise, R's with the flows and s's with the steps.
    boolean risesWithCurrent() {
        double ohms = ohms();
        if (Double.isNaN(ohms)) return atSteps + atFlows >= 0;
        double slope = (steps * atFlows - both * atSteps) / apart();
        boolean isByStep = Math.abs(ohms) * Math.sqrt(steps) >= Math.abs(slope) * Math.sqrt(flows);
        return (isByStep ? ohms : slope) >= 0;
    }
}
