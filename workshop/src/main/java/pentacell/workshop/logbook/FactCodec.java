package pentacell.workshop.logbook;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.core.state.Chapter;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ObjectNode;

/// Facts as rows of the journal: a kind such as `voltage-read` and a JSON body.
final class FactCodec {
    private final FactKinds kinds;
    private final JsonMapper json =
            JsonMapper.builder()
                    .addModule(
                            new SimpleModule("pentacell")
                                    .addSerializer(new AsText<>(CellId.class, CellId::text))
                                    .addDeserializer(CellId.class, new FromText<>(CellId::new))
                                    .addKeyDeserializer(CellId.class, new CellIdKey())
                                    .addSerializer(new AsText<>(CellFormat.class, CellFormat::code))
                                    .addDeserializer(
                                            CellFormat.class,
                                            new FromText<>(
                                                    code -> CellFormat.parse(code).orElseThrow()))
                                    .addSerializer(new AsText<>(Place.class, Place::toString))
                                    .addDeserializer(
                                            Place.class,
                                            new FromText<>(
                                                    text -> Place.parse(text).orElseThrow())))
                    .build();

    FactCodec(List<Chapter<?>> chapters) {
        kinds = new FactKinds(chapters);
    }

    /// The kind of a fact as the journal names it: `VoltageRead` is `voltage-read`.
    ///
    /// @throws IllegalArgumentException when no chapter has such a fact
    String kind(Fact fact) {
        return kinds.of(fact);
    }

    /// The cell a fact is about, for the file's index.
    static Optional<CellId> cell(Fact fact) {
        return switch (fact) {
            case CellFact ofCell -> Optional.of(ofCell.cell());
            case Amendment.EntryCorrected corrected -> cell(corrected.replacement());
            default -> Optional.empty();
        };
    }

    /// @throws IllegalArgumentException when no chapter has such a fact
    String body(Fact fact) {
        if (fact instanceof Amendment.EntryCorrected corrected) {
            ObjectNode body = json.createObjectNode().put("sequence", corrected.sequence());
            body.putObject("replacement")
                    .put("kind", kind(corrected.replacement()))
                    .set("body", json.valueToTree(corrected.replacement()));
            return json.writeValueAsString(body);
        }
        return json.writeValueAsString(fact);
    }

    /// @throws UnreadableFactException when kind or body is none that this program knows
    Fact fact(String kind, String body) {
        Class<? extends Fact> type =
                kinds.type(kind)
                        .orElseThrow(() ->
                                new UnreadableFactException(
                                        "kind \"" + kind + "\" is not known", null));
        try {
            if (type == Amendment.EntryCorrected.class) return corrected(json.readTree(body));
            // until format 3 a strike named its cell as well
            if (type == Amendment.EntryStruck.class) return struck(json.readTree(body));
            return Objects.requireNonNull(json.readValue(body, type));
        } catch (JacksonException | IllegalArgumentException | NullPointerException broken) {
            throw new UnreadableFactException(kind + " " + body, broken);
        }
    }

    private Fact corrected(JsonNode body) {
        JsonNode replacement = body.get("replacement");
        return new Amendment.EntryCorrected(
                body.get("sequence").asLong(),
                fact(replacement.get("kind").asString(), replacement.get("body").toString()));
    }

    private static Fact struck(JsonNode body) {
        return new Amendment.EntryStruck(
                body.get("sequence").asLong(), body.get("reason").asString());
    }

    private static final class AsText<T> extends ValueSerializer<T> {
        private final Class<T> type;
        private final Function<T, String> text;

        AsText(Class<T> type, Function<T, String> text) {
            this.type = type;
            this.text = text;
        }

        @Override
        public Class<?> handledType() {
            return type;
        }

        @Override
        public void serialize(T value, JsonGenerator out, SerializationContext context) {
            out.writeString(text.apply(value));
        }
    }

    private static final class FromText<T> extends ValueDeserializer<T> {
        private final Function<String, T> value;

        FromText(Function<String, T> value) {
            this.value = value;
        }

        @Override
        public T deserialize(JsonParser in, DeserializationContext context) {
            return value.apply(in.getString());
        }
    }

    private static final class CellIdKey extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            return new CellId(key);
        }
    }
}
