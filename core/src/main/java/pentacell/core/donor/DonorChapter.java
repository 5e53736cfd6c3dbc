package pentacell.core.donor;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import pentacell.core.journal.Entry;
import pentacell.core.state.Chapter;

/// Folds what is logged of donors into their records. What is said of a donor that was never added
/// changes nothing.
final class DonorChapter implements Chapter<Donors> {
    @Override
    public Class<DonorFact> family() {
        return DonorFact.class;
    }

    @Override
    public Class<Donors> sliceType() {
        return Donors.class;
    }

    @Override
    public Donors empty() {
        return new Donors(Map.of());
    }

    @Override
    public Chapter.Fold<Donors> fold(Donors from) {
        return new Fold(from);
    }

    private static final class Fold implements Chapter.Fold<Donors> {
        private final Map<String, DonorRecord> donors;

        Fold(Donors from) {
            donors = new LinkedHashMap<>(from.records());
        }

        @Override
        public void add(Instant at, Entry entry) {
            switch ((DonorFact) entry.fact()) {
                case DonorFact.DonorAdded added ->
                        donors.merge(
                                added.donor().code(),
                                DonorRecord.of(added.donor()),
                                (known, anew) -> known.with(added.donor()));
                case DonorFact.OfDonor ofDonor ->
                        donors.computeIfPresent(
                                ofDonor.donor(),
                                (code, record) -> record.plus(entry.sequence(), at, ofDonor));
            }
        }

        @Override
        public void strike(long sequence) {
            donors.replaceAll(
                    (code, record) -> record.has(sequence) ? record.struck(sequence) : record);
        }

        @Override
        public Donors slice() {
            return new Donors(donors);
        }
    }
}
