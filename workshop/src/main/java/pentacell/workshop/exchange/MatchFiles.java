package pentacell.workshop.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.circuit.Discharged;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchOutlook;
import pentacell.core.match.MatchResult;
import pentacell.core.match.TradeOff;
import pentacell.core.pack.Pack;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// A match as files: groups as CSV, figures as JSON, the trade-off curve as CSV.
public final class MatchFiles {
    /// Four say all that a measured figure holds.
    private static final int DIGITS = 4;

    private MatchFiles() {}

    /// `cell_id,group,position`, groups and positions from 1.
    public static String groupsCsv(List<List<CellId>> groups) {
        List<List<String>> lines = new ArrayList<>();
        for (int group = 0; group < groups.size(); group++)
            for (int position = 0; position < groups.get(group).size(); position++)
                lines.add(
                        List.of(
                                groups.get(group).get(position).text(),
                                String.valueOf(group + 1),
                                String.valueOf(position + 1)));
        return SafeCsv.text(List.of("cell_id", "group", "position"), lines);
    }

    /// The figures of a match.
    ///
    /// @param elapsedMillis how long it took, in ms
    public static String summaryJson(MatchResult result, long elapsedMillis) {
        MatchFigures figures = result.figures();
        ObjectNode json = Json.object();
        json.put("arrangement", result.rules().arrangement());
        json.put("selection", result.rules().selection().name().toLowerCase(Locale.ROOT));
        Json.put(json, "usableCapacityMah", figures.usableMilliampHours(), DIGITS);
        Json.put(json, "capacitySpreadMah", figures.spreadMilliampHours(), DIGITS);
        Json.put(json, "capacitySpreadPct", figures.spreadPercent(), DIGITS);
        Json.put(json, "capacityUpperBoundMah", result.bounds().usableMilliampHours(), DIGITS);
        Json.put(
                json, "capacitySpreadLowerBoundMah", result.bounds().spreadMilliampHours(), DIGITS);
        Json.put(json, "groupResistanceSpreadPct", figures.resistanceSpreadPercent(), DIGITS);
        Json.put(json, "maxWithinGroupIrSpreadMohm", figures.worstIrSpreadMilliohms(), DIGITS);
        json.put("cellsUsed", result.rules().cellsNeeded());
        json.put("cellsLeftOver", result.leftOver().size());
        ArrayNode spares = json.putArray("spares");
        result.spares().forEach(cell -> spares.add(cell.text()));
        json.put("ending", result.ending().name().toLowerCase(Locale.ROOT).replace('_', '-'));
        json.put("method", result.method());
        json.put("elapsedMs", elapsedMillis);
        groups(json, figures);
        return Json.text(json);
    }

    /// The groups of a pack in the making with their cells.
    ///
    /// @param groups the cells of each group as they are known
    public static String packJson(Pack pack, List<List<Candidate>> groups) {
        MatchFigures figures = MatchFigures.of(groups);
        ObjectNode json = Json.object();
        json.put("pack", pack.name());
        json.put("arrangement", pack.rules().arrangement());
        Json.put(json, "usableCapacityMah", figures.usableMilliampHours(), DIGITS);
        Json.put(json, "capacitySpreadMah", figures.spreadMilliampHours(), DIGITS);
        Json.put(json, "groupResistanceSpreadPct", figures.resistanceSpreadPercent(), DIGITS);
        Json.put(json, "maxWithinGroupIrSpreadMohm", figures.worstIrSpreadMilliohms(), DIGITS);
        ArrayNode spares = json.putArray("spares");
        pack.spares().stream().sorted().forEach(cell -> spares.add(cell.text()));
        List<ObjectNode> nodes = groups(json, figures);
        for (int i = 0; i < nodes.size(); i++) {
            ArrayNode cells = nodes.get(i).putArray("cells");
            for (Candidate cell : groups.get(i)) {
                ObjectNode node = cells.addObject();
                node.put("id", cell.id().text());
                Json.put(node, "capacityMah", cell.milliampHours(), DIGITS);
                Json.put(node, "irMohm", cell.milliohms(), DIGITS);
                node.put("model", cell.model());
                node.put("donor", cell.donor());
                node.put("locked", pack.locked().contains(cell.id()));
            }
        }
        return Json.text(json);
    }

    private static List<ObjectNode> groups(ObjectNode json, MatchFigures figures) {
        List<ObjectNode> nodes = new ArrayList<>();
        ArrayNode groups = json.putArray("groups");
        for (int i = 0; i < figures.groups().size(); i++) {
            MatchFigures.GroupFigures group = figures.groups().get(i);
            ObjectNode node = groups.addObject();
            node.put("group", i + 1);
            Json.put(node, "capacityMah", group.milliampHours(), DIGITS);
            Json.put(node, "resistanceMohm", group.milliohms(), DIGITS);
            Json.put(node, "irSpreadMohm", group.irSpreadMilliohms(), DIGITS);
            node.put("donors", group.donors());
            nodes.add(node);
        }
        return nodes;
    }

    /// `max_ir_spread_mohm,usable_mah,spread_mah,worst_ir_spread_mohm,simulated_usable_mah,`
    /// `worst_cell_current_share`; the last two from a discharge at half the capacity an hour.
    public static String tradeOffCsv(List<TradeOff.Point> curve, List<Candidate> candidates) {
        List<List<String>> lines = new ArrayList<>();
        for (TradeOff.Point point : curve) {
            MatchFigures figures = point.result().figures();
            Optional<Discharged> outlook = MatchOutlook.of(point.result(), candidates);
            lines.add(
                    List.of(
                            number(OptionalDouble.of(point.limitMilliohms())),
                            number(OptionalDouble.of(figures.usableMilliampHours())),
                            number(OptionalDouble.of(figures.spreadMilliampHours())),
                            number(figures.worstIrSpreadMilliohms()),
                            outlook.map(each ->
                                            String.valueOf(
                                                    Json.rounded(1000 * each.ampHours(), DIGITS)))
                                    .orElse(""),
                            outlook.map(each ->
                                            String.valueOf(Json.rounded(each.worstShare(), DIGITS)))
                                    .orElse("")));
        }
        return SafeCsv.text(
                List.of(
                        "max_ir_spread_mohm",
                        "usable_mah",
                        "spread_mah",
                        "worst_ir_spread_mohm",
                        "simulated_usable_mah",
                        "worst_cell_current_share"),
                lines);
    }

    private static String number(OptionalDouble value) {
        return value.isPresent() ? String.valueOf(Json.rounded(value.getAsDouble(), DIGITS)) : "";
    }
}
