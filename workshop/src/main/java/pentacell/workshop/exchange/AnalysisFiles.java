package pentacell.workshop.exchange;

import java.util.Optional;
import pentacell.core.measure.Analysis;
import pentacell.core.measure.DcResistance;
import pentacell.core.measure.Discharge;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Writes what a log says as JSON.
public final class AnalysisFiles {
    private AnalysisFiles() {}

    /// The analysis of a log, with what could not be read of it.
    public static String summary(RunLog log, Analysis analysis) {
        ObjectNode node = Json.object();
        Optional<Discharge> discharge = analysis.discharge();
        number(node, "dischargeCapacityMah", discharge.map(Discharge::milliampHours), 3);
        number(node, "dischargeEnergyWh", discharge.map(Discharge::wattHours), 6);
        number(node, "meanVoltage", discharge.map(Discharge::meanVolts), 5);
        number(node, "midVoltage", discharge.map(Discharge::midVolts), 4);
        node.put("reachedEndVoltage", discharge.map(Discharge::reachedEnd).orElse(false));
        number(node, "durationSeconds", discharge.map(Discharge::seconds), 3);
        number(node, "dcResistanceMohm", analysis.resistance().map(DcResistance::milliohms), 4);
        analysis.resistance()
                .ifPresent(each -> node.put("dcResistanceMethod", each.method().name()));
        ArrayNode steps = node.putArray("steps");
        analysis.steps()
                .forEach(step -> {
                    ObjectNode each =
                            steps.addObject()
                                    .put("kind", step.kind().code())
                                    .put("startSeconds", step.startSeconds())
                                    .put("endSeconds", step.endSeconds());
                    number(each, "capacityMah", Optional.of(step.milliampHours()), 3);
                });
        ArrayNode anomalies = node.putArray("anomalies");
        analysis.anomalies()
                .forEach(anomaly ->
                        anomalies
                                .addObject()
                                .put("kind", anomaly.kind().code())
                                .put("atSeconds", anomaly.atSeconds())
                                .put("sentence", anomaly.sentence().replace('\u00a0', ' ')));
        ArrayNode problems = node.putArray("problems");
        log.problems()
                .forEach(problem ->
                        problems.addObject()
                                .put("line", problem.line())
                                .put("what", problem.sentence()));
        ArrayNode notes = node.putArray("notes");
        log.notes().forEach(notes::add);
        return Json.text(node);
    }

    private static void number(ObjectNode node, String name, Optional<Double> value, int digits) {
        Json.put(node, name, value.orElse(Double.NaN), digits);
    }
}
