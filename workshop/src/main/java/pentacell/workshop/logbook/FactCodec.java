package pentacell.workshop.logbook;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;
import pentacell.core.fact.CellFact;
import pentacell.core.fact.DonorFact;
import pentacell.core.fact.Fact;
import pentacell.core.fact.PackFact;
import pentacell.core.fact.RunFact;
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
    /// A new kind of fact is added here, and nowhere else in this module.
    private static final List<Class<? extends Fact>> KINDS =
            List.of(
                    Fact.ModelDefined.class,
                    Fact.DonorAdded.class,
                    Fact.TrayAdded.class,
                    Fact.LotAdded.class,
                    Fact.BandsChosen.class,
                    Fact.RepairChosen.class,
                    Fact.NewCellPriced.class,
                    Fact.TestChosen.class,
                    Fact.HoldChosen.class,
                    Fact.InstrumentAdded.class,
                    Fact.InstrumentRemoved.class,
                    Fact.BayUseSet.class,
                    Fact.BenchHoursSet.class,
                    Fact.FileImported.class,
                    Fact.EntryCorrected.class,
                    Fact.EntryStruck.class,
                    Fact.ActUndone.class,
                    Fact.ActRedone.class,
                    CellFact.CellNamed.class,
                    CellFact.CellPlaced.class,
                    CellFact.VoltageRead.class,
                    CellFact.ResistanceRead.class,
                    CellFact.CapacityMeasured.class,
                    CellFact.BlemishesSeen.class,
                    CellFact.PrepDone.class,
                    CellFact.LabelPrinted.class,
                    CellFact.HandedOver.class,
                    CellFact.CellNoted.class,
                    CellFact.CellDecided.class,
                    RunFact.RunStarted.class,
                    RunFact.RunEnded.class,
                    RunFact.CapacityCorrected.class,
                    RunFact.HeatSeen.class,
                    RunFact.CurveOdd.class,
                    RunFact.HoldBegan.class,
                    RunFact.ReferenceChosen.class,
                    DonorFact.GroupsRead.class,
                    DonorFact.PackVoltageRead.class,
                    DonorFact.OutputVoltageRead.class,
                    DonorFact.SignsSeen.class,
                    DonorFact.GroupCharged.class,
                    DonorFact.StepChecked.class,
                    DonorFact.MinutesSpent.class,
                    DonorFact.PartSaved.class,
                    DonorFact.WayDecided.class,
                    PackFact.GroupsMatched.class,
                    PackFact.CellsSwapped.class,
                    PackFact.CellLock.class,
                    PackFact.CellPicked.class);

    private static final Map<String, Class<? extends Fact>> BY_KIND = new HashMap<>();

    static {
        for (Class<? extends Fact> type : KINDS) BY_KIND.put(kind(type), type);
    }

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

    /// The kind of a fact as the journal names it: `VoltageRead` is `voltage-read`.
    static String kind(Class<? extends Fact> type) {
        return type.getSimpleName().replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
    }

    String body(Fact fact) {
        if (fact instanceof Fact.EntryCorrected corrected) {
            ObjectNode body = json.createObjectNode().put("sequence", corrected.sequence());
            body.putObject("replacement")
                    .put("kind", kind(corrected.replacement().getClass()))
                    .set("body", json.valueToTree(corrected.replacement()));
            return json.writeValueAsString(body);
        }
        return json.writeValueAsString(fact);
    }

    /// @throws UnreadableFactException when kind or body is none that this program knows
    Fact fact(String kind, String body) {
        Class<? extends Fact> type = BY_KIND.get(kind);
        if (type == null)
            throw new UnreadableFactException("kind \"" + kind + "\" is not known", null);
        try {
            if (type != Fact.EntryCorrected.class)
                return Objects.requireNonNull(json.readValue(body, type));
            JsonNode node = json.readTree(body);
            JsonNode replacement = node.get("replacement");
            return new Fact.EntryCorrected(
                    node.get("sequence").asLong(),
                    (CellFact)
                            fact(
                                    replacement.get("kind").asString(),
                                    replacement.get("body").toString()));
        } catch (JacksonException
                | IllegalArgumentException
                | ClassCastException
                | NullPointerException broken) {
            throw new UnreadableFactException(kind + " " + body, broken);
        }
    }

    private static final class AsText<T> extends ValueSerializer<T> {
        private final Class<T> type;
        private final java.util.function.Function<T, String> text;

        AsText(Class<T> type, java.util.function.Function<T, String> text) {
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
        private final java.util.function.Function<String, T> value;

        FromText(java.util.function.Function<String, T> value) {
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
