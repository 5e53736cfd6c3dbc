package pentacell.workshop.exchange;

import java.util.List;
import java.util.Locale;
import pentacell.core.cell.CellId;
import pentacell.core.circuit.Discharged;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// The outcome of a simulation as JSON.
public final class SimulationFiles {
    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private SimulationFiles() {}

    /// The outcome of a discharge; groups count from 1.
    ///
    /// @param groups the cells of the pack, group by group
    public static String json(Discharged outcome, List<List<CellId>> groups) {
        ObjectNode json = JSON.createObjectNode();
        json.put("usableAh", tidy(outcome.ampHours()));
        json.put("usableWh", tidy(outcome.wattHours()));
        json.put("durationSeconds", tidy(outcome.seconds()));
        json.put("endedByGroup", outcome.group() + 1);
        json.put("endedBy", outcome.endedBy().name().toLowerCase(Locale.ROOT));
        ArrayNode volts = json.putArray("groupEndVoltages");
        outcome.groupVolts().forEach(each -> volts.add(tidy(each)));
        json.put("worstCellCurrentShare", tidy(outcome.worstShare()));
        json.put("worstCellCurrentShareAtStart", tidy(outcome.worstShareAtStart()));
        json.put("worstCell", groups.get(outcome.worstGroup()).get(outcome.worstPlace()).text());
        json.put("heatWh", tidy(outcome.heatWattHours()));
        ArrayNode each = json.putArray("groups");
        for (int g = 0; g < groups.size(); g++) {
            ObjectNode group = each.addObject();
            group.put("group", g + 1);
            group.put("leftAh", tidy(outcome.leftAmpHours().get(g)));
            group.put("endVolts", tidy(outcome.groupVolts().get(g)));
        }
        return JSON.writeValueAsString(json) + "\n";
    }

    private static double tidy(double value) {
        return Math.round(value * 1e6) / 1e6;
    }
}
