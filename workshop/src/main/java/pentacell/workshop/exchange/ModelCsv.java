package pentacell.workshop.exchange;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import pentacell.core.cell.CellDesignation;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.workshop.exchange.CellTable.Problem;

/// A catalogue of cell models as CSV, in and out.
///
/// @param models the good lines in file order
/// @param problems what is wrong with the file
public record ModelCsv(List<CellModel> models, List<Problem> problems) {
    private static final List<String> HEADER =
            List.of(
                    "model",
                    "format",
                    "chemistry",
                    "rated_mah",
                    "nominal_mah",
                    "charge_v",
                    "end_v",
                    "charge_a",
                    "discharge_a");

    public ModelCsv {
        models = List.copyOf(models);
        problems = List.copyOf(problems);
    }

    /// Reads a file. Needed are `model`, `format` (`18650` or a designation such as `ICR19/66`) and
    /// `rated_mah`; the chemistry may come from the designation, limits not stated are careful
    /// ones.
    public static ModelCsv read(Path file) {
        NamedTable.Read<CellModel> read = NamedTable.read(file, ModelCsv::line);
        return new ModelCsv(read.values(), read.problems());
    }

    private static CellModel line(NamedTable.Line line) throws NamedTable.BadLine {
        String name = line.required("a model's name", "model", "name", "type");
        String written = line.required("a format such as 18650", "format", "size", "designation");
        CellFormat format =
                CellFormat.parseAny(written)
                        .orElseThrow(() ->
                                new NamedTable.BadLine(
                                        "column \"format\": \""
                                                + written
                                                + "\" is neither five digits such as 18650 nor a designation such as ICR19/66"));
        Chemistry chemistry = chemistry(line, CellDesignation.parse(written));
        double rated =
                line.requiredNumber(
                        "a rated minimum in mAh", "rated_mah", "rated_min_mah", "capacity_mah");
        CellLimits careful = CellLimits.careful(chemistry, rated);
        return new CellModel(
                name,
                format,
                chemistry,
                rated,
                line.number("a nominal capacity in mAh", "nominal_mah").orElse(rated),
                new CellLimits(
                        line.number("a charge limit in V", "charge_v")
                                .orElse(careful.chargeVolts()),
                        line.number("an end voltage in V", "end_v").orElse(careful.endVolts()),
                        line.number("a current in A", "charge_a").orElse(careful.chargeAmps()),
                        line.number("a current in A", "discharge_a")
                                .orElse(careful.dischargeAmps())));
    }

    private static Chemistry chemistry(NamedTable.Line line, Optional<CellDesignation> designation)
            throws NamedTable.BadLine {
        Optional<Chemistry> designated = designation.flatMap(CellDesignation::chemistry);
        Optional<String> text = line.text("chemistry", "chem");
        if (text.isEmpty())
            return designated.orElseThrow(() ->
                    new NamedTable.BadLine(
                            "column \"chemistry\" is empty or missing, expected nmc or lfp"));
        Chemistry stated =
                Chemistry.parse(text.get())
                        .orElseThrow(() ->
                                new NamedTable.BadLine(
                                        "column \"chemistry\": \""
                                                + text.get()
                                                + "\" is not known, expected nmc or lfp"));
        if (designated.isPresent() && designated.get() != stated)
            throw new NamedTable.BadLine(
                    "chemistry %s does not fit the designation %s (%s)"
                            .formatted(
                                    stated.code(),
                                    designation.map(CellDesignation::text).orElse(""),
                                    designated.get().code()));
        return stated;
    }

    /// A catalogue as text.
    public static String text(Collection<CellModel> models) {
        List<List<String>> lines = new ArrayList<>();
        for (CellModel model : models)
            lines.add(
                    List.of(
                            model.name(),
                            model.format().code(),
                            model.chemistry().code(),
                            number(model.ratedMinimumMilliampHours()),
                            number(model.ratedNominalMilliampHours()),
                            number(model.limits().chargeVolts()),
                            number(model.limits().endVolts()),
                            number(model.limits().chargeAmps()),
                            number(model.limits().dischargeAmps())));
        return SafeCsv.text(HEADER, lines);
    }

    private static String number(double value) {
        return value == Math.rint(value)
                ? String.format(Locale.ROOT, "%.0f", value)
                : String.valueOf(value);
    }
}
