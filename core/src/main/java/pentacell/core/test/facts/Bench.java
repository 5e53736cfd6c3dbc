package pentacell.core.test.facts;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// The test bench: what stands on it, which bays are left out, when somebody is there.
///
/// @param instruments by name, in the order they were first put there
/// @param baysAside names of the bays that are set aside
/// @param hours when somebody is there to swap cells
public record Bench(Map<String, Instrument> instruments, Set<String> baysAside, BenchHours hours) {
    /// The chapter of the bench.
    public static final Chapter<Bench> CHAPTER =
            Chapter.of(
                    BenchFact.class,
                    Bench.class,
                    new Bench(Map.of(), Set.of(), BenchHours.USUAL),
                    (bench, fact) ->
                            switch (fact) {
                                case BenchFact.InstrumentAdded added ->
                                        bench.with(added.instrument());
                                case BenchFact.InstrumentRemoved removed ->
                                        bench.without(removed.name());
                                case BenchFact.BayUseSet set -> bench.with(set);
                                case BenchFact.BenchHoursSet set ->
                                        new Bench(bench.instruments, bench.baysAside, set.hours());
                            });

    public Bench {
        instruments = InOrder.of(instruments);
        baysAside = Set.copyOf(baysAside);
    }

    /// The bench of a workshop.
    public static Bench of(WorkshopState state) {
        return state.slice(Bench.class);
    }

    private Bench with(Instrument instrument) {
        return new Bench(
                InOrder.with(instruments, instrument.name(), instrument), baysAside, hours);
    }

    private Bench without(String instrument) {
        Map<String, Instrument> fewer = new LinkedHashMap<>(instruments);
        fewer.remove(instrument);
        return new Bench(fewer, baysAside, hours);
    }

    private Bench with(BenchFact.BayUseSet set) {
        Set<String> aside = new HashSet<>(baysAside);
        switch (set.use()) {
            case ASIDE -> aside.add(set.bay());
            case IN_USE -> aside.remove(set.bay());
        }
        return new Bench(instruments, aside, hours);
    }
}
