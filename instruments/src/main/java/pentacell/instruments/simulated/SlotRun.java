package pentacell.instruments.simulated;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.random.RandomGenerator;
import pentacell.core.test.facts.Programme;
import pentacell.core.test.facts.Programme.Charge;
import pentacell.core.test.facts.Programme.Discharge;
import pentacell.core.test.facts.Programme.Level;
import pentacell.core.test.facts.Programme.Pulse;
import pentacell.core.test.facts.Programme.Rest;
import pentacell.core.unit.Quantity;

/// A programme running in a slot of a stand-in, second by second.
public final class SlotRun {
    private static final double STEP_SECONDS = 1;
    private static final double BLIP_SECONDS = 6;

    private final String run;
    private final Programme programme;
    private final SlotTruth slot;
    private final RandomGenerator random;
    private final List<double[]> rows = new ArrayList<>();
    private VirtualCell cell;
    private double now;
    private int stage;
    private double stageBegan;
    private double nextSample;
    private double blipFrom = Double.NaN;
    private double swapAt = Double.NaN;
    private VirtualCell swapFor;
    private String how = "";
    private String words = "";
    private double delivered;
    private OptionalDouble deliveredAtEnd = OptionalDouble.empty();

    public SlotRun(
            String run,
            Programme programme,
            SlotTruth slot,
            VirtualCell cell,
            RandomGenerator random) {
        this.run = run;
        this.programme = programme;
        this.slot = slot;
        this.cell = cell;
        this.swapFor = cell;
        this.random = random;
    }

    String run() {
        return run;
    }

    /// Index of the stage that runs.
    int stage() {
        return stage;
    }

    /// Seconds since the run began.
    double seconds() {
        return now;
    }

    /// All its samples so far: seconds, V, A, °C.
    public List<double[]> rows() {
        return rows;
    }

    /// How it ended; empty while it runs.
    public String how() {
        return how;
    }

    String words() {
        return words;
    }

    public boolean isRunning() {
        return how.isEmpty();
    }

    VirtualCell cell() {
        return cell;
    }

    /// What was taken out of the cell in truth from its last charge to the end of its last
    /// discharge, in mAh.
    public OptionalDouble deliveredMilliampHours() {
        return deliveredAtEnd;
    }

    /// Loses the contact for some seconds, from a time of the run on.
    public void loseContactAt(double seconds) {
        blipFrom = Math.max(seconds, now);
    }

    void swapAt(double seconds, VirtualCell other) {
        swapAt = Math.max(seconds, now);
        swapFor = other;
    }

    void stop(String how, String words) {
        if (!isRunning()) return;
        sample(0);
        this.how = how;
        this.words = words;
    }

    /// Lets time pass.
    public void pass(double seconds) {
        double until = now + seconds;
        while (isRunning() && now < until) step();
    }

    private void step() {
        if (now >= swapAt) {
            cell = swapFor;
            swapAt = Double.NaN;
        }
        boolean parted = now >= blipFrom && now < blipFrom + BLIP_SECONDS;
        double amps = parted ? 0 : amps();
        boolean atEdge = now == stageBegan || parted && now - blipFrom < STEP_SECONDS;
        if (now >= nextSample || atEdge || isPulse()) {
            sample(amps);
            nextSample = now + programme.sampleSeconds();
        }
        double seconds = STEP_SECONDS;
        if (amps < 0) delivered -= amps * seconds / 3.6;
        cell.pass(amps, seconds);
        now += seconds;
        if (!parted) advance(amps);
        guard();
    }

    private boolean isPulse() {
        return programme.stages().get(stage) instanceof Pulse;
    }

    private double inStage() {
        return now - stageBegan;
    }

    private double amps() {
        return switch (programme.stages().get(stage)) {
            case Charge charge -> Math.clamp(cell.ampsAt(charge.volts()), 0, charge.amps());
            case Rest rest -> 0;
            case Discharge discharge -> -discharge.amps();
            case Pulse pulse -> -level(pulse);
        };
    }

    private double level(Pulse pulse) {
        double from = 0;
        for (Level level : pulse.levels()) {
            from += level.seconds();
            if (inStage() < from) return level.amps();
        }
        return 0;
    }

    private static double seconds(Pulse pulse) {
        return pulse.levels().stream().mapToDouble(Level::seconds).sum();
    }

    private void advance(double amps) {
        boolean done =
                switch (programme.stages().get(stage)) {
                    case Charge charge ->
                            cell.volts(amps) >= charge.volts() - 0.002
                                    && cell.ampsAt(charge.volts()) <= charge.cutoffAmps();
                    case Rest rest -> inStage() >= rest.seconds();
                    case Discharge discharge -> cell.volts(amps) <= discharge.volts();
                    case Pulse pulse -> inStage() >= seconds(pulse);
                };
        if (!done) return;
        sample(amps);
        if (programme.stages().get(stage) instanceof Discharge)
            deliveredAtEnd = OptionalDouble.of(delivered);
        if (programme.stages().get(stage) instanceof Charge) delivered = 0;
        stage++;
        stageBegan = now;
        if (stage == programme.stages().size()) {
            stage--;
            how = "done";
        } else {
            // the sample at the edge has this second already
            stageBegan = now + 0.001;
            now = stageBegan;
        }
    }

    private void guard() {
        if (!isRunning()) return;
        Programme.Limits limits = programme.limits();
        double volts = cell.volts(0);
        if (volts > limits.mostVolts())
            stop("limit", "over " + Quantity.VOLTAGE.number(limits.mostVolts(), 2) + " V");
        else if (volts < limits.leastVolts())
            stop("limit", "under " + Quantity.VOLTAGE.number(limits.leastVolts(), 2) + " V");
        else if (cell.celsius() > limits.mostCelsius())
            stop(
                    "limit",
                    "hotter than " + Quantity.TEMPERATURE.number(limits.mostCelsius(), 0) + " °C");
        else if (now > limits.mostSeconds()) stop("limit", "took too long");
    }

    private void sample(double amps) {
        if (!rows.isEmpty() && rows.get(rows.size() - 1)[0] >= now) return;
        double volts =
                cell.volts(amps)
                        + amps * slot.contactOhms()
                        + slot.noiseVolts() * random.nextGaussian();
        double shown = amps * slot.gain() + slot.noiseAmps() * random.nextGaussian();
        rows.add(
                new double[] {
                    now,
                    round(volts, 1e5),
                    amps == 0 ? 0 : round(shown, 1e5),
                    round(cell.celsius(), 1e1)
                });
    }

    private static double round(double value, double steps) {
        return Math.rint(value * steps) / steps;
    }
}
