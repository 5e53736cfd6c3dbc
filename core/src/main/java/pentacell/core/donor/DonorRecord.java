package pentacell.core.donor;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import pentacell.core.state.InOrder;

/// A donor as all facts about it say, taken together.
///
/// @param donor how it is described
/// @param groupVolts last reading of each group in V, counted from 1
/// @param packVolts last voltage of the whole string in V
/// @param outputVolts last voltage at the output in V
/// @param signs warning signs noticed
/// @param charges groups that were brought up alone, oldest first
/// @param stepsDone steps of the teardown that are done
/// @param minutes spent on it
/// @param parts saved from it, with their number
/// @param decision what a person decided to do with it
/// @param lifeLine every fact about it, oldest first
public record DonorRecord(
        Donor donor,
        SortedMap<Integer, Double> groupVolts,
        OptionalDouble packVolts,
        OptionalDouble outputVolts,
        Set<WarningSign> signs,
        List<Charge> charges,
        Set<String> stepsDone,
        int minutes,
        Map<String, Integer> parts,
        Optional<DonorFact.WayDecided> decision,
        List<LifeLineEntry> lifeLine) {
    public DonorRecord {
        groupVolts = Collections.unmodifiableSortedMap(new TreeMap<>(groupVolts));
        signs = Set.copyOf(signs);
        charges = List.copyOf(charges);
        stepsDone = Collections.unmodifiableSet(new LinkedHashSet<>(stepsDone));
        parts = InOrder.of(parts);
        lifeLine = List.copyOf(lifeLine);
    }

    /// A group that was brought up alone.
    ///
    /// @param group counted from 1
    /// @param volts what it read when it was taken off the supply, in V
    /// @param at when that was
    /// @param readAgain readings of it since, oldest first
    public record Charge(int group, double volts, Instant at, List<Reading> readAgain) {
        public Charge {
            readAgain = List.copyOf(readAgain);
        }

        Charge plus(Reading reading) {
            List<Reading> longer = new ArrayList<>(readAgain);
            longer.add(reading);
            return new Charge(group, volts, at, longer);
        }
    }

    /// A later reading of a charged group.
    public record Reading(Instant at, double volts) {}

    /// An entry in a donor's life line.
    ///
    /// @param isStruck whether it was wrong and holds no more
    public record LifeLineEntry(
            long sequence, Instant at, DonorFact.OfDonor fact, boolean isStruck) {}

    static DonorRecord of(Donor donor) {
        return new DonorRecord(
                donor,
                new TreeMap<>(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Set.of(),
                List.of(),
                Set.of(),
                0,
                Map.of(),
                Optional.empty(),
                List.of());
    }

    DonorRecord with(Donor described) {
        return new Fold(this).end(described);
    }

    DonorRecord plus(long sequence, Instant at, DonorFact.OfDonor fact) {
        Fold fold = new Fold(this);
        fold.add(sequence, at, fact);
        return fold.end(donor);
    }

    /// The donor without what one of its entries said; the entry stays to be seen.
    DonorRecord struck(long wrong) {
        Fold fold = new Fold(of(donor));
        for (LifeLineEntry entry : lifeLine)
            if (entry.isStruck() || entry.sequence() == wrong)
                fold.lifeLine.add(
                        new LifeLineEntry(entry.sequence(), entry.at(), entry.fact(), true));
            else fold.add(entry.sequence(), entry.at(), entry.fact());
        return fold.end(donor);
    }

    /// Whether an entry is about this donor.
    boolean has(long sequence) {
        return lifeLine.stream().anyMatch(entry -> entry.sequence() == sequence);
    }

    /// The growing record; lives only while one fact is added.
    private static final class Fold {
        private final SortedMap<Integer, Double> groupVolts;
        private OptionalDouble packVolts;
        private OptionalDouble outputVolts;
        private final EnumSet<WarningSign> signs = EnumSet.noneOf(WarningSign.class);
        private final List<Charge> charges;
        private final Set<String> stepsDone;
        private int minutes;
        private final Map<String, Integer> parts;
        private Optional<DonorFact.WayDecided> decision;
        private final List<LifeLineEntry> lifeLine;

        Fold(DonorRecord record) {
            groupVolts = new TreeMap<>(record.groupVolts);
            packVolts = record.packVolts;
            outputVolts = record.outputVolts;
            signs.addAll(record.signs);
            charges = new ArrayList<>(record.charges);
            stepsDone = new LinkedHashSet<>(record.stepsDone);
            minutes = record.minutes;
            parts = new LinkedHashMap<>(record.parts);
            decision = record.decision;
            lifeLine = new ArrayList<>(record.lifeLine);
        }

        void add(long sequence, Instant at, DonorFact.OfDonor fact) {
            lifeLine.add(new LifeLineEntry(sequence, at, fact, false));
            switch (fact) {
                case DonorFact.GroupsRead read -> {
                    groupVolts.putAll(read.groupVolts());
                    charges.replaceAll(charge -> readAgain(charge, at, read));
                }
                case DonorFact.PackVoltageRead read -> packVolts = OptionalDouble.of(read.volts());
                case DonorFact.OutputVoltageRead read ->
                        outputVolts = OptionalDouble.of(read.volts());
                case DonorFact.SignsSeen seen -> signs.addAll(seen.signs());
                case DonorFact.GroupCharged charged -> {
                    groupVolts.put(charged.group(), charged.volts());
                    // the sum has changed with it
                    packVolts = OptionalDouble.empty();
                    charges.removeIf(charge -> charge.group() == charged.group());
                    charges.add(new Charge(charged.group(), charged.volts(), at, List.of()));
                }
                case DonorFact.StepChecked checked -> {
                    if (checked.check() == DonorFact.Check.DONE) stepsDone.add(checked.step());
                    else stepsDone.remove(checked.step());
                }
                case DonorFact.MinutesSpent spent -> minutes += spent.minutes();
                case DonorFact.PartSaved saved ->
                        parts.merge(saved.part(), saved.count(), Integer::sum);
                case DonorFact.WayDecided decided ->
                        decision =
                                decided.way() == DonorFact.DonorWay.AS_ADVISED
                                        ? Optional.empty()
                                        : Optional.of(decided);
            }
        }

        private static Charge readAgain(Charge charge, Instant at, DonorFact.GroupsRead read) {
            Double volts = read.groupVolts().get(charge.group());
            return volts == null ? charge : charge.plus(new Reading(at, volts));
        }

        DonorRecord end(Donor donor) {
            return new DonorRecord(
                    donor,
                    groupVolts,
                    packVolts,
                    outputVolts,
                    signs,
                    charges,
                    stepsDone,
                    minutes,
                    parts,
                    decision,
                    lifeLine);
        }
    }
}
