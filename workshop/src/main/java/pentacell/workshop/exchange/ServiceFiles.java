package pentacell.workshop.exchange;

import java.util.Map;
import java.util.Optional;
import pentacell.core.service.Finding;
import pentacell.core.service.OutOfBalance;
import pentacell.core.service.WarmthTrend;
import pentacell.core.service.Watch;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// What the history of a pack says, as a file.
public final class ServiceFiles {
    private static final int DIGITS = 4;

    private ServiceFiles() {}

    /// Findings, spreads, trends and balance; groups and probes count from 1.
    public static String json(Watch watch, Optional<WarmthTrend> warmth) {
        ObjectNode json = Json.object();
        ArrayNode findings = json.putArray("findings");
        for (Finding each : watch.findings()) {
            ObjectNode finding = findings.addObject();
            finding.put("group", each.group() + 1);
            finding.put("cause", each.cause().code());
            if (each.cellsOff().isPresent()) finding.put("cellsOff", each.cellsOff().getAsInt());
            else finding.putNull("cellsOff");
            ObjectNode figures = finding.putObject("figures");
            each.figures().entrySet().stream()
                    .sorted(Map.Entry.comparingByKey())
                    .forEach(entry -> Json.put(figures, entry.getKey(), entry.getValue(), DIGITS));
            finding.put("sentence", each.sentence());
            finding.put("check", each.check());
            Json.put(finding, "sure", each.sure(), 2);
        }
        Json.put(json, "spreadLowMillivolts", watch.spreadLowMillivolts(), DIGITS);
        Json.put(json, "spreadHighMillivolts", watch.spreadHighMillivolts(), DIGITS);
        Json.put(json, "trend", watch.trendMillivolts(), DIGITS);
        temperatures(json, warmth);
        ArrayNode outOfBalance = json.putArray("outOfBalance");
        for (OutOfBalance each : watch.outOfBalance()) {
            ObjectNode group = outOfBalance.addObject();
            group.put("group", each.group() + 1);
            Json.put(group, "aheadAh", each.aheadAmpHours(), DIGITS);
            group.put("orMisread", each.orMisread());
            group.put("sentence", each.sentence());
        }
        return Json.text(json);
    }

    private static void temperatures(ObjectNode json, Optional<WarmthTrend> warmth) {
        if (warmth.isEmpty()) {
            json.putNull("temperatures");
            return;
        }
        ObjectNode temperatures = json.putObject("temperatures");
        Json.put(temperatures, "highestCelsius", warmth.get().highestCelsius(), 1);
        temperatures.put("probe", warmth.get().probe() + 1);
        Json.put(temperatures, "kelvinIn30Days", warmth.get().kelvinIn30Days(), DIGITS);
    }
}
