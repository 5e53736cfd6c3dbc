package pentacell.workshop.logbook;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;
import pentacell.core.journal.Act;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.journal.Origin;
import pentacell.core.state.Chapter;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Facts as rows of the journal: a kind such as `voltage-read` and a JSON body.
final class FactCodec {
    private final FactKinds kinds;
    private final RecordReader reader = new RecordReader();
    private final JsonMapper json = new JsonMapper();
    private @Nullable JsonMapper writer;

    FactCodec(List<Chapter<?>> chapters) {
        kinds = new FactKinds(chapters);
    }

    /// The kind of a fact as the journal names it, such as `voltage-read`.
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
                    .set("body", writer().valueToTree(corrected.replacement()));
            return json.writeValueAsString(body);
        }
        return writer().writeValueAsString(fact);
    }

    /// An act as it stands in a file.
    ///
    /// @param seals of the runs that end with it
    /// @throws IllegalArgumentException when no chapter has one of its facts
    RawAct raw(Act act, List<CurveSeal> seals) {
        return new RawAct(
                act.number(),
                act.at().toString(),
                act.words(),
                act.entries().stream()
                        .map(entry ->
                                new RawFact(
                                        entry.sequence(),
                                        kind(entry.fact()),
                                        cell(entry.fact()).map(CellId::text).orElse(null),
                                        body(entry.fact()),
                                        code(entry.origin())))
                        .toList(),
                seals.isEmpty() ? null : CurveSeal.text(seals));
    }

    private static @Nullable String code(Origin origin) {
        return origin == Origin.UNKNOWN ? null : origin.code();
    }

    // made when something is written, for an opening only reads
    private JsonMapper writer() {
        JsonMapper made = writer;
        if (made == null) {
            made =
                    JsonMapper.builder()
                            .addModule(
                                    new SimpleModule("pentacell")
                                            .addSerializer(new AsText<>(CellId.class, CellId::text))
                                            .addSerializer(
                                                    new AsText<>(
                                                            CellFormat.class, CellFormat::code))
                                            .addSerializer(
                                                    new AsText<>(Place.class, Place::toString)))
                            .build();
            writer = made;
        }
        return made;
    }

    /// @throws UnreadableFactException when kind or body is none that this program knows; says what
    ///   is wrong with it
    Fact fact(String kind, String body) {
        try {
            return fact(kind, json.readTree(body));
        } catch (JacksonException broken) {
            throw new UnreadableFactException(kind + ": what it says is not JSON", broken);
        }
    }

    /// A body with the names of every object in order.
    String canonical(String body) {
        return json.writeValueAsString(ordered(json.readTree(body)));
    }

    /// The kind and the ordered body of what a correction puts in the place of another fact.
    String canonicalReplacement(String body) {
        Replacement replacement = reader.read(json.readTree(body), Correction.class).replacement();
        return replacement.kind() + " " + json.writeValueAsString(ordered(replacement.body()));
    }

    private JsonNode ordered(JsonNode node) {
        if (node.isArray()) {
            ArrayNode list = json.createArrayNode();
            for (JsonNode each : node) list.add(ordered(each));
            return list;
        }
        if (!node.isObject()) return node;
        ObjectNode object = json.createObjectNode();
        node.propertyNames().stream()
                .sorted()
                .forEach(name -> object.set(name, ordered(node.get(name))));
        return object;
    }

    /// Reads an entry from its row.
    ///
    /// @throws UnreadableFactException when this program knows no such kind, body or origin; says
    ///   what is wrong with it
    Entry entry(RawFact raw) {
        Fact fact = fact(raw.kind(), raw.body());
        String origin = raw.origin();
        if (origin == null) return new Entry(raw.sequence(), fact, Origin.UNKNOWN);
        return new Entry(
                raw.sequence(),
                fact,
                Origin.of(origin)
                        .orElseThrow(() ->
                                new UnreadableFactException(
                                        raw.kind()
                                                + ": its origin is “"
                                                + origin
                                                + "”, which is none",
                                        null)));
    }

    private Fact fact(String kind, JsonNode body) {
        Class<? extends Fact> type =
                kinds.type(kind).orElseThrow(() -> new UnknownKindException(kind));
        try {
            if (type != Amendment.EntryCorrected.class) return reader.read(body, type);
            Correction written = reader.read(body, Correction.class);
            return new Amendment.EntryCorrected(
                    written.sequence(),
                    fact(written.replacement().kind(), written.replacement().body()));
        } catch (UnreadableFactException wrong) {
            throw new UnreadableFactException(kind + ": " + wrong.getMessage(), wrong);
        }
    }

    // as it is written, with the kind of what it holds
    record Correction(long sequence, Replacement replacement) {}

    record Replacement(String kind, JsonNode body) {}

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
}
