package pentacell.field.truth;

import java.util.List;

/// The judgements that are held against made-up packs.
public enum Judgement {
    DONOR("Harvest: readings of a donor's groups", DonorTruth::all),
    CELL("Test: the log of a single cell", CellLogTruth::all),
    PLUG("Build: balance leads", PlugTruth::all),
    SIGN("The sign of a current: charge drawn", SignTruth::all),
    LOAD_TEST("Prove: load tests", LoadTestTruth::all),
    SERVICE("Service: findings of a history", ServiceTruth::all);

    /// Judges packs of all kinds.
    private interface Trial {
        List<TruthOutcome> outcomes(long seed, int packs);
    }

    private final String title;
    private final Trial trial;

    Judgement(String title, Trial trial) {
        this.title = title;
        this.trial = trial;
    }

    /// What is judged, as a heading.
    public String title() {
        return title;
    }

    /// Counts what is said of packs of all kinds.
    ///
    /// @param seed the same packs for the same seed
    /// @param packs of each kind; of those that take no time, many times as many
    public TruthTable table(long seed, int packs) {
        return TruthTable.of(trial.outcomes(seed, packs));
    }
}
