package pentacell.workshop.exchange;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import pentacell.workshop.exchange.CellTable.Problem;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// JSON that somebody hands to a command, read strictly: no name twice, nothing behind the end, no
/// depth and no number beyond reason. What is wrong is told with its line and column, and with the
/// path of the value, such as `cells[3].volts`.
final class JsonFile {
    /// A file may be so large, in bytes: 4,000 cells with all their conductors take a tenth of it.
    static final int LARGEST = 32 << 20;

    private static final int DEEPEST = 50;
    private static final int LONGEST_NUMBER = 100;
    private static final int SHOWN = 60;
    private static final int MOST_PROBLEMS = 20;

    private static final JsonMapper STRICT =
            JsonMapper.builder(
                            JsonFactory.builder()
                                    .streamReadConstraints(
                                            StreamReadConstraints.builder()
                                                    .maxNestingDepth(DEEPEST)
                                                    .maxNumberLength(LONGEST_NUMBER)
                                                    .build())
                                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                                    .build())
                    .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
                    .build();

    private final String name;
    private final List<Problem> problems = new ArrayList<>();
    private byte[] bytes = {};

    /// @param name what the file is called in messages
    JsonFile(String name) {
        this.name = name;
    }

    /// What is wrong so far.
    List<Problem> problems() {
        return List.copyOf(problems);
    }

    /// Reads a file; empty after complaining.
    Optional<JsonNode> read(Path file) {
        try {
            if (Files.isDirectory(file)) throw new IOException("is a folder");
            try (InputStream in = Files.newInputStream(file)) {
                bytes = in.readNBytes(LARGEST + 1);
            }
            if (bytes.length > LARGEST)
                throw new IOException(
                        "is larger than %d MiB, which is the limit".formatted(LARGEST >> 20));
            JsonNode root = STRICT.readTree(bytes);
            if (root == null || root.isMissingNode()) throw new IOException("is empty");
            return Optional.of(root);
        } catch (NoSuchFileException missing) {
            problems.add(new Problem(name, 0, "there is no such file"));
        } catch (IOException unreadable) {
            problems.add(new Problem(name, 0, "cannot be read: " + unreadable.getMessage()));
        } catch (JacksonException broken) {
            problems.add(
                    placed(
                            broken.getLocation() == null ? end() : broken.getLocation(),
                            "is not JSON: " + shortened(broken.getOriginalMessage())));
        }
        return Optional.empty();
    }

    /// Says what is wrong with a value.
    ///
    /// @param path such as `cells[3].volts`; of a value that is missing, where it should be
    void complain(String path, String sentence) {
        if (problems.size() >= MOST_PROBLEMS) return;
        String words = path.isEmpty() ? sentence : path + ": " + sentence;
        problems.add(
                bytes.length == 0 ? new Problem(name, 0, words) : placed(location(path), words));
    }

    private Problem placed(@Nullable TokenStreamLocation at, String words) {
        return at == null || at.getLineNr() < 1
                ? new Problem(name, 0, words)
                : new Problem(
                        name,
                        at.getLineNr(),
                        "column %d: %s".formatted(Math.max(1, at.getColumnNr()), words));
    }

    /// How far it can be read.
    private TokenStreamLocation end() {
        JsonParser parser = STRICT.createParser(bytes);
        try (parser) {
            while (parser.nextToken() != null) {
                // goes on until it breaks
            }
        } catch (JacksonException broken) {
            // that is the place
        }
        return parser.currentLocation();
    }

    /// Where a value is; for one that is missing, where the last part of its path is.
    private @Nullable TokenStreamLocation location(String path) {
        TokenStreamLocation found = null;
        Deque<Step> steps = new ArrayDeque<>();
        String pending = "";
        try (JsonParser parser = STRICT.createParser(bytes)) {
            for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
                if (token == JsonToken.PROPERTY_NAME) {
                    pending = String.valueOf(parser.currentName());
                    continue;
                }
                if (token.isStructEnd()) {
                    steps.pop();
                    continue;
                }
                Step parent = steps.peek();
                String here = parent == null ? "" : parent.child(pending);
                if (here.equals(path)) return parser.currentTokenLocation();
                if (isAbove(here, path)) found = parser.currentTokenLocation();
                if (token.isStructStart())
                    steps.push(new Step(here, token == JsonToken.START_ARRAY));
            }
        } catch (JacksonException broken) {
            // it was read before
        }
        return found;
    }

    private static boolean isAbove(String here, String path) {
        return here.isEmpty()
                || path.startsWith(here)
                        && (path.charAt(here.length()) == '.' || path.charAt(here.length()) == '[');
    }

    /// An object or a list on the way to a value.
    private static final class Step {
        private final String path;
        private final boolean isList;
        private int children;

        Step(String path, boolean isList) {
            this.path = path;
            this.isList = isList;
        }

        String child(String name) {
            if (isList) return "%s[%d]".formatted(path, children++);
            return path.isEmpty() ? name : path + "." + name;
        }
    }

    /// The number of a value that need not be there; empty also after complaining.
    ///
    /// @param path of the object it belongs to, empty for the whole file
    OptionalDouble number(JsonNode node, String path, String field, Range range) {
        JsonNode value = node.get(field);
        if (value == null || value.isNull()) return OptionalDouble.empty();
        double number = value.isNumber() ? value.asDouble() : Double.NaN;
        if (range.holds(number)) return OptionalDouble.of(number);
        complain(
                at(path, field),
                "expected %s, was %s".formatted(range.words(), shortened(value.toString())));
        return OptionalDouble.empty();
    }

    /// The path of a field.
    static String at(String path, String field) {
        return path.isEmpty() ? field : path + "." + field;
    }

    static String shortened(String text) {
        String plain = text.replaceAll("\\p{Cntrl}", "�");
        return plain.length() <= SHOWN ? plain : plain.substring(0, SHOWN) + "…";
    }

    /// What a number may be.
    ///
    /// @param words what is expected
    record Range(double least, double most, String words) {
        /// Nothing in this trade is measured in more than that.
        private static final double MOST = 1e9;

        private static final double LEAST = 1e-9;

        static final Range ANY = new Range(-MOST, MOST, "a number");
        static final Range FROM_ZERO = new Range(0, MOST, "a number from 0 on");
        static final Range OVER_ZERO = new Range(LEAST, MOST, "a number over 0");

        boolean holds(double number) {
            // what is next to nothing was not meant, and divides into infinity
            boolean isMeant = number == 0 || Math.abs(number) >= LEAST;
            return isMeant && number >= least && number <= most;
        }
    }
}
