package pentacell.field.truth;

/// The judgements that are held against made-up packs.
public enum Judgement {
    DONOR("Harvest: readings of a donor's groups"),
    CELL("Test: the log of a single cell"),
    PLUG("Build: balance leads"),
    SIGN("The sign of a current: charge drawn"),
    LOAD_TEST("Prove: load tests"),
    SERVICE("Service: findings of a history");

    private final String title;

    Judgement(String title) {
        this.title = title;
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
        return TruthTable.of(
                switch (this) {
                    case DONOR -> DonorTruth.all(seed, packs);
                    case CELL -> CellLogTruth.all(seed, packs);
                    case PLUG -> PlugTruth.all(seed, packs);
                    case SIGN -> SignTruth.all(seed, packs);
                    case LOAD_TEST -> LoadTestTruth.all(seed, packs);
                    case SERVICE -> ServiceTruth.all(seed, packs);
                });
    }
}
