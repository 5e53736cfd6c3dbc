package pentacell.workshop.exchange;

import java.util.OptionalDouble;
import pentacell.core.prove.LoadTest;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// A load test as a file.
public final class ProveFiles {
    private static final int DIGITS = 4;

    private ProveFiles() {}

    /// What a load test came to; groups count from 1.
    ///
    /// @param predictedAmpHours what the cells should give, when they are known
    public static String json(LoadTest test, OptionalDouble predictedAmpHours) {
        ObjectNode json = Json.object();
        Json.put(json, "deliveredAh", test.ampHours(), DIGITS);
        Json.put(json, "deliveredWh", test.wattHours(), DIGITS);
        Json.put(json, "durationSeconds", test.seconds(), DIGITS);
        json.put("reachedEnd", test.reachedEnd());
        json.put("endedByGroup", test.endedByGroup() + 1);
        ArrayNode end = json.putArray("groupVoltsAtEnd");
        test.groups().forEach(group -> end.add(Json.rounded(group.endVolts(), DIGITS)));
        Json.put(json, "restSpreadMillivolts", test.restSpreadMillivolts(), DIGITS);
        Json.put(json, "packMilliohms", test.packMilliohms(), DIGITS);
        if (test.replaceFirst().isPresent())
            json.put("replaceFirst", test.replaceFirst().getAsInt() + 1);
        else json.putNull("replaceFirst");
        ArrayNode groups = json.putArray("groups");
        for (int g = 0; g < test.groups().size(); g++) {
            LoadTest.Group each = test.groups().get(g);
            ObjectNode group = groups.addObject();
            group.put("group", g + 1);
            Json.put(group, "endVolts", each.endVolts(), DIGITS);
            Json.put(group, "restVolts", each.restVolts(), DIGITS);
            Json.put(group, "milliohms", each.milliohms(), DIGITS);
            Json.put(group, "missingAh", each.missingAmpHours(), DIGITS);
            group.put("cause", each.cause().code());
            group.put("orStartedLow", each.orStartedLow());
        }
        Json.put(json, "predictedAh", predictedAmpHours, DIGITS);
        return Json.text(json);
    }
}
