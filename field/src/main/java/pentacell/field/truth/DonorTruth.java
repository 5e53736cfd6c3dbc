package pentacell.field.truth;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import pentacell.core.harvest.Advice;
import pentacell.core.harvest.Diagnose;
import pentacell.core.harvest.Diagnosis;
import pentacell.core.harvest.PackReadings;
import pentacell.core.harvest.Signature;
import pentacell.core.school.Schools;
import pentacell.field.FieldDonor;
import pentacell.field.FieldPack.Family;

/// What is said of salvaged packs by the readings of their groups.
public final class DonorTruth {
    private DonorTruth() {}

    /// Judges one donor.
    public static TruthOutcome of(Family family, FieldDonor.Hidden hidden, long seed, int number) {
        FieldDonor donor =
                FieldDonor.of(
                        family, hidden, Drawn.of(seed, family.ordinal(), hidden.ordinal(), number));
        Diagnosis told =
                Diagnose.pack(
                        new PackReadings(
                                Logs.chemistry(family),
                                true,
                                donor.groupVolts(),
                                OptionalInt.of(donor.groupVolts().size()),
                                OptionalDouble.of(donor.packVolts()),
                                OptionalDouble.of(donor.outputVolts()),
                                Set.of()),
                        Schools.USUAL);
        boolean isRight =
                told.signature() == signature(hidden)
                        && (donor.bad().isEmpty()
                                || hidden == FieldDonor.Hidden.READ_TWICE
                                || told.groups().equals(donor.bad().stream().sorted().toList()));
        List<String> wrong = new ArrayList<>();
        if (!isRight)
            wrong.add(
                    "%s %s of %s"
                            .formatted(
                                    Logs.words(told.signature()),
                                    told.groups(),
                                    donor.groupVolts()));
        if (isUnsafe(hidden, told.advice())) wrong.add("unsafe: " + Logs.words(told.advice()));
        return new TruthOutcome(
                Logs.kind(family, hidden),
                isRight,
                wrong,
                OptionalDouble.empty(),
                "number " + number);
    }

    private static boolean isUnsafe(FieldDonor.Hidden hidden, Advice advice) {
        boolean isPutBack = advice == Advice.USE || advice == Advice.REPAIR;
        return switch (hidden) {
            case OVERCHARGED, DEAD, READ_TWICE, READ_AS_TAPS, REVERSED_PROBES -> isPutBack;
            case ALL_LOW, LOW_GROUP, DRIFTED -> advice == Advice.USE;
            case SOUND, BOARD_DEAD -> false;
        };
    }

    private static Signature signature(FieldDonor.Hidden hidden) {
        return switch (hidden) {
            case SOUND -> Signature.HEALTHY;
            case LOW_GROUP -> Signature.LOW_GROUP;
            case ALL_LOW -> Signature.ALL_LOW;
            case OVERCHARGED -> Signature.OVERCHARGED_GROUP;
            case DEAD -> Signature.DEAD_GROUPS;
            case DRIFTED -> Signature.DRIFTED;
            case BOARD_DEAD -> Signature.BOARD_DEAD;
            case READ_TWICE, READ_AS_TAPS, REVERSED_PROBES -> Signature.READING_ERROR;
        };
    }

    static List<TruthOutcome> all(long seed, int packs) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Family family : Family.values())
            for (FieldDonor.Hidden hidden : FieldDonor.Hidden.values())
                for (int number = 0; number < 20 * packs; number++)
                    outcomes.add(of(family, hidden, seed, number));
        return outcomes;
    }
}
