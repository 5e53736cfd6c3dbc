package pentacell.workshop.exchange;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.Candidate;
import pentacell.core.plan.CellSupply;
import pentacell.core.plan.NeedLine;
import pentacell.core.plan.facts.Board;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Charger;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.Losses;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Window;
import pentacell.workshop.exchange.CellTable.Problem;
import pentacell.workshop.exchange.JsonFile.Range;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// A need as a file: what a pack must power, in JSON.
public final class NeedJson {
    private static final String USUAL_FORMAT = "18650";

    private final JsonFile file;

    private NeedJson(JsonFile file) {
        this.file = file;
    }

    /// A need as it was read, and the cells to meet it with.
    ///
    /// @param asked empty when something is wrong
    /// @param problems what is wrong, with the name of the field
    public record Read(Optional<Asked> asked, List<Problem> problems) {}

    /// A need and its cells.
    public record Asked(Need need, CellSupply supply) {}

    /// What the cells of a stock come to.
    ///
    /// @param milliohms empty when none is known
    /// @param format their size, empty when none is known
    private record Stock(
            int cells,
            double milliampHours,
            OptionalDouble milliohms,
            Optional<CellFormat> format) {
        /// The means of the cells of a chemistry and of the most frequent size; units count by
        /// their cans.
        static Stock of(List<Candidate> all, Chemistry chemistry) {
            // a cell of unknown chemistry is taken for what is asked
            List<Candidate> alike =
                    all.stream()
                            .filter(each -> each.chemistry().orElse(chemistry) == chemistry)
                            .toList();
            Optional<CellFormat> size = Candidate.formats(alike).stream().findFirst();
            List<Candidate> cells = alike.stream().filter(cell -> cell.mayBeOf(size)).toList();
            return new Stock(
                    Candidate.cans(cells),
                    cells.stream()
                            .mapToDouble(Candidate::milliampHoursPerCan)
                            .average()
                            .orElse(Double.NaN),
                    cells.stream()
                            .flatMapToDouble(cell -> cell.milliohmsPerCan().stream())
                            .average(),
                    size);
        }
    }

    /// Reads a need.
    ///
    /// @param stock the cells there are, when a table of them was given; those of another chemistry
    ///   are passed over
    public static Read read(Path named, Optional<List<Candidate>> stock) {
        JsonFile file = new JsonFile(String.valueOf(named.getFileName()));
        NeedJson reader = new NeedJson(file);
        Optional<Asked> need = Optional.empty();
        try {
            need = file.read(named).flatMap(root -> reader.whole(root, stock));
        } catch (IllegalArgumentException wrong) {
            file.complain("", String.valueOf(wrong.getMessage()));
        }
        return reader.result(need);
    }

    private Read result(Optional<Asked> asked) {
        return file.problems().isEmpty()
                ? new Read(asked, List.of())
                : new Read(Optional.empty(), file.problems());
    }

    private Optional<Asked> whole(JsonNode root, Optional<List<Candidate>> stock) {
        if (root.isObject()) return need(root, stock);
        file.complain("", "expected an object {…}");
        return Optional.empty();
    }

    /// A need typed in one line, of the mean cells of a stock.
    public static Read of(NeedLine line, List<Candidate> stock) {
        JsonFile file = new JsonFile("--line");
        NeedJson reader = new NeedJson(file);
        line.problems().forEach(problem -> file.complain("", problem));
        Chemistry chemistry = line.chemistry().orElse(Chemistry.NMC);
        Stock cells = Stock.of(stock, chemistry);
        Optional<Asked> asked = Optional.empty();
        try {
            Optional<MeanCell> cell = reader.cell(Optional.empty(), chemistry, Optional.of(cells));
            if (file.problems().isEmpty() && cell.isPresent())
                asked =
                        CellSupply.stock(stock, chemistry)
                                .map(supply ->
                                        new Asked(line.need(Optional.empty(), chemistry), supply));
        } catch (IllegalArgumentException wrong) {
            file.complain("", String.valueOf(wrong.getMessage()));
        }
        return reader.result(asked);
    }

