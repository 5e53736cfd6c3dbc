package pentacell.workshop.exchange;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CatalogueFact;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Place;
import pentacell.core.cell.TestConditions;
import pentacell.core.cell.Trays;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.Donors;
import pentacell.core.imports.ImportFact;
import pentacell.core.journal.Fact;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

/// The good lines of a cell table as facts. A model that is named with a rating and not known yet
/// is defined, so that state of health can be told; donors named are added. A place is taken over
/// only where a tray has it and nothing else lies there.
public final class ImportedFacts {
    /// The format that a model gets when the table does not say; most salvaged cells have it
    /// (common practice).
    private static final CellFormat USUAL_FORMAT = CellFormat.parse("18650").orElseThrow();

    private ImportedFacts() {}

    /// The facts of a table, the note of the file itself first.
    public static List<Fact> of(CellTable table, WorkshopState state) {
        List<Fact> facts = new ArrayList<>();
        facts.add(
                new ImportFact.FileImported(table.fileName(), table.sha256(), table.rows().size()));
        newModels(table, state)
                .values()
                .forEach(model -> facts.add(new CatalogueFact.ModelDefined(model)));
        table.rows().stream()
                .flatMap(row -> row.donor().stream())
                .distinct()
                .filter(code ->
                        CellId.problem(code).isEmpty()
                                && !Donors.of(state).described().containsKey(code))
                .forEach(code ->
                        facts.add(
                                new DonorFact.DonorAdded(
                                        Donor.of(code, "", "", "from " + table.fileName()))));
        for (CellRow row : table.rows()) addCell(row, state, facts);
        return facts;
    }

    private static Map<String, CellModel> newModels(CellTable table, WorkshopState state) {
        Map<String, CellModel> models = new LinkedHashMap<>();
        for (CellRow row : table.rows()) {
            if (row.model().isEmpty() || row.ratedMilliampHours().isEmpty()) continue;
            String name = row.model().get();
            if (Catalogue.of(state).models().containsKey(name) || models.containsKey(name))
                continue;
            Chemistry chemistry = row.chemistry().orElse(Chemistry.NMC);
            double rated = row.ratedMilliampHours().getAsDouble();
            models.put(
                    name,
                    CellModel.rated(name, row.format().orElse(USUAL_FORMAT), chemistry, rated));
        }
        return models;
    }

    private static void addCell(CellRow row, WorkshopState state, List<Fact> facts) {
        CellId cell = row.id();
        Optional<CellRecord> known = Cells.of(state).cell(cell);
        boolean says = row.model().isPresent() || row.donor().isPresent();
        if (known.isEmpty() || says)
            facts.add(
                    new CellFact.CellNamed(
                            cell,
                            row.donor().or(() -> known.flatMap(CellRecord::donor)),
                            row.model().or(() -> known.flatMap(CellRecord::model))));
        // a table without such a column says nothing of the cans
        if (row.count() > 1 && row.count() != known.map(CellRecord::count).orElse(1))
            facts.add(new CellFact.CansCounted(cell, row.count()));
        Place.parse(row.location())
                .filter(place ->
                        Trays.of(state).all().containsKey(place.tray())
                                && Cells.of(state).at(place).isEmpty())
                .ifPresent(place -> facts.add(new CellFact.CellPlaced(cell, place)));
        row.volts().ifPresent(volts -> facts.add(new CellFact.VoltageRead(cell, volts)));
        row.milliohms()
                .ifPresent(milliohms ->
                        facts.add(
                                new CellFact.ResistanceRead(
                                        cell, milliohms, Schools.of(state).meter())));
        row.milliampHours()
                .ifPresent(capacity ->
                        facts.add(
                                new CellFact.CapacityMeasured(
                                        cell, capacity, TestConditions.NOT_STATED)));
    }
}
