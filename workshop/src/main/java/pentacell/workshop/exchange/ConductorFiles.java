package pentacell.workshop.exchange;

import java.util.OptionalDouble;
import pentacell.core.conductor.Allowed;
import pentacell.core.conductor.Conductor;
import tools.jackson.databind.node.ObjectNode;

/// What a conductor comes to, as a file.
public final class ConductorFiles {
    private static final int DIGITS = 6;

    private ConductorFiles() {}

    /// A conductor at a temperature, with what a current does in it.
    public static String json(Conductor conductor, double celsius, OptionalDouble amps) {
        double ohms = conductor.ohms(celsius);
        Allowed allowed = conductor.allowed();
        double current = amps.orElse(Double.NaN);
        ObjectNode json = Json.object();
        json.put("material", conductor.material().code());
        Json.put(json, "lengthMetres", conductor.lengthMetres(), DIGITS);
        Json.put(json, "celsius", celsius, DIGITS);
        Json.put(json, "milliohms", 1000 * ohms, DIGITS);
        Json.put(json, "areaSquareMillimetres", conductor.squareMillimetres(), DIGITS);
        Json.put(json, "dropVolts", current * ohms, DIGITS);
        Json.put(json, "watts", current * current * ohms, DIGITS);
        Json.put(json, "fusingAmps", conductor.fusingAmps(), DIGITS);
        Json.put(json, "allowedAmps", allowed.amps(), DIGITS);
        json.put("allowedBy", allowed.rule());
        return Json.text(json);
    }
}
