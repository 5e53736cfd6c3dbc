package pentacell.desktop.loan;

import java.util.Map;
import java.util.TreeMap;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;

/// Who has which meter.
record Loans(Map<String, String> borrowers) {
    static final Chapter<Loans> CHAPTER =
            Chapter.of(
                            LoanFact.class,
                            Loans.class,
                            new Loans(Map.of()),
                            (loans, fact) ->
                                    switch (fact) {
                                        case LoanFact.MeterLent lent -> loans.with(lent);
                                    })
                    .withKinds(Map.of(LoanFact.MeterLent.class, "meter-lent"));

    static Loans of(WorkshopState state) {
        return state.slice(Loans.class);
    }

    private Loans with(LoanFact.MeterLent lent) {
        Map<String, String> more = new TreeMap<>(borrowers);
        more.put(lent.meter(), lent.to());
        return new Loans(more);
    }
}
