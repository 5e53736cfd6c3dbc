package pentacell.workshop.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import pentacell.core.harvest.Diagnosis;
import pentacell.core.harvest.HarvestYield;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.judgement.Reason;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Diagnosis as JSON, yield and waiting list as CSV.
public final class HarvestFiles {
    private HarvestFiles() {}

    /// A diagnosis as JSON: `signature`, `groups`, `advice`, `sureness`, `sentence`, `reasons`.
    public static String json(Diagnosis diagnosis) {
        ObjectNode root = Json.object();
        root.put("signature", diagnosis.signature().code());
        ArrayNode groups = root.putArray("groups");
        diagnosis.groups().forEach(groups::add);
        root.put("advice", diagnosis.advice().code());
        root.put("sureness", diagnosis.sureness().name().toLowerCase(Locale.ROOT));
        root.put("sentence", diagnosis.sentence());
        ArrayNode reasons = root.putArray("reasons");
        for (Reason reason : diagnosis.reasons()) {
            ObjectNode node = reasons.addObject();
            node.put("rule", reason.rule().name().toLowerCase(Locale.ROOT).replace('_', '-'));
            Json.put(node, "figure", reason.figure(), 6);
            Json.put(node, "limit", reason.limit(), 6);
            node.put("sentence", reason.sentence().replace('\u00a0', ' '));
        }
        return Json.text(root);
    }

    /// Yield and cost as CSV; what is not known stays empty.
    public static String csv(List<HarvestYield> yields) {
        List<List<String>> lines = new ArrayList<>();
        for (HarvestYield each : yields)
            lines.add(
                    List.of(
                            each.name(),
                            each.currency(),
                            String.valueOf(each.donors()),
                            String.valueOf(each.opened()),
                            String.valueOf(each.cells()),
                            String.valueOf(each.good()),
                            String.valueOf(each.undecided()),
                            number(each.cost(), 2),
                            number(each.pricePerCell(), 3),
                            number(each.pricePerGoodCell(), 3),
                            number(OptionalDouble.of(each.goodWattHours()), 1),
                            number(each.pricePerGoodWattHour(), 4),
                            number(OptionalDouble.of(each.minutes()), 0),
                            number(each.minutesPerCell(), 1)));
        return SafeCsv.text(
                List.of(
                        "name",
                        "currency",
                        "donors",
                        "opened",
                        "cells",
                        "good_cells",
                        "undecided_cells",
                        "cost",
                        "price_per_cell",
                        "price_per_good_cell",
                        "good_wh",
                        "price_per_good_wh",
                        "minutes",
                        "minutes_per_cell"),
                lines);
    }

    private static String number(OptionalDouble value, int digits) {
        return value.isEmpty()
                ? ""
                : String.format(Locale.ROOT, "%." + digits + "f", value.getAsDouble());
    }

    /// The waiting list of the test bench as CSV, with what is to be done to each cell.
    public static String waiting(List<WaitingForTest> waiting) {
        List<List<String>> lines = new ArrayList<>();
        for (WaitingForTest each : waiting)
            lines.add(
                    List.of(
                            each.cell().id().text(),
                            each.cell().place().map(Object::toString).orElse(""),
                            each.cell().model().orElse(""),
                            number(each.cell().firstVolts(), 3),
                            each.instruction().verdict().code(),
                            number(each.instruction().chargeAmps(), 2),
                            number(each.instruction().slowUntilVolts(), 2),
                            String.valueOf(each.instruction().holdDays()),
                            each.words().replace('\u00a0', ' ')));
        return SafeCsv.text(
                List.of(
                        "cell_id",
                        "location",
                        "model",
                        "voltage_v",
                        "verdict",
                        "charge_a",
                        "slow_until_v",
                        "hold_days",
                        "instruction"),
                lines);
    }
}
