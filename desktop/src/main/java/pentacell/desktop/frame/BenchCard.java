package pentacell.desktop.frame;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/// The help of every station, read from the handbook's own page so that there is one text of it.
///
/// @param pages by the name of the station, and one for what holds everywhere
record BenchCard(Map<String, Page> pages) {
    /// The page of what holds at every station.
    static final String EVERYWHERE = "Everywhere";

    /// The help of a station.
    ///
    /// @param purpose what it is for
    /// @param lines what can be typed or pressed, and what it does
    record Page(String purpose, List<Line> lines) {}

    /// Something to type or press.
    record Line(String what, String does) {}

    /// A line of the card that can be looked for.
    record Topic(String station, String words) {}

    /// Everything on the card that can be looked for.
    List<Topic> topics() {
        List<Topic> topics = new ArrayList<>();
        pages.forEach((station, page) -> {
            topics.add(new Topic(station, "Help: %s. %s".formatted(station, page.purpose())));
            page.lines()
                    .forEach(line ->
                            topics.add(
                                    new Topic(
                                            station,
                                            "Help: %s   %s (%s)"
                                                    .formatted(
                                                            line.what(), line.does(), station))));
        });
        return topics;
    }

    /// The card that comes with the program.
    static BenchCard read() {
        try (BufferedReader reader =
                new BufferedReader(
                        new InputStreamReader(
                                Objects.requireNonNull(
                                        BenchCard.class.getResourceAsStream(
                                                "/pentacell/handbook/bench-card.md")),
                                StandardCharsets.UTF_8))) {
            return of(reader.lines().toList());
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    /// Reads headings of the second level, their first paragraph, and lists whose items begin with
    /// what is to be typed.
    static BenchCard of(List<String> text) {
        Map<String, Page> pages = new LinkedHashMap<>();
        String name = "";
        String purpose = "";
        List<Line> lines = new ArrayList<>();
        for (String line : text) {
            if (line.startsWith("## ")) {
                if (!name.isEmpty()) pages.put(name, new Page(purpose, List.copyOf(lines)));
                name = line.substring(3).strip();
                purpose = "";
                lines.clear();
            } else if (line.startsWith("- `")) {
                int end = line.indexOf('`', 3);
                lines.add(
                        new Line(
                                line.substring(3, end),
                                line.substring(end + 1).replace("`", "").strip()));
            } else if (!name.isEmpty() && !line.isBlank()) purpose = (purpose + " " + line).strip();
        }
        if (!name.isEmpty()) pages.put(name, new Page(purpose, List.copyOf(lines)));
        return new BenchCard(pages);
    }

    Page page(String name) {
        return pages.getOrDefault(name, new Page("", List.of()));
    }
}
