package pentacell.workshop.exchange;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import pentacell.core.circuit.Network;
import pentacell.core.conductor.Conductor;
import pentacell.core.conductor.Material;
import pentacell.core.conductor.Section;
import pentacell.workshop.exchange.CellTable.Problem;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// The cells and conductors of a pack as a file, and what flows in them.
public final class LayoutJson {
    private static final int DIGITS = 6;
    private static final int MOST_HOT = 50;

    private final String fileName;
    private final double celsius;
    private final List<Problem> problems = new ArrayList<>();

    private LayoutJson(String fileName, double celsius) {
        this.fileName = fileName;
        this.celsius = celsius;
    }

    /// A layout as it was read.
    ///
    /// @param layout empty when something is wrong
    /// @param problems what is wrong, with its place in the file
    public record Read(Optional<Layout> layout, List<Problem> problems) {}

    /// A pack's cells and conductors between nodes.
    public record Layout(
            List<Network.Cell> cells, List<Network.Wire> wires, String positive, String negative) {}

    /// Reads a layout.
    ///
    /// @param celsius of the conductors whose material is named
    public static Read read(Path file, double celsius) {
        LayoutJson reader = new LayoutJson(String.valueOf(file.getFileName()), celsius);
        Optional<Layout> layout = Optional.empty();
        try {
            JsonNode root = JsonMapper.shared().readTree(Files.readString(file));
            layout = Optional.of(reader.layout(root));
        } catch (IOException unreadable) {
            reader.complain("", "cannot be read: " + unreadable.getMessage());
        } catch (JacksonException broken) {
            reader.problems.add(
                    new Problem(
                            reader.fileName,
                            Math.max(0, broken.getLocation().getLineNr()),
                            "is not JSON: " + broken.getOriginalMessage()));
        }
        return reader.problems.isEmpty()
                ? new Read(layout, List.of())
                : new Read(Optional.empty(), List.copyOf(reader.problems));
    }

    private Layout layout(JsonNode root) {
        List<Network.Cell> cells = new ArrayList<>();
        List<Network.Wire> wires = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        for (JsonNode each : list(root, "cells")) {
            String place = "cells[%d].".formatted(cells.size() + problems.size());
            keep(place, () -> cells.add(cell(each)));
        }
        for (Network.Cell each : cells)
            if (!ids.add(each.id())) complain("cells", "two cells are called " + each.id());
        for (JsonNode each : list(root, "conductors")) {
            String place = "conductors[%d].".formatted(wires.size() + problems.size());
            keep(place, () -> wires.add(wire(each)));
        }
        ids.clear();
        for (Network.Wire each : wires)
            if (!ids.add(each.id()))
                complain("conductors", "two conductors are called " + each.id());
        JsonNode terminals = root.get("terminals");
        if (terminals == null || !terminals.isObject()) {
            complain("terminals", "is missing; expected {\"positive\": …, \"negative\": …}");
            return new Layout(cells, wires, "", "");
        }
        return new Layout(cells, wires, text(terminals, "positive"), text(terminals, "negative"));
    }

    private void keep(String place, Runnable reading) {
        try {
            reading.run();
        } catch (IllegalArgumentException wrong) {
            complain(place.substring(0, place.length() - 1), String.valueOf(wrong.getMessage()));
        }
    }

    private Network.Cell cell(JsonNode node) {
        return new Network.Cell(
                text(node, "id"),
                text(node, "positive"),
                text(node, "negative"),
                required(node, "volts"),
                required(node, "milliohms") / 1000);
    }

    private Network.Wire wire(JsonNode node) {
        String id = text(node, "id");
        String from = text(node, "from");
        String to = text(node, "to");
        OptionalDouble milliohms = optional(node, "milliohms");
        if (milliohms.isPresent() && !node.hasNonNull("material"))
            return new Network.Wire(
                    id, from, to, milliohms.getAsDouble() / 1000, OptionalDouble.empty());
        String named = text(node, "material");
        Material material =
                Material.parse(named)
                        .orElseThrow(() ->
                                new IllegalArgumentException(
                                        "material is copper, nickel, plated-steel or aluminium, was \"%s\""
                                                .formatted(named)));
        double layers = optional(node, "layers").orElse(1);
        Conductor conductor =
                new Conductor(
                        material,
                        section(node),
                        required(node, "lengthMillimetres") / 1000,
                        (int) layers);
        double ohms =
                milliohms.isPresent() ? milliohms.getAsDouble() / 1000 : conductor.ohms(celsius);
        return new Network.Wire(id, from, to, ohms, OptionalDouble.of(conductor.allowed().amps()));
    }

