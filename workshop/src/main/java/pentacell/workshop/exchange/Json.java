package pentacell.workshop.exchange;

import java.util.OptionalDouble;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/// JSON as the commands write it: indented, with a line feed at its end; what cannot be given is
/// `null`.
final class Json {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private Json() {}

    static ObjectNode object() {
        return MAPPER.createObjectNode();
    }

    static String text(ObjectNode root) {
        return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(root) + "\n";
    }

    /// Puts a number with so many digits behind the point; `null` when it is not finite.
    static void put(ObjectNode node, String name, double value, int digits) {
        if (Double.isFinite(value)) node.put(name, rounded(value, digits));
        else node.putNull(name);
    }

    /// Puts a number with so many digits behind the point; `null` when there is none.
    static void put(ObjectNode node, String name, OptionalDouble value, int digits) {
        put(node, name, value.orElse(Double.NaN), digits);
    }

    /// A number with so many digits behind the point.
    static double rounded(double value, int digits) {
        double unit = Math.pow(10, digits);
        return Math.rint(value * unit) / unit;
    }
}
