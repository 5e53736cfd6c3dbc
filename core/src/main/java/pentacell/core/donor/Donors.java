package pentacell.core.donor;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;

/// The donors of a workshop, each with everything logged of it.
///
/// @param records by code, in the order they were first logged; not to be changed afterwards
public record Donors(Map<String, DonorRecord> records) {
    /// The chapter of the donors.
    public static final Chapter<Donors> CHAPTER = new DonorChapter();

    public Donors {
        records = Collections.unmodifiableMap(records);
    }

    /// The donors of a workshop.
    public static Donors of(WorkshopState state) {
        return state.slice(Donors.class);
    }

    /// A donor with everything logged of it.
    public Optional<DonorRecord> record(String code) {
        return Optional.ofNullable(records.get(code));
    }

    /// How all donors are described, by code.
    public Map<String, Donor> described() {
        Map<String, Donor> described = new LinkedHashMap<>();
        records.forEach((code, record) -> described.put(code, record.donor()));
        return Collections.unmodifiableMap(described);
    }
}
