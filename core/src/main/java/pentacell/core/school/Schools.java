package pentacell.core.school;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.Chemistry;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// The schools a workshop follows, and its own copies of them.
///
/// @param bands the bands in force for each chemistry
/// @param repair what is done with a low group
/// @param own edited copies, by name
/// @param test how cells are tested: the standard conditions
/// @param hold how self-discharge is found
/// @param meter what a typed or imported resistance is, where it does not say
public record Schools(
        Map<Chemistry, BandSchool> bands,
        RepairSchool repair,
        Map<String, BandSchool> own,
        TestSchool test,
        HoldSchool hold,
        ResistanceMethod meter) {
    /// The defaults.
    public static final Schools USUAL =
            new Schools(
                    Map.of(
                            Chemistry.NMC, BandSchool.USUAL_NMC,
                            Chemistry.LFP, BandSchool.USUAL_LFP),
                    RepairSchool.REPAIR_FIRST,
                    Map.of(),
                    TestSchool.BENCH_LOAD,
                    HoldSchool.WEEK,
                    ResistanceMethod.AC_1_KHZ);

    /// The chapter of the schools.
    public static final Chapter<Schools> CHAPTER =
            Chapter.of(
                    SchoolFact.class,
                    Schools.class,
                    USUAL,
                    (schools, fact) ->
                            switch (fact) {
                                case SchoolFact.BandsChosen chosen -> schools.with(chosen.policy());
                                case SchoolFact.RepairChosen chosen ->
                                        schools.with(chosen.policy());
                                case SchoolFact.TestChosen chosen -> schools.with(chosen.policy());
                                case SchoolFact.HoldChosen chosen -> schools.with(chosen.policy());
                                case SchoolFact.MeterChosen chosen -> schools.with(chosen.method());
                            });

    public Schools {
        bands = Map.copyOf(bands);
        own = InOrder.of(own);
    }

    /// The schools a workshop follows.
    public static Schools of(WorkshopState state) {
        return state.slice(Schools.class);
    }

    /// The bands in force for a chemistry.
    public BandSchool bands(Chemistry chemistry) {
        return bands.getOrDefault(chemistry, BandSchool.usual(chemistry));
    }

    /// All schools of a chemistry that can be chosen: those that come with the program, then the
    /// workshop's own.
    public List<BandSchool> choices(Chemistry chemistry) {
        List<BandSchool> choices = new ArrayList<>(BandSchool.shipped(chemistry));
        own.values().stream()
                .filter(policy -> policy.chemistry() == chemistry)
                .forEach(choices::add);
        return List.copyOf(choices);
    }

    /// With other bands for their chemistry; bands that do not come with the program are kept as
    /// the workshop's own.
    public Schools with(BandSchool policy) {
        Map<Chemistry, BandSchool> changed = new EnumMap<>(Chemistry.class);
        changed.putAll(bands);
        changed.put(policy.chemistry(), policy);
        Map<String, BandSchool> copies = new LinkedHashMap<>(own);
        if (!BandSchool.shipped(policy.chemistry()).contains(policy))
            copies.put(policy.name(), policy);
        return new Schools(changed, repair, copies, test, hold, meter);
    }

    /// With another way of dealing with a low group.
    public Schools with(RepairSchool policy) {
        return new Schools(bands, policy, own, test, hold, meter);
    }

    /// With another way of testing.
    public Schools with(TestSchool policy) {
        return new Schools(bands, repair, own, policy, hold, meter);
    }

    /// With another way of finding self-discharge.
    public Schools with(HoldSchool policy) {
        return new Schools(bands, repair, own, test, policy, meter);
    }

    /// With another meter for resistances.
    public Schools with(ResistanceMethod method) {
        return new Schools(bands, repair, own, test, hold, method);
    }
}
