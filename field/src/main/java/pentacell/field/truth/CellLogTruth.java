package pentacell.field.truth;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import pentacell.core.measure.Analyse;
import pentacell.core.measure.Analysis;
import pentacell.core.measure.AnalysisSettings;
import pentacell.core.measure.ChargeEnd;
import pentacell.core.measure.Discharge;
import pentacell.field.CellLoad;
import pentacell.field.FieldPack;
import pentacell.field.FieldPack.Family;
import pentacell.field.FieldPack.Logger;

/// What the log of a single cell says of its capacity, its resistance and how it was charged.
public final class CellLogTruth {
    /// Error of a capacity that is let pass, as a part; of a ride, whose load ends it in one burst
    /// or the next, more.
    private static final double CAPACITY_PART = 0.01;

    private static final double RIDE_PART = 0.03;

    /// A resistance may hold a part of what follows a step until the next reading, and lack a part
    /// where the voltage falls fast before a load ends.
    private static final double OHMS_LEAST = 0.7;

    private static final double OHMS_MOST = 1.5;

    private CellLogTruth() {}

    /// Judges one cell.
    ///
    /// @param seconds between two readings
    public static TruthOutcome of(
            Family family, CellLoad load, double seconds, long seed, int number) {
        Random random =
                Drawn.of(seed, family.ordinal(), load.ordinal(), Math.round(seconds), number);
        FieldPack cell = new FieldPack(family, 1, 1, 0.1, random);
        double end = Logs.endVolts(family);
        CellLoad.Course course = load.of(cell, end, random);
        Logger logger = new Logger(seconds, 0.001, 0.001, Drawn.sign(random), 0);
        Analysis told =
                Analyse.log(
                        Logs.cell(cell.log(course, logger)),
                        new AnalysisSettings(
                                OptionalDouble.of(end),
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                AnalysisSettings.HOT_KELVIN));
        double drawn = 1000 * course.drawnAmpHours();
        List<String> wrong = new ArrayList<>();
        double capacity = told.discharge().map(Discharge::milliampHours).orElse(0.0);
        double error = capacity / drawn - 1;
        boolean isRide = load.name().startsWith("RIDE");
        if (Math.abs(error) > (isRide ? RIDE_PART : CAPACITY_PART))
            wrong.add("%.0f of %.0f mAh".formatted(capacity, drawn));
        double atOnce = 1000 * cell.ohms(0);
        told.resistance()
                .map(each -> each.milliohms())
                .filter(ohms -> !(ohms > OHMS_LEAST * atOnce && ohms < OHMS_MOST * atOnce))
                .ifPresent(ohms -> wrong.add("%.1f of %.1f mΩ".formatted(ohms, atOnce)));
        if (load == CellLoad.AFTER_A_CHARGE) chargeEnd(told, cell, seconds, wrong);
        return new TruthOutcome(
                Logs.kind(family, load),
                wrong.isEmpty(),
                wrong,
                OptionalDouble.of(error),
                "every %.0f s, number %d".formatted(seconds, number));
    }

    private static void chargeEnd(
            Analysis told, FieldPack cell, double seconds, List<String> wrong) {
        if (told.chargeEnd().isEmpty()) {
            wrong.add("no end of the charge");
            return;
        }
        ChargeEnd end = told.chargeEnd().get();
        // of LFP the current falls by half in ten seconds
        double amps = seconds > 1 ? 0.35 : 0.05;
        if (Math.abs(end.volts() - cell.limitVolts()) > 0.03
                || Math.abs(end.amps() - CellLoad.CHARGE_END_AMPS) > amps)
            wrong.add("charged to %.3f V and %.2f A".formatted(end.volts(), end.amps()));
    }

    static List<TruthOutcome> all(long seed, int packs) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Family family : Family.values())
            for (CellLoad load : CellLoad.values())
                for (double seconds : new double[] {1, 10})
                    for (int number = 0; number < packs; number++)
                        outcomes.add(of(family, load, seconds, seed, number));
        return outcomes;
    }
}
