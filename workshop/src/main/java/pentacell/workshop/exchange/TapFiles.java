package pentacell.workshop.exchange;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.TreeMap;
import pentacell.core.build.BuildFindingWords;
import pentacell.core.build.TapFault;
import pentacell.core.build.TapVerdict;
import pentacell.workshop.exchange.CellTable.Problem;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Readings of a balance plug as a table: `lead,volts`, and what they say as a file.
public final class TapFiles {
    private TapFiles() {}

    /// Readings of a plug.
    ///
    /// @param volts of the leads 0 to S, in V; empty where nothing was read
    public record Readings(List<OptionalDouble> volts, List<Problem> problems) {
        public Readings {
            volts = List.copyOf(volts);
            problems = List.copyOf(problems);
        }
    }

    private record Reading(int lead, OptionalDouble volts) {}

    /// Reads a table; a lead that is missing in it reads nothing.
    ///
    /// @param series groups of the pack
    public static Readings read(Path file, int series) {
        NamedTable.Read<Reading> read = NamedTable.read(file, TapFiles::line);
        List<Problem> problems = new ArrayList<>(read.problems());
        TreeMap<Integer, OptionalDouble> leads = new TreeMap<>();
        String name = String.valueOf(file.getFileName());
        for (Reading each : read.values()) {
            if (each.lead() > series)
                problems.add(
                        new Problem(
                                name,
                                0,
                                "lead %d: the plug of %dS has leads 0 to %d"
                                        .formatted(each.lead(), series, series)));
            else if (leads.putIfAbsent(each.lead(), each.volts()) != null)
                problems.add(new Problem(name, 0, "lead %d is there twice".formatted(each.lead())));
        }
        boolean isAnyRead = leads.values().stream().anyMatch(OptionalDouble::isPresent);
        if (problems.isEmpty() && !isAnyRead)
            problems.add(
                    new Problem(name, 0, "no lead has a reading; expected columns lead and volts"));
        List<OptionalDouble> volts =
                new ArrayList<>(Collections.nCopies(series + 1, OptionalDouble.empty()));
        leads.forEach(volts::set);
        return new Readings(volts, problems);
    }

    private static Reading line(NamedTable.Line line) throws NamedTable.BadLine {
        String lead = line.required("a lead's position from 0", "lead", "tap", "pin", "position");
        if (!lead.matches("\\d{1,3}"))
            throw new NamedTable.BadLine(
                    "column \"lead\": \"" + lead + "\" is not a position from 0");
        line.onlyOneOf("volts", "v", "voltage", "voltage_v", "voltage_mv", "mv");
        OptionalDouble millivolts = line.number("a voltage in mV", "voltage_mv", "mv");
        OptionalDouble volts = line.number("a voltage in V", "volts", "v", "voltage", "voltage_v");
        return new Reading(
                Integer.parseInt(lead),
                millivolts.isPresent()
                        ? OptionalDouble.of(millivolts.getAsDouble() / 1000)
                        : volts);
    }

    /// What the readings say.
    public static String json(TapVerdict verdict) {
        ObjectNode json = Json.object();
        json.put("safeToPlugIn", verdict.isSafeToPlugIn());
        ArrayNode faults = json.putArray("faults");
        for (TapFault each : verdict.faults()) {
            ObjectNode fault = faults.addObject();
            fault.put("kind", each.kind().code());
            if (!each.leads().isEmpty()) each.leads().forEach(fault.putArray("leads")::add);
            if (!each.groups().isEmpty()) each.groups().forEach(fault.putArray("groups")::add);
            fault.put("sentence", BuildFindingWords.sentence(each));
        }
        return Json.text(json);
    }
}
