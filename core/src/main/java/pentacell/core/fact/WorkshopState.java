package pentacell.core.fact;

import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import pentacell.core.bay.BenchHours;
import pentacell.core.bay.Instrument;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Place;
import pentacell.core.cell.Tray;
import pentacell.core.donor.Donor;
import pentacell.core.donor.Lot;
import pentacell.core.school.Schools;

/// Everything that holds in a workshop: the fold of all facts. Immutable; same facts, same state.
public final class WorkshopState {
    private final Map<CellId, Cell> cells;
    private final Map<String, CellModel> models;
    private final Map<String, DonorRecord> donorRecords;
    private final Map<String, Donor> donors;
    private final Map<String, Lot> lots;
    private final Schools schools;
    private final Optional<Fact.NewCellPriced> newCellPrice;
    private final Map<String, Instrument> instruments;
    private final BenchHours benchHours;
    private final Map<String, Tray> trays;
    private final Map<String, Pack> packs;
    private final Set<String> baysAside;
    private final Set<String> importedFiles;
    private final Map<Place, CellId> places;

    private WorkshopState(Fold fold) {
        cells = Collections.unmodifiableMap(fold.cells);
        models = Collections.unmodifiableMap(fold.models);
        donorRecords = Collections.unmodifiableMap(fold.donors);
        Map<String, Donor> described = new LinkedHashMap<>();
        fold.donors.forEach((code, record) -> described.put(code, record.donor()));
        donors = Collections.unmodifiableMap(described);
        lots = Collections.unmodifiableMap(fold.lots);
        schools = fold.schools;
        newCellPrice = fold.newCellPrice;
        instruments = Collections.unmodifiableMap(fold.instruments);
        benchHours = fold.benchHours;
        trays = Collections.unmodifiableMap(fold.trays);
        packs = Collections.unmodifiableMap(fold.packs);
        baysAside = Collections.unmodifiableSet(fold.baysAside);
        importedFiles = Collections.unmodifiableSet(fold.importedFiles);
        Map<Place, CellId> byPlace = HashMap.newHashMap(cells.size());
        for (Cell cell : cells.values())
            cell.place().ifPresent(place -> byPlace.put(place, cell.id()));
        places = Collections.unmodifiableMap(byPlace);
    }

    /// The state before anything was logged.
    public static WorkshopState empty() {
        return new WorkshopState(new Fold());
    }

    /// The fold of a whole journal. Acts that were taken back leave no trace.
    public static WorkshopState of(List<Act> acts) {
        History history = History.of(acts);
        Fold fold = new Fold();
        acts.stream().filter(history::holds).forEach(fold::add);
        return new WorkshopState(fold);
    }

    /// The state after one more act. Equal to folding the whole journal anew, unless the act undoes
    /// or redoes.
    ///
    /// @throws IllegalArgumentException for an act of undo or redo, which only the whole journal
    ///   can answer
    public WorkshopState plus(Act act) {
        for (Act.Entry entry : act.entries())
            if (entry.fact() instanceof Fact.ActUndone || entry.fact() instanceof Fact.ActRedone)
                throw new IllegalArgumentException("undo and redo need the whole journal");
        Fold fold = new Fold(this);
        fold.add(act);
        return new WorkshopState(fold);
    }

    /// What undo would take back in a journal.
    public static Optional<Step> undo(List<Act> acts) {
        return History.of(acts).undo();
    }

    /// What redo would bring back in a journal.
    public static Optional<Step> redo(List<Act> acts) {
        return History.of(acts).redo();
    }

    /// All cells by id, in the order they were first logged.
    public Map<CellId, Cell> cells() {
        return cells;
    }

    /// A cell, when anything of it holds.
    public Optional<Cell> cell(CellId id) {
        return Optional.ofNullable(cells.get(id));
    }

    /// A pack in the making.
    public Optional<Pack> pack(String name) {
        return Optional.ofNullable(packs.get(name));
    }

    /// All models by name.
    public Map<String, CellModel> models() {
        return models;
    }

    /// All donors by code.
    public Map<String, Donor> donors() {
        return donors;
    }

    /// All donors with everything logged of them, by code.
    public Map<String, DonorRecord> donorRecords() {
        return donorRecords;
    }

    /// A donor with everything logged of it.
    public Optional<DonorRecord> donorRecord(String code) {
        return Optional.ofNullable(donorRecords.get(code));
    }

    /// The cells of a donor, in the order they were first logged.
    public List<Cell> cellsOf(String donor) {
        Optional<String> code = Optional.of(donor);
        return cells.values().stream().filter(cell -> cell.donor().equals(code)).toList();
    }

    /// All lots by code.
    public Map<String, Lot> lots() {
        return lots;
    }

    /// The schools the workshop follows.
    public Schools schools() {
        return schools;
    }

    /// What a new cell would cost, when it was stated.
    public Optional<Fact.NewCellPriced> newCellPrice() {
        return newCellPrice;
    }

    /// The instruments on the bench, by name.
    public Map<String, Instrument> instruments() {
        return instruments;
    }

    /// When somebody is there to swap cells.
    public BenchHours benchHours() {
        return benchHours;
    }