    private Optional<Asked> need(JsonNode root, Optional<List<Candidate>> candidates) {
        Chemistry chemistry = chemistry(root.get("chemistry"));
        Optional<Stock> stock = candidates.map(cells -> Stock.of(cells, chemistry));
        JsonNode device = part(root, "device");
        double low = optional(device, "device", "lowTripVolts").orElse(0);
        double high = required(device, "device", "highTripVolts");
        JsonNode load = part(root, "load");
        double steady = required(load, "load", "steadyWatts");
        Optional<JsonNode> wanted = child(root, "wanted");
        Optional<MeanCell> cell = cell(child(root, "cell"), chemistry, stock);
        if (!file.problems().isEmpty() || cell.isEmpty()) return Optional.empty();
        LoadItem drawn =
                new LoadItem("", steady, 1, optional(load, "load", "peakWatts").orElse(steady));
        Losses losses =
                new Losses(
                        optional(load, "load", "efficiency").orElse(1),
                        optional(load, "load", "idleWatts").orElse(0));
        OptionalInt most =
                stock.isPresent() ? OptionalInt.of(stock.get().cells()) : OptionalInt.empty();
        // what is said of a cell holds for all; else they are those of the stock, as in the window
        CellSupply supply =
                (child(root, "cell").isPresent()
                                ? Optional.<CellSupply>empty()
                                : candidates.flatMap(cells -> CellSupply.stock(cells, chemistry)))
                        .orElseGet(() -> CellSupply.assumed(cell.get(), most));
        Need need =
                Need.of(chemistry, new Window(low, high), List.of(drawn))
                        .with(change ->
                                change.losses(losses)
                                        .surgeWatts(optional(load, "load", "surgeWatts"))
                                        .wattHoursPerKilometre(
                                                optional(load, "load", "wattHoursPerKilometre"))
                                        .hours(wanted(wanted, "hours"))
                                        .kilometres(wanted(wanted, "kilometres"))
                                        .box(child(root, "box").map(this::box))
                                        .charger(child(root, "charger").map(this::charger))
                                        .board(
                                                child(root, "board")
                                                        .map(each -> board(each, chemistry))));
        return Optional.of(new Asked(need, supply));
    }

    private OptionalDouble wanted(Optional<JsonNode> wanted, String name) {
        return wanted.map(each -> optional(each, "wanted", name)).orElse(OptionalDouble.empty());
    }

    private Box box(JsonNode node) {
        return new Box(
                required(node, "box", "lengthMillimetres"),
                required(node, "box", "widthMillimetres"),
                required(node, "box", "heightMillimetres"));
    }

    private Charger charger(JsonNode node) {
        return new Charger(
                required(node, "charger", "volts"),
                required(node, "charger", "amps"),
                optional(node, "charger", "supplyWatts"));
    }

    private Board board(JsonNode node, Chemistry pack) {
        double continuous = required(node, "board", "continuousAmps");
        JsonNode leads = node.get("balanceLeads");
        if (leads != null && !leads.isNull() && !leads.isBoolean())
            file.complain(
                    "board.balanceLeads",
                    "expected true or false, was " + JsonFile.shortened(leads.toString()));
        JsonNode said = node.get("chemistry");
        return new Board(
                (int) required(node, "board", "series"),
                said == null || said.isNull() ? pack : chemistry(said),
                continuous,
                optional(node, "board", "peakAmps").orElse(continuous),
                leads == null || !leads.isBoolean() || leads.asBoolean());
    }

