package pentacell.core.cell;

import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;

/// The cells of a workshop, each with everything logged of it.
public final class Cells {
    /// The chapter of the cells.
    public static final Chapter<Cells> CHAPTER = new CellChapter();

    private final Map<CellId, CellRecord> all;
    private final Map<Place, CellId> places;

    /// @param all by id, in the order they were first logged; not to be changed afterwards
    Cells(Map<CellId, CellRecord> all) {
        this.all = Collections.unmodifiableMap(all);
        Map<Place, CellId> byPlace = HashMap.newHashMap(all.size());
        for (CellRecord cell : all.values())
            cell.place().ifPresent(place -> byPlace.put(place, cell.id()));
        places = Collections.unmodifiableMap(byPlace);
    }

    /// The cells of a workshop.
    public static Cells of(WorkshopState state) {
        return state.slice(Cells.class);
    }

    /// All cells by id, in the order they were first logged.
    public Map<CellId, CellRecord> all() {
        return all;
    }

    /// A cell, when anything of it holds.
    public Optional<CellRecord> cell(CellId id) {
        return Optional.ofNullable(all.get(id));
    }

    /// The cells of a donor, in the order they were first logged.
    public List<CellRecord> ofDonor(String code) {
        Optional<String> donor = Optional.of(code);
        return all.values().stream().filter(cell -> cell.donor().equals(donor)).toList();
    }

    /// The cell lying in a place.
    public Optional<CellId> at(Place place) {
        return Optional.ofNullable(places.get(place));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Cells cells && all.equals(cells.all);
    }

    @Override
    public int hashCode() {
        return all.hashCode();
    }

    @Override
    public String toString() {
        return all.values().toString();
    }
}