    /// The model the cells of a donor should have.
    public Optional<CellModel> modelOf(Donor donor) {
        return Optional.ofNullable(models.get(donor.cellModel()));
    }

    /// All trays by name.
    public Map<String, Tray> trays() {
        return trays;
    }

    /// All packs in the making by name.
    public Map<String, Pack> packs() {
        return packs;
    }

    /// The cell lying in a place.
    public Optional<CellId> cellAt(Place place) {
        return Optional.ofNullable(places.get(place));
    }

    /// Names of the bays that are set aside.
    public Set<String> baysAside() {
        return baysAside;
    }

    /// Whether a file with this fingerprint was taken in before.
    public boolean wasImported(String sha256) {
        return importedFiles.contains(sha256);
    }

    /// The model of a cell, when both it and its rating are known.
    public Optional<CellModel> modelOf(Cell cell) {
        return cell.model().map(models::get);
    }

    /// The pack a cell was matched into, other than the given one.
    public Optional<Pack> otherPackOf(CellId cell, String pack) {
        return packs.values().stream()
                .filter(other -> !other.name().equals(pack) && other.groupOf(cell).isPresent())
                .findFirst();
    }

    /// The growing state; lives only while one fold runs.
    private static final class Fold {
        private final Map<CellId, Cell> cells = new LinkedHashMap<>();
        private final Map<String, CellModel> models = new LinkedHashMap<>();
        private final Map<String, DonorRecord> donors = new LinkedHashMap<>();
        private final Map<String, Lot> lots = new LinkedHashMap<>();
        private Schools schools = Schools.USUAL;
        private Optional<Fact.NewCellPriced> newCellPrice = Optional.empty();
        private final Map<String, Instrument> instruments = new LinkedHashMap<>();
        private BenchHours benchHours = BenchHours.USUAL;
        private final Map<String, Tray> trays = new LinkedHashMap<>();
        private final Map<String, Pack> packs = new LinkedHashMap<>();
        private final Set<String> baysAside = new HashSet<>();
        private final Set<String> importedFiles = new HashSet<>();

        private Fold() {}

        private Fold(WorkshopState state) {
            cells.putAll(state.cells);
            models.putAll(state.models);
            donors.putAll(state.donorRecords);
            lots.putAll(state.lots);
            schools = state.schools;
            newCellPrice = state.newCellPrice;
            instruments.putAll(state.instruments);
            benchHours = state.benchHours;
            trays.putAll(state.trays);
            packs.putAll(state.packs);
            baysAside.addAll(state.baysAside);
            importedFiles.addAll(state.importedFiles);
        }

        private void add(Act act) {
            for (Act.Entry entry : act.entries()) {
                switch (entry.fact()) {
                    case Fact.ModelDefined defined ->
                            models.put(defined.model().name(), defined.model());
                    case Fact.DonorAdded added ->
                            donors.merge(
                                    added.donor().code(),
                                    DonorRecord.of(added.donor()),
                                    (known, anew) -> known.with(added.donor()));
                    case DonorFact ofDonor ->
                            donors.computeIfPresent(
                                    ofDonor.donor(),
                                    (code, record) ->
                                            record.plus(entry.sequence(), act.at(), ofDonor));
                    case Fact.LotAdded added -> lots.put(added.lot().code(), added.lot());
                    case Fact.BandsChosen chosen -> schools = schools.with(chosen.policy());
                    case Fact.RepairChosen chosen -> schools = schools.with(chosen.policy());
                    case Fact.TestChosen chosen -> schools = schools.with(chosen.policy());
                    case Fact.HoldChosen chosen -> schools = schools.with(chosen.policy());
                    case Fact.InstrumentAdded added ->
                            instruments.put(added.instrument().name(), added.instrument());
                    case Fact.InstrumentRemoved removed -> instruments.remove(removed.name());
                    case Fact.BayUseSet set -> {
                        if (set.use() == Fact.BayUse.ASIDE) baysAside.add(set.bay());
                        else baysAside.remove(set.bay());
                    }
                    case Fact.BenchHoursSet set -> benchHours = set.hours();
                    case Fact.NewCellPriced priced -> newCellPrice = Optional.of(priced);
                    case Fact.TrayAdded added -> trays.put(added.tray().name(), added.tray());
                    case Fact.FileImported imported -> importedFiles.add(imported.sha256());
                    case Fact.OfCell ofCell -> addToCell(act, entry.sequence(), ofCell);
                    case PackFact ofPack -> addToPack(ofPack);
                    case Fact.ActUndone undone -> {}
                    case Fact.ActRedone redone -> {}
                }
            }
        }

        private void addToCell(Act act, long sequence, Fact.OfCell fact) {
            Cell before = cells.get(fact.cell());
            Cell after =
                    (before == null ? Cell.unknown(fact.cell()) : before)
                            .plus(sequence, act.at(), fact);
            if (after.exists()) cells.put(after.id(), after);
            else cells.remove(after.id());
        }

        private void addToPack(PackFact fact) {
            if (fact instanceof PackFact.GroupsMatched matched) {
                packs.put(matched.pack(), Pack.of(matched));
                return;
            }
            packs.computeIfPresent(fact.pack(), (name, pack) -> pack.plus(fact));
        }
    }
}
