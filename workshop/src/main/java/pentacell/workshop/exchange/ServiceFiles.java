package pentacell.workshop.exchange;

import java.util.Optional;
import pentacell.core.service.Finding;
import pentacell.core.service.OutOfBalance;
import pentacell.core.service.ServiceFindingWords;
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
            figures(finding.putObject("figures"), each);
            finding.put("sentence", ServiceFindingWords.sentence(each));
            finding.put("check", ServiceFindingWords.check(each));
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
            group.put("sentence", ServiceFindingWords.sentence(each));
        }
        return Json.text(json);
    }

    private static void figures(ObjectNode figures, Finding finding) {
        switch (finding) {
            case Finding.CellsOff off -> {
                Json.put(figures, "capacityShare", off.capacityShare(), DIGITS);
                Json.put(figures, "strayMillivoltsAtLowest", off.strayMillivolts(), DIGITS);
            }
            case Finding.SelfDischarge loss -> {
                Json.put(figures, "ampHoursADay", loss.ampHoursADay(), DIGITS);
                Json.put(figures, "daysToTenPercent", loss.daysToTenPercent(), DIGITS);
                Json.put(figures, "milliamps", loss.milliamps(), DIGITS);
            }
            case Finding.Gain gain -> {
                Json.put(figures, "ampHoursADay", gain.ampHoursADay(), DIGITS);
                Json.put(figures, "milliamps", gain.milliamps(), DIGITS);
            }
            case Finding.Tap tap -> {
                Json.put(figures, "milliamps", tap.milliamps(), DIGITS);
                Json.put(figures, "throughGroup", tap.throughGroup() + 1, DIGITS);
            }
            case Finding.MoreResistance more ->
                    Json.put(figures, "milliohmsMore", more.milliohms(), DIGITS);
            case Finding.Misread misread ->
                    Json.put(figures, "offsetMillivolts", misread.offsetMillivolts(), DIGITS);
        }
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
