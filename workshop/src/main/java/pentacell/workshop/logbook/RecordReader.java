package pentacell.workshop.logbook;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;
import tools.jackson.databind.JsonNode;

/// Reads records from JSON, strictly: what is not optional must be there and of its own type, so
/// that a volt that was lost is never read as 0 V. Fields that the record does not have are passed
/// over; earlier formats wrote some.
///
/// A binding library would do this too, but takes each record apart at such length that the reading
/// of a journal was half of a start.
final class RecordReader {
    private static final Map<Class<?>, Function<String, ?>> TEXTS =
            Map.of(
                    String.class,
                    text -> text,
                    CellId.class,
                    CellId::new,
                    CellFormat.class,
                    text -> CellFormat.parse(text).orElseThrow(),
                    Place.class,
                    text -> Place.parse(text).orElseThrow(),
                    LocalDate.class,
                    LocalDate::parse,
                    Instant.class,
                    Instant::parse);

    private final Map<Class<?>, Shape> shapes = new HashMap<>();

    private record Part(String name, Type type) {}

    private record Shape(Constructor<?> constructor, List<Part> parts) {
        static Shape of(Class<?> type) {
            RecordComponent[] components = type.getRecordComponents();
            Class<?>[] types =
                    Arrays.stream(components)
                            .map(RecordComponent::getType)
                            .toArray(Class<?>[]::new);
            List<Part> parts = new ArrayList<>(components.length);
            for (RecordComponent each : components)
                parts.add(new Part(each.getName(), each.getGenericType()));
            try {
                return new Shape(type.getDeclaredConstructor(types), parts);
            } catch (NoSuchMethodException none) {
                throw new IllegalStateException(type + " has no canonical constructor", none);
            }
        }
    }

    /// The record a JSON object stands for.
    ///
    /// @throws UnreadableFactException when something is missing, of another type, or out of what
    ///   the record takes
    <T> T read(JsonNode node, Class<T> type) {
        if (!node.isObject()) throw new UnreadableFactException("it is no JSON object", null);
        Shape shape = shapes.computeIfAbsent(type, Shape::of);
        Object[] values = new Object[shape.parts().size()];
        for (int i = 0; i < values.length; i++) {
            Part part = shape.parts().get(i);
            values[i] = value(node.get(part.name()), part.type(), part.name());
        }
        try {
            return type.cast(shape.constructor().newInstance(values));
        } catch (InvocationTargetException refused) {
            Throwable cause = refused.getCause();
            throw new UnreadableFactException(
                    cause == null ? refused.toString() : String.valueOf(cause.getMessage()), cause);
        } catch (ReflectiveOperationException impossible) {
            throw new IllegalStateException(type + " cannot be made", impossible);
        }
    }

    private Object value(@Nullable JsonNode node, Type type, String name) {
        if (node == null || node.isNull()) return absent(type, name);
        if (type == OptionalDouble.class) return OptionalDouble.of(number(node, name));
        if (type == OptionalInt.class) return OptionalInt.of(whole(node, name));
        if (!(type instanceof ParameterizedType generic)) return one(node, (Class<?>) type, name);
        return generic.getRawType() == Optional.class
                ? Optional.of(value(node, generic.getActualTypeArguments()[0], name))
                : many(node, generic, name);
    }

    private static Object absent(Type type, String name) {
        if (type == OptionalDouble.class) return OptionalDouble.empty();
        if (type == OptionalInt.class) return OptionalInt.empty();
        if (type instanceof ParameterizedType generic && generic.getRawType() == Optional.class)
            return Optional.empty();
        throw new UnreadableFactException(name + " is missing", null);
    }

    private Object one(JsonNode node, Class<?> type, String name) {
        if (type == JsonNode.class) return node;
        if (type == double.class || type == Double.class) return number(node, name);
        if (type == int.class || type == Integer.class) return whole(node, name);
        if (type == boolean.class || type == Boolean.class) {
            if (node.isBoolean()) return node.booleanValue();
            throw wrong(node, name, "true or false");
        }
        if (type == long.class) {
            if (node.isIntegralNumber() && node.canConvertToLong()) return node.longValue();
            throw wrong(node, name, "a whole number");
        }
        if (type.isRecord() && !TEXTS.containsKey(type)) return read(node, type);
        if (!node.isString()) throw wrong(node, name, "a text");
        return text(node.stringValue(), type, name);
    }

    private static Object text(String text, Class<?> type, String name) {
        try {
            if (type == Integer.class) return Integer.valueOf(text);
            Function<String, ?> maker = TEXTS.get(type);
            if (maker != null) return maker.apply(text);
            return Arrays.stream(type.getEnumConstants())
                    .filter(each -> ((Enum<?>) each).name().equals(text))
                    .findFirst()
                    .orElseThrow();
        } catch (RuntimeException unknown) {
            throw new UnreadableFactException(
                    "%s is \"%s\", which this program does not know".formatted(name, text),
                    unknown);
        }
    }

    private Object many(JsonNode node, ParameterizedType type, String name) {
        Type[] of = type.getActualTypeArguments();
        Class<?> raw = (Class<?>) type.getRawType();
        if (raw == List.class || raw == Set.class) {
            if (!node.isArray()) throw wrong(node, name, "a list");
            List<Object> values = new ArrayList<>(node.size());
            for (JsonNode each : node) values.add(value(each, of[0], name));
            return raw == List.class ? values : new LinkedHashSet<>(values);
        }
        if (!node.isObject()) throw wrong(node, name, "an object");
        Map<Object, Object> values =
                raw == SortedMap.class ? new TreeMap<>() : new LinkedHashMap<>();
        for (Map.Entry<String, JsonNode> each : node.properties())
            values.put(
                    text(each.getKey(), (Class<?>) of[0], name),
                    value(each.getValue(), of[1], name));
        return values;
    }

    private static double number(JsonNode node, String name) {
        if (node.isNumber() && Double.isFinite(node.doubleValue())) return node.doubleValue();
        throw wrong(node, name, "a number");
    }

    private static int whole(JsonNode node, String name) {
        if (node.isIntegralNumber() && node.canConvertToInt()) return node.intValue();
        throw wrong(node, name, "a whole number");
    }

    private static UnreadableFactException wrong(JsonNode node, String name, String wanted) {
        return new UnreadableFactException("%s is %s, not %s".formatted(name, node, wanted), null);
    }
}
