package pentacell.core.cell;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import pentacell.core.journal.Fact;
import pentacell.core.unit.Limit;

/// What can be logged of a cell.
public sealed interface CellFact extends Fact
        permits CellFact.CellNamed,
                CellFact.CansCounted,
                CellFact.CellPlaced,
                CellFact.VoltageRead,
                CellFact.ResistanceRead,
                CellFact.CapacityMeasured,
                CellFact.BlemishesSeen,
                CellFact.PrepDone,
                CellFact.LabelPrinted,
                CellFact.HandedOver,
                CellFact.CellNoted,
                CellFact.CellDecided,
                RunFact {
    /// The cell it is about.
    CellId cell();

    /// A cell got its identity.
    ///
    /// @param donor code of the donor, empty when not known
    /// @param model name of the model, empty when not known
    record CellNamed(CellId cell, Optional<String> donor, Optional<String> model)
            implements CellFact {}

    /// It was said how many cans stay together as one: a welded pair, or a group that is kept. Its
    /// readings are those of the whole.
    ///
    /// @param count cans, 1 to 1000
    record CansCounted(CellId cell, int count) implements CellFact {
        /// Most cans of a unit.
        public static final int MOST = 1000;

        public CansCounted {
            if (count < 1 || count > MOST)
                throw new IllegalArgumentException(
                        "a unit has 1 to " + MOST + " cans, was " + count);
        }
    }

    /// A cell was laid in a place.
    record CellPlaced(CellId cell, Place place) implements CellFact {}

    /// The resting voltage of a cell was read.
    ///
    /// @param volts in V, −10 to 10: a reversed reading is a fact as well
    record VoltageRead(CellId cell, double volts) implements CellFact {
        /// Under this the probes were reversed; between it and 0 V lies the noise around a dead
        /// cell, in V.
        public static final double REVERSED_VOLTS = -0.5;

        /// Whether the probes were reversed: then it says nothing of the cell.
        public boolean isReversed() {
            return volts < REVERSED_VOLTS;
        }

        public VoltageRead {
            Limit.VOLTAGE.checked(volts);
        }
    }

    /// The internal resistance of a cell was read.
    ///
    /// @param milliohms in mΩ, above 0 and at most 10000
    /// @param method how it was read; values of different methods are never compared
    /// @param bay the bay or meter it was read with, when that was written down
    /// @param celsius temperature of the can in °C: resistance rises with cold
    record ResistanceRead(
            CellId cell,
            double milliohms,
            ResistanceMethod method,
            Optional<String> bay,
            OptionalDouble celsius)
            implements CellFact {
        public ResistanceRead(CellId cell, double milliohms, ResistanceMethod method) {
            this(cell, milliohms, method, Optional.empty(), OptionalDouble.empty());
        }

        public ResistanceRead {
            Limit.RESISTANCE.checked(milliohms);
        }
    }

    /// The discharge capacity of a cell was measured.
    ///
    /// @param milliampHours in mAh, above 0 and at most 100000
    /// @param conditions what makes it comparable
    record CapacityMeasured(CellId cell, double milliampHours, TestConditions conditions)
            implements CellFact {
        public CapacityMeasured {
            Limit.CAPACITY.checked(milliampHours);
        }
    }

    /// Something wrong with the can was seen, felt or smelt.
    record BlemishesSeen(CellId cell, Set<Blemish> blemishes) implements CellFact {
        public BlemishesSeen {
            if (blemishes.isEmpty())
                throw new IllegalArgumentException("no blemish was seen of " + cell);
            blemishes = Collections.unmodifiableSet(EnumSet.copyOf(blemishes));
        }
    }

    /// Work on the can was done, such as a new sleeve.
    record PrepDone(CellId cell, PrepWork work) implements CellFact {}

    /// A label was printed with these figures.
    ///
    /// @param volts first voltage in V
    /// @param milliampHours capacity in mAh
    /// @param milliohms resistance in mΩ
    record LabelPrinted(
            CellId cell,
            OptionalDouble volts,
            OptionalDouble milliampHours,
            OptionalDouble milliohms)
            implements CellFact {}

    /// A cell left the workshop for recycling; its place is free.
    ///
    /// @param to who took it, in words
    record HandedOver(CellId cell, String to) implements CellFact {}

    /// Something else was noticed.
    record CellNoted(CellId cell, String note) implements CellFact {}

    /// A person decided otherwise than the program's judgement.
    ///
    /// @param decision what was decided
    /// @param reason why, in the person's words
    record CellDecided(CellId cell, Decision decision, String reason) implements CellFact {}

    /// What a person can decide about a cell.
    enum Decision {
        /// Use it, whatever the figures say.
        USE,
        /// Do not use it, whatever the figures say.
        OUT,
        /// Go by the figures again.
        BY_FIGURES
    }

    /// How a resistance was read.
    enum ResistanceMethod {
        /// Four-wire meter at 1 kHz.
        AC_1_KHZ("AC"),
        /// Step of direct current.
        DC("DC");

        private final String words;

        ResistanceMethod(String words) {
            this.words = words;
        }

        /// What stands behind the figure.
        public String words() {
            return words;
        }
    }
}