    private Optional<MeanCell> cell(
            Optional<JsonNode> said, Chemistry chemistry, Optional<Stock> stock) {
        if (said.isEmpty() && stock.isEmpty()) {
            file.complain("cell", "is missing: say what a cell is like, or give --stock");
            return Optional.empty();
        }
        JsonNode cell = said.orElse(JsonMapper.shared().createObjectNode());
        OptionalDouble capacity = optional(cell, "cell", "capacityMah");
        OptionalDouble milliohms = optional(cell, "cell", "milliohms");
        if (capacity.isEmpty() && stock.isPresent() && stock.get().cells() > 0)
            capacity = OptionalDouble.of(stock.get().milliampHours());
        if (milliohms.isEmpty() && stock.isPresent()) milliohms = stock.get().milliohms();
        if (capacity.isEmpty()) file.complain("cell.capacityMah", "is missing; expected mAh");
        if (milliohms.isEmpty()) file.complain("cell.milliohms", "is missing; expected mΩ");
        CellFormat format =
                said.flatMap(each -> Optional.ofNullable(each.get("format")))
                        .map(each -> each.asString(""))
                        .map(this::format)
                        .or(() -> stock.flatMap(Stock::format))
                        .orElseGet(() -> CellFormat.parse(USUAL_FORMAT).orElseThrow());
        if (capacity.isEmpty() || milliohms.isEmpty()) return Optional.empty();
        double ampHours = capacity.getAsDouble() / 1000;
        OptionalDouble continuous = optional(cell, "cell", "maxContinuousAmps");
        OptionalDouble peak = optional(cell, "cell", "maxPeakAmps");
        OptionalDouble grams = optional(cell, "cell", "grams");
        OptionalDouble price = optional(cell, "cell", "price");
        double forLong = continuous.orElse(MeanCell.CONTINUOUS_AN_HOUR * ampHours);
        return Optional.of(
                new MeanCell(
                        ampHours,
                        milliohms.getAsDouble() / 1000,
                        forLong,
                        Math.max(forLong, peak.orElse(MeanCell.PEAK_AN_HOUR * ampHours)),
                        grams.orElse(format.approximateGrams(chemistry)),
                        format,
                        price));
    }

    private CellFormat format(String code) {
        Optional<CellFormat> format = CellFormat.parseAny(code);
        if (format.isEmpty())
            file.complain(
                    "cell.format",
                    "expected a size such as 18650, was \"" + JsonFile.shortened(code) + "\"");
        return format.orElseGet(() -> CellFormat.parse(USUAL_FORMAT).orElseThrow());
    }

    private Chemistry chemistry(@Nullable JsonNode said) {
        if (said == null || said.isNull()) return Chemistry.NMC;
        Optional<Chemistry> chemistry = Chemistry.parse(said.asString(""));
        if (chemistry.isEmpty())
            file.complain(
                    "chemistry", "expected nmc or lfp, was " + JsonFile.shortened(said.toString()));
        return chemistry.orElse(Chemistry.NMC);
    }

    private JsonNode part(JsonNode root, String name) {
        Optional<JsonNode> child = child(root, name);
        if (child.isEmpty()) file.complain(name, "is missing; expected an object {…}");
        return child.orElse(JsonMapper.shared().createObjectNode());
    }

    private Optional<JsonNode> child(JsonNode root, String name) {
        JsonNode child = root.get(name);
        if (child == null || child.isNull()) return Optional.empty();
        if (child.isObject()) return Optional.of(child);
        file.complain(name, "expected an object {…}, was " + JsonFile.shortened(child.toString()));
        return Optional.empty();
    }

    private double required(JsonNode node, String path, String name) {
        boolean isAbsent = node.get(name) == null || node.get(name).isNull();
        if (isAbsent)
            file.complain(JsonFile.at(path, name), "is missing; expected " + range(name).words());
        return optional(node, path, name).orElse(1);
    }

    private OptionalDouble optional(JsonNode node, String path, String name) {
        return file.number(node, path, name, range(name));
    }

    /// What a number may be: nothing here is below 0, and a size, a capacity or an efficiency is
    /// over it.
    private static Range range(String name) {
        return switch (name) {
            case "efficiency" -> new Range(1e-3, 1, "a number over 0, up to 1");
            case "series" -> new Range(1, 400, "a whole number of groups, 1 to 400");
            case "highTripVolts",
                    "hours",
                    "kilometres",
                    "wattHoursPerKilometre",
                    "lengthMillimetres",
                    "widthMillimetres",
                    "heightMillimetres",
                    "capacityMah",
                    "milliohms",
                    "volts",
                    "amps",
                    "continuousAmps",
                    "peakAmps",
                    "supplyWatts",
                    "maxContinuousAmps",
                    "maxPeakAmps",
                    "grams" ->
                    Range.OVER_ZERO;
            default -> Range.FROM_ZERO;
        };
    }
}
