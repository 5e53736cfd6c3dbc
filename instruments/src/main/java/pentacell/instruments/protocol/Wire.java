package pentacell.instruments.protocol;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Optional;
import pentacell.core.test.facts.Programme;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Messages as lines of text.
public final class Wire {
    /// Version of the protocol.
    public static final int PROTOCOL = 1;

    private static final JsonMapper JSON =
            JsonMapper.builder()
                    .addMixIn(Programme.Stage.class, StageNames.class)
                    // an adapter may say more than we know
                    .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                    .build();

    private Wire() {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "stage")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Programme.Charge.class, name = "charge"),
        @JsonSubTypes.Type(value = Programme.Rest.class, name = "rest"),
        @JsonSubTypes.Type(value = Programme.Discharge.class, name = "discharge"),
        @JsonSubTypes.Type(value = Programme.Pulse.class, name = "pulse")
    })
    private interface StageNames {}

    /// Why an instrument cannot be spoken with, when it speaks another version of the protocol.
    public static Optional<String> stranger(Tell.Identity identity) {
        return identity.protocol() == PROTOCOL
                ? Optional.empty()
                : Optional.of(
                        "speaks version %d of the protocol, this program knows %d; bring the older one up to date"
                                .formatted(identity.protocol(), PROTOCOL));
    }

    /// A message as one line, without its end.
    public static String line(Ask ask) {
        return JSON.writeValueAsString(ask);
    }

    /// A message as one line, without its end.
    public static String line(Tell tell) {
        return JSON.writeValueAsString(tell);
    }

    /// Reads what was asked.
    ///
    /// @throws NotUnderstoodException when the line is no message of this protocol
    public static Ask ask(String line) throws NotUnderstoodException {
        return read(line, Ask.class);
    }

    /// Whether a line is meant as a message to an instrument, known or not: an object that asks.
    public static boolean isAsking(String line) {
        try {
            JsonNode node = JSON.readTree(line);
            return node != null && node.isObject() && node.path("ask").isString();
        } catch (JacksonException none) {
            return false;
        }
    }

    /// Reads what was told.
    ///
    /// @throws NotUnderstoodException when the line is no message of this protocol
    public static Tell tell(String line) throws NotUnderstoodException {
        return read(line, Tell.class);
    }

    private static <T> T read(String line, Class<T> type) throws NotUnderstoodException {
        try {
            T message = JSON.readValue(line, type);
            if (message == null) throw new NotUnderstoodException("an empty line", null);
            return message;
        } catch (JacksonException | IllegalArgumentException | NullPointerException broken) {
            String what = line.length() > 200 ? line.substring(0, 200) + " …" : line;
            throw new NotUnderstoodException(
                    what + " (" + first(broken.getMessage()) + ")", broken);
        }
    }

    private static String first(@org.jspecify.annotations.Nullable String message) {
        return message == null ? "" : message.lines().findFirst().orElse("");
    }

    /// A line that is no message.
    public static final class NotUnderstoodException extends Exception {
        private static final long serialVersionUID = 1;

        NotUnderstoodException(String what, @org.jspecify.annotations.Nullable Throwable cause) {
            super("not understood: " + what, cause);
        }
    }
}
