package pentacell.workshop.exchange;

import java.util.List;
import java.util.Locale;
import pentacell.core.cell.CellId;
import pentacell.core.circuit.Discharged;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// The outcome of a simulation as JSON.
public final class SimulationFiles {
    private static final int DIGITS = 6;

    private SimulationFiles() {}

    /// The outcome of a discharge; groups count from 1.
    ///
    /// @param groups the cells of the pack, group by group
    public static String json(Discharged outcome, List<List<CellId>> groups) {
        ObjectNode json = Json.object();
        Json.put(json, "usableAh", outcome.ampHours(), DIGITS);
        Json.put(json, "usableWh", outcome.wattHours(), DIGITS);
        Json.put(json, "durationSeconds", outcome.seconds(), DIGITS);
        json.put("endedByGroup", outcome.group() + 1);
        json.put("endedBy", outcome.endedBy().name().toLowerCase(Locale.ROOT));
        ArrayNode volts = json.putArray("groupEndVoltages");
        outcome.groupVolts().forEach(each -> volts.add(Json.rounded(each, DIGITS)));
        Json.put(json, "worstCellCurrentShare", outcome.worstShare(), DIGITS);
        Json.put(json, "worstCellCurrentShareAtStart", outcome.worstShareAtStart(), DIGITS);
        json.put("worstCell", groups.get(outcome.worstGroup()).get(outcome.worstPlace()).text());
        Json.put(json, "heatWh", outcome.heatWattHours(), DIGITS);
        ArrayNode each = json.putArray("groups");
        for (int g = 0; g < groups.size(); g++) {
            ObjectNode group = each.addObject();
            group.put("group", g + 1);
            Json.put(group, "leftAh", outcome.leftAmpHours().get(g), DIGITS);
            Json.put(group, "endVolts", outcome.groupVolts().get(g), DIGITS);
        }
        return Json.text(json);
    }
}
