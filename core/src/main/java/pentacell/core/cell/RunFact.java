package pentacell.core.cell;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.judgement.Reason;
import pentacell.core.unit.Limit;

/// What a test by instrument adds to a cell's life line. The samples themselves lie beside the
/// journal, under the name of the run.
public sealed interface RunFact extends CellFact {

    /// A cell was put into a bay and its programme began.
    ///
    /// @param run name of the run, the key of its samples
    /// @param bay bay it runs in, such as `Charger A · 2`
    /// @param programme what it is put through, in words
    record RunStarted(CellId cell, String run, String bay, String programme) implements RunFact {}

    /// A run ended.
    ///
    /// @param cause why it broke off, where the program found that out
    /// @param words what the instrument said of it, in its own words; empty when it said nothing
    /// @param seconds how long it ran by the instrument's own clock, in s
    record RunEnded(
            CellId cell,
            String run,
            RunEnd end,
            Optional<Break> cause,
            String words,
            OptionalDouble seconds)
            implements RunFact {
        public RunEnded(CellId cell, String run, RunEnding ending, OptionalDouble seconds) {
            this(cell, run, ending.end(), ending.cause(), ending.words(), seconds);
        }

        /// How it came to its end.
        public RunEnding ending() {
            return new RunEnding(end, cause, words);
        }
    }

    /// A capacity was carried over to the workshop's standard conditions; it holds in the place of
    /// the measured one, which stays in the life line.
    ///
    /// @param milliampHours what the cell would have given, in mAh, above 0 and at most 100000
    /// @param uncertaintyMilliampHours one standard deviation, in mAh
    /// @param shares what each step of the correction added, in mAh
    record CapacityCorrected(
            CellId cell,
            String run,
            double milliampHours,
            double uncertaintyMilliampHours,
            List<Share> shares)
            implements RunFact {
        public CapacityCorrected {
            Limit.CAPACITY.checked(milliampHours);
            shares = List.copyOf(shares);
        }
    }

    /// One step of a correction.
    ///
    /// @param milliampHours what it adds, in mAh
    record Share(Correction correction, double milliampHours) {}

    /// Why a capacity is carried over.
    enum Correction {
        BAY_GAIN("gain of the bay"),
        CHARGE_END("charged less than full"),
        CHARGE_END_ON_PLATEAU("charged less than full; how much, its plateau does not tell"),
        RATE_AND_END("rate and end voltage"),
        TEMPERATURE("temperature");

        private final String words;

        Correction(String words) {
            this.words = words;
        }

        /// The correction in words.
        public String words() {
            return words;
        }
    }

    /// How warm a cell became in a run.
    ///
    /// @param riseKelvin highest temperature over its start, in K
    /// @param amps mean current of its discharge, in A
    record HeatSeen(CellId cell, String run, double riseKelvin, double amps) implements RunFact {
        public HeatSeen {
            if (!(riseKelvin >= 0 && riseKelvin < 1000 && (amps == 0 || Limit.CURRENT.holds(amps))))
                throw new IllegalArgumentException(
                        "a rise is 0 to 1000 K at 0 to 1000 A, was %s at %s"
                                .formatted(riseKelvin, amps));
        }
    }

    /// Something odd was found in the curve of a run.
    ///
    /// @param atSeconds where, in s from its start
    /// @param reason rule, figure and limit; empty in entries of file format 3 and before
    /// @param sentence what those older entries say, in their own words
    record CurveOdd(
            CellId cell,
            String run,
            Oddity oddity,
            double atSeconds,
            Optional<Reason> reason,
            Optional<String> sentence)
            implements RunFact {
        public CurveOdd(CellId cell, String run, Oddity oddity, double atSeconds, Reason reason) {
            this(cell, run, oddity, atSeconds, Optional.of(reason), Optional.empty());
        }
    }

    /// A charged cell was laid on the hold shelf.
    ///
    /// @param days how long it is to lie, 1 to 365
    record HoldBegan(CellId cell, int days) implements RunFact {
        public HoldBegan {
            if (days < 1 || days > 365)
                throw new IllegalArgumentException("a hold is 1 to 365 days, was " + days);
        }
    }

    /// A cell was chosen to compare the bays with, or is no longer one.
    record ReferenceChosen(CellId cell, Reference reference) implements RunFact {}

    /// Whether a cell compares bays.
    enum Reference {
        YES,
        NO
    }

    /// How a run came to its end.
    enum RunEnd {
        /// Its programme was done.
        DONE("done"),
        /// A person stopped it.
        STOPPED("stopped by hand"),
        /// A limit of the programme stopped it.
        LIMIT("stopped at a limit"),
        /// The instrument lost it; what had come in is kept.
        BROKEN("broken off");

        private final String words;

        RunEnd(String words) {
            this.words = words;
        }

        /// The end in words.
        public String words() {
            return words;
        }
    }

    /// Why a run broke off, as far as the program can tell.
    enum Break {
        /// The bay refused to begin.
        NOT_STARTED("the bay did not start"),
        /// The instrument no longer has a part of the samples.
        SAMPLES_LOST("the instrument lost a part of its samples"),
        /// The instrument was started anew and knows nothing of the run.
        FORGOTTEN("the instrument does not know this run any more; it was restarted");

        private final String words;

        Break(String words) {
            this.words = words;
        }

        /// The cause in words.
        public String words() {
            return words;
        }
    }
}
