package pentacell.workshop.exchange;

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
import pentacell.workshop.exchange.JsonFile.Range;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// The cells and conductors of a pack as a file, and what flows in them.
public final class LayoutJson {
    private static final int DIGITS = 6;
    private static final int MOST_HOT = 50;
    private static final Range LAYERS = new Range(1, 1000, "a number of layers, 1 to 1000");

    private final JsonFile file;
    private final double celsius;

    private LayoutJson(JsonFile file, double celsius) {
        this.file = file;
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
    public static Read read(Path named, double celsius) {
        JsonFile file = new JsonFile(String.valueOf(named.getFileName()));
        Optional<Layout> layout =
                file.read(named).map(root -> new LayoutJson(file, celsius).layout(root));
        return file.problems().isEmpty()
                ? new Read(layout, List.of())
                : new Read(Optional.empty(), file.problems());
    }

    private Layout layout(JsonNode root) {
        List<Network.Cell> cells = new ArrayList<>();
        List<Network.Wire> wires = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        each(
                root,
                "cells",
                (path, node) -> {
                    Network.Cell cell = cell(path, node);
                    if (!ids.add(cell.id()))
                        file.complain(
                                path, "two cells are called " + JsonFile.shortened(cell.id()));
                    cells.add(cell);
                });
        ids.clear();
        each(
                root,
                "conductors",
                (path, node) -> {
                    Network.Wire wire = wire(path, node);
                    if (!ids.add(wire.id()))
                        file.complain(
                                path, "two conductors are called " + JsonFile.shortened(wire.id()));
                    wires.add(wire);
                });
        String[] terminals = {"", ""};
        JsonNode said = root.get("terminals");
        if (said == null || !said.isObject())
            file.complain("terminals", "is missing; expected {\"positive\": …, \"negative\": …}");
        else
            keep(
                    "terminals",
                    () -> {
                        terminals[0] = text(said, "positive");
                        terminals[1] = text(said, "negative");
                    });
        return new Layout(cells, wires, terminals[0], terminals[1]);
    }

    private interface Part {
        void read(String path, JsonNode node);
    }

    private void each(JsonNode root, String name, Part part) {
        JsonNode list = root.get(name);
        if (list == null || !list.isArray()) {
            file.complain(name, "is missing; expected a list […]");
            return;
        }
        for (int i = 0; i < list.size(); i++) {
            String path = "%s[%d]".formatted(name, i);
            JsonNode node = list.get(i);
            keep(path, () -> part.read(path, node));
        }
    }

    private void keep(String path, Runnable reading) {
        try {
            reading.run();
        } catch (IllegalArgumentException wrong) {
            file.complain(path, String.valueOf(wrong.getMessage()));
        } catch (Complained said) {
            // the part is left out
        }
    }

    /// A value of a part is wrong, and that was said.
    private static final class Complained extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    private Network.Cell cell(String path, JsonNode node) {
        return new Network.Cell(
                text(node, "id"),
                text(node, "positive"),
                text(node, "negative"),
                required(path, node, "volts", Range.ANY),
                required(path, node, "milliohms", Range.OVER_ZERO) / 1000);
    }

    private Network.Wire wire(String path, JsonNode node) {
        String id = text(node, "id");
        String from = text(node, "from");
        String to = text(node, "to");
        OptionalDouble milliohms = file.number(node, path, "milliohms", Range.FROM_ZERO);
        if (milliohms.isPresent() && !node.hasNonNull("material"))
            return new Network.Wire(
                    id, from, to, milliohms.getAsDouble() / 1000, OptionalDouble.empty());
        String named = text(node, "material");
        Material material =
                Material.parse(named)
                        .orElseThrow(() ->
                                new IllegalArgumentException(
                                        "material is copper, nickel, plated-steel or aluminium, was \"%s\""
                                                .formatted(JsonFile.shortened(named))));
        double layers = file.number(node, path, "layers", LAYERS).orElse(1);
        Conductor conductor =
                new Conductor(
                        material,
                        section(path, node),
                        required(path, node, "lengthMillimetres", Range.OVER_ZERO) / 1000,
                        (int) layers);
        double ohms =
                milliohms.isPresent() ? milliohms.getAsDouble() / 1000 : conductor.ohms(celsius);
        return new Network.Wire(id, from, to, ohms, OptionalDouble.of(conductor.allowed().amps()));
    }

    private Section section(String path, JsonNode node) {
        OptionalDouble area = file.number(node, path, "areaSquareMillimetres", Range.OVER_ZERO);
        if (area.isPresent()) return new Section.Area(area.getAsDouble());
        JsonNode gauge = node.get("awg");
        if (gauge != null && !gauge.isNull()) return Section.Round.ofAwg(gauge(gauge));
        OptionalDouble diameter = file.number(node, path, "diameterMillimetres", Range.OVER_ZERO);
        if (diameter.isPresent()) return new Section.Round(diameter.getAsDouble());
        return new Section.Strip(
                required(path, node, "widthMillimetres", Range.OVER_ZERO),
                required(path, node, "thicknessMillimetres", Range.OVER_ZERO));
    }

    private static int gauge(JsonNode node) {
        if (node.isIntegralNumber()) return node.intValue();
        String text = node.asString("");
        if (text.matches("[2-4]/0")) return '1' - text.charAt(0);
        if (text.matches("\\d{1,2}")) return Integer.parseInt(text);
        throw new IllegalArgumentException(
                "awg is a gauge such as 12 or \"2/0\", was " + JsonFile.shortened(node.toString()));
    }

    /// A name; numbers are names as well.
    private static String text(JsonNode node, String name) {
        JsonNode value = node.get(name);
        if (value == null || value.isNull() || value.isContainer())
            throw new IllegalArgumentException(name + " is missing; expected a name");
        return value.asString("");
    }

    private double required(String path, JsonNode node, String name, Range range) {
        boolean isMissing = node.get(name) == null || node.get(name).isNull();
        if (isMissing)
            throw new IllegalArgumentException(name + " is missing; expected " + range.words());
        return file.number(node, path, name, range).orElseThrow(Complained::new);
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
