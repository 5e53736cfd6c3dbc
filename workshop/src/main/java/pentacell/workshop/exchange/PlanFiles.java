package pentacell.workshop.exchange;

import java.util.Locale;
import pentacell.core.plan.ChargeChecks;
import pentacell.core.plan.Checked;
import pentacell.core.plan.PackChecks;
import pentacell.core.plan.PackLimit;
import pentacell.core.plan.PackPlan;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.PlanWords;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// A plan as a file.
public final class PlanFiles {
    private static final int DIGITS = 4;

    private PlanFiles() {}

    /// Every option with its figures and what stands in its way.
    public static String json(PackPlan plan, NeedJson.Asked asked) {
        ObjectNode json = Json.object();
        if (plan.best().isPresent()) json.put("best", plan.options().indexOf(plan.best().get()));
        else json.putNull("best");
        if (plan.nearest().isPresent()) json.put("nearest", plan.nearest().get());
        else json.putNull("nearest");
        ArrayNode options = json.putArray("options");
        for (Option option : plan.options()) put(options.addObject(), option, asked);
        return Json.text(json);
    }

    private static void put(ObjectNode node, Option option, NeedJson.Asked asked) {
        node.put("series", option.series());
        node.put("parallel", option.parallel());
        Json.put(node, "fullVolts", option.fullVolts(), DIGITS);
        Json.put(node, "emptyVolts", option.emptyVolts(), DIGITS);
        Json.put(node, "usableShare", option.usableShare(), DIGITS);
        Json.put(node, "usableWh", option.usableWattHours(), DIGITS);
        Json.put(node, "hours", option.hours(), DIGITS);
        Json.put(node, "kilometres", option.kilometres(), DIGITS);
        Json.put(node, "steadyAmpsPerCell", option.steadyAmps(), DIGITS);
        Json.put(node, "peakAmpsPerCell", option.peakAmps(), DIGITS);
        Json.put(node, "massKilograms", option.kilograms(), DIGITS);
        Json.put(node, "price", option.price(), DIGITS);
        node.put("cells", option.cells());
        if (option.fits().isPresent()) node.put("fits", option.fits().get());
        else node.putNull("fits");
        node.put("feasible", option.isFeasible());
        Json.put(
                node,
                "chargeHours",
                ChargeChecks.chargeHours(option, asked.need(), asked.supply()),
                DIGITS);
        ArrayNode cautions = node.putArray("cautions");
        for (Checked each : PackChecks.cautions(option, asked.need(), asked.supply())) {
            ObjectNode caution = cautions.addObject();
            caution.put("check", code(each.check()));
            Json.put(caution, "limit", each.limitNumber(), DIGITS);
            Json.put(caution, "figure", each.figureNumber(), DIGITS);
            caution.put("sentence", each.sentence());
        }
        ArrayNode obstacles = node.putArray("obstacles");
        for (PackLimit each : option.obstacles()) {
            ObjectNode obstacle = obstacles.addObject();
            obstacle.put("check", code(each.check()));
            Json.put(obstacle, "limit", each.limit(), DIGITS);
            Json.put(obstacle, "figure", each.figure(), DIGITS);
            obstacle.put("sentence", PlanWords.obstacle(option, each));
        }
    }

    private static String code(Enum<?> check) {
        return check.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