    private Section section(JsonNode node) {
        OptionalDouble area = optional(node, "areaSquareMillimetres");
        if (area.isPresent()) return new Section.Area(area.getAsDouble());
        JsonNode gauge = node.get("awg");
        if (gauge != null && !gauge.isNull()) return Section.Round.ofAwg(gauge(gauge));
        OptionalDouble diameter = optional(node, "diameterMillimetres");
        if (diameter.isPresent()) return new Section.Round(diameter.getAsDouble());
        return new Section.Strip(
                required(node, "widthMillimetres"), required(node, "thicknessMillimetres"));
    }

    private static int gauge(JsonNode node) {
        if (node.isIntegralNumber()) return node.intValue();
        String text = node.asString("");
        if (text.matches("[2-4]/0")) return '1' - text.charAt(0);
        if (text.matches("\\d{1,2}")) return Integer.parseInt(text);
        throw new IllegalArgumentException("awg is a gauge such as 12 or \"2/0\", was " + node);
    }

    private List<JsonNode> list(JsonNode root, String name) {
        JsonNode child = root.get(name);
        if (child == null || !child.isArray()) {
            complain(name, "is missing; expected a list […]");
            return List.of();
        }
        List<JsonNode> all = new ArrayList<>();
        child.forEach(all::add);
        return all;
    }

    /// A name; numbers are names as well.
    private static String text(JsonNode node, String name) {
        JsonNode value = node.get(name);
        if (value == null || value.isNull() || value.isContainer())
            throw new IllegalArgumentException(name + " is missing; expected a name");
        return value.asString("");
    }

    private static double required(JsonNode node, String name) {
        return optional(node, name)
                .orElseThrow(() ->
                        new IllegalArgumentException(name + " is missing; expected a number"));
    }

    private static OptionalDouble optional(JsonNode node, String name) {
        JsonNode value = node.get(name);
        if (value == null || value.isNull()) return OptionalDouble.empty();
        if (value.isNumber() && Double.isFinite(value.asDouble()))
            return OptionalDouble.of(value.asDouble());
        throw new IllegalArgumentException("%s: expected a number, was %s".formatted(name, value));
    }

    private void complain(String field, String sentence) {
        problems.add(
                new Problem(fileName, 0, field.isEmpty() ? sentence : field + ": " + sentence));
    }

    /// What flows, as a file.
    public static String json(Layout layout, Network.Flow flow) {
        ObjectNode json = Json.object();
        Json.put(json, "terminalVolts", flow.terminalVolts(), DIGITS);
        ObjectNode cells = json.putObject("cellAmps");
        for (int i = 0; i < layout.cells().size(); i++)
            Json.put(cells, layout.cells().get(i).id(), flow.cellAmps().get(i), DIGITS);
        ObjectNode wires = json.putObject("conductorAmps");
        for (int i = 0; i < layout.wires().size(); i++)
            Json.put(wires, layout.wires().get(i).id(), flow.wireAmps().get(i), DIGITS);
        ObjectNode nodes = json.putObject("nodeVolts");
        flow.nodeVolts().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(entry -> Json.put(nodes, entry.getKey(), entry.getValue(), DIGITS));
        Json.put(json, "worstCellShare", flow.worstShare(), DIGITS);
        ArrayNode hottest = json.putArray("hottest");
        Network.hottest(layout.wires(), flow).stream()
                .limit(MOST_HOT)
                .forEach(each -> {
                    ObjectNode hot = hottest.addObject();
                    hot.put("id", each.id());
                    Json.put(hot, "amps", each.amps(), DIGITS);
                    Json.put(hot, "watts", each.watts(), DIGITS);
                    Json.put(hot, "ampsAllowed", each.ampsAllowed(), DIGITS);
                });
        return Json.text(json);
    }
}
