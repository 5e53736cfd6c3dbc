package pentacell.core.school;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import pentacell.core.cell.Chemistry;

/// The schools a workshop follows, and its own copies of them.
///
/// @param bands the bands in force for each chemistry
/// @param repair what is done with a low group
/// @param own edited copies, by name
/// @param test how cells are tested: the standard conditions
/// @param hold how self-discharge is found
public record Schools(
        Map<Chemistry, BandPolicy> bands,
        RepairPolicy repair,
        Map<String, BandPolicy> own,
        TestPolicy test,
        HoldPolicy hold) {
    /// The defaults.
    public static final Schools USUAL =
            new Schools(
                    Map.of(
                            Chemistry.NMC, BandPolicy.USUAL_NMC,
                            Chemistry.LFP, BandPolicy.USUAL_LFP),
                    RepairPolicy.REPAIR_FIRST,
                    Map.of(),
                    TestPolicy.BENCH_LOAD,
                    HoldPolicy.WEEK);

    public Schools {
        bands = Map.copyOf(bands);
        own = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(own));
    }

    /// The bands in force for a chemistry.
    public BandPolicy bands(Chemistry chemistry) {
        return bands.getOrDefault(chemistry, BandPolicy.usual(chemistry));
    }

    /// All schools of a chemistry that can be chosen: those that come with the program, then the
    /// workshop's own.
    public List<BandPolicy> choices(Chemistry chemistry) {
        List<BandPolicy> choices = new java.util.ArrayList<>(BandPolicy.shipped(chemistry));
        own.values().stream()
                .filter(policy -> policy.chemistry() == chemistry)
                .forEach(choices::add);
        return List.copyOf(choices);
    }

    /// With other bands for their chemistry; bands that do not come with the program are kept as
    /// the workshop's own.
    public Schools with(BandPolicy policy) {
        Map<Chemistry, BandPolicy> changed = new EnumMap<>(Chemistry.class);
        changed.putAll(bands);
        changed.put(policy.chemistry(), policy);
        Map<String, BandPolicy> copies = new LinkedHashMap<>(own);
        if (!BandPolicy.shipped(policy.chemistry()).contains(policy))
            copies.put(policy.name(), policy);
        return new Schools(changed, repair, copies, test, hold);
    }

    /// With another way of dealing with a low group.
    public Schools with(RepairPolicy policy) {
        return new Schools(bands, policy, own, test, hold);
    }

    /// With another way of testing.
    public Schools with(TestPolicy policy) {
        return new Schools(bands, repair, own, policy, hold);
    }

    /// With another way of finding self-discharge.
    public Schools with(HoldPolicy policy) {
        return new Schools(bands, repair, own, test, policy);
    }
}
