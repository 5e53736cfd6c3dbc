package pentacell.core.donor;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import pentacell.core.journal.Fact;
import pentacell.core.unit.Limit;

/// What can be logged of a donor: its description, and what is seen and done before and while it is
/// taken apart.
public sealed interface DonorFact extends Fact {

    /// A donor was added, or described anew under the same code.
    record DonorAdded(Donor donor) implements DonorFact {}

    /// A fact about a donor that is known.
    sealed interface OfDonor extends DonorFact {
        /// Code of the donor.
        String donor();
    }

    /// Groups were read at the balance joints; a group read again supersedes its earlier reading.
    ///
    /// @param groupVolts reading in V by group, counted from 1 at the pack's negative; −1000 to
    ///   1000, since a wrong reading is a fact as well
    record GroupsRead(String donor, SortedMap<Integer, Double> groupVolts) implements OfDonor {
        public GroupsRead {
            groupVolts = Collections.unmodifiableSortedMap(new TreeMap<>(groupVolts));
            for (Map.Entry<Integer, Double> each : groupVolts.entrySet()) {
                if (each.getKey() < 1 || each.getKey() > 200)
                    throw new IllegalArgumentException(
                            "groups count from 1 to 200, was " + each.getKey());
                check(each.getValue());
            }
        }
    }

    /// The voltage across the whole string was read, in V, before any board.
    record PackVoltageRead(String donor, double volts) implements OfDonor {
        public PackVoltageRead {
            check(volts);
        }
    }

    /// The voltage at the output was read, in V, behind the board.
    record OutputVoltageRead(String donor, double volts) implements OfDonor {
        public OutputVoltageRead {
            check(volts);
        }
    }

    /// Warning signs were noticed.
    record SignsSeen(String donor, Set<WarningSign> signs) implements OfDonor {
        public SignsSeen {
            signs = signs.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(signs));
        }
    }

    /// A group was brought up alone and taken off the supply.
    ///
    /// @param group counted from 1
    /// @param volts what it read then, in V
    record GroupCharged(String donor, int group, double volts) implements OfDonor {
        public GroupCharged {
            check(volts);
        }
    }

    /// A step of the teardown was done, or is open again.
    record StepChecked(String donor, String step, Check check) implements OfDonor {}

    /// Minutes were spent on it.
    record MinutesSpent(String donor, int minutes) implements OfDonor {
        public MinutesSpent {
            if (minutes < 1 || minutes > 10_000)
                throw new IllegalArgumentException("minutes are 1 to 10000, were " + minutes);
        }
    }

    /// Parts were saved for later use.
    record PartSaved(String donor, String part, int count) implements OfDonor {
        public PartSaved {
            if (count < 1 || count > 10_000)
                throw new IllegalArgumentException("parts are 1 to 10000, were " + count);
        }
    }

    /// A person decided what becomes of it, otherwise than advised.
    ///
    /// @param reason why, in the person's words
    record WayDecided(String donor, DonorWay way, String reason) implements OfDonor {}

    /// What can become of a donor.
    enum DonorWay {
        USE,
        REPAIR,
        HARVEST,
        SCRAP,
        /// Go by the advice again.
        AS_ADVISED
    }

    /// Whether a step is done.
    enum Check {
        DONE,
        OPEN
    }

    private static void check(double volts) {
        Limit.DONOR_VOLTAGE.checked(volts);
    }
}
