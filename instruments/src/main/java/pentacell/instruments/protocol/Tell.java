package pentacell.instruments.protocol;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;

/// What an instrument tells: answers, which repeat the number of what was asked, and events.
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "tell")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Tell.Identity.class, name = "identity"),
    @JsonSubTypes.Type(value = Tell.SlotStates.class, name = "slots"),
    @JsonSubTypes.Type(value = Tell.Done.class, name = "done"),
    @JsonSubTypes.Type(value = Tell.Refused.class, name = "refused"),
    @JsonSubTypes.Type(value = Tell.Reading.class, name = "reading"),
    @JsonSubTypes.Type(value = Tell.Groups.class, name = "groups"),
    @JsonSubTypes.Type(value = Tell.Samples.class, name = "samples"),
    @JsonSubTypes.Type(value = Tell.Stage.class, name = "stage"),
    @JsonSubTypes.Type(value = Tell.Ended.class, name = "ended")
})
public sealed interface Tell {

    /// An answer.
    sealed interface Answer extends Tell {
        /// Number of what was asked.
        long answers();
    }

    /// Who it is.
    ///
    /// @param name what it calls itself
    /// @param protocol version of this protocol, 1
    /// @param simulated whether it is a stand-in
    /// @param speed how many of its seconds pass in one
    record Identity(
            long answers,
            String name,
            int protocol,
            boolean simulated,
            double speed,
            List<SlotAbility> slots)
            implements Answer {
        public Identity {
            Objects.requireNonNull(slots, "slots");
            name = Objects.requireNonNullElse(name, "");
        }

        /// Whether what it tells is made up: it says so, or its time is not ours.
        public boolean isStandIn() {
            return simulated || speed > 0 && speed != 1;
        }
    }

    /// What a slot can do.
    ///
    /// @param chemistries codes such as `nmc`
    /// @param resistance whether it reads resistance at 1 kHz
    record SlotAbility(
            int slot,
            double chargeAmps,
            double dischargeAmps,
            List<String> chemistries,
            boolean resistance) {}

    /// What is in the slots.
    record SlotStates(long answers, List<SlotState> slots) implements Answer {
        public SlotStates {
            Objects.requireNonNull(slots, "slots");
        }
    }

    /// What is in a slot.
    ///
    /// @param volts across it, in V; empty when it holds no cell
    /// @param run the run whose samples it still knows
    /// @param samples how many samples of it there are
    /// @param running whether it runs still
    record SlotState(
            int slot, OptionalDouble volts, Optional<String> run, int samples, boolean running) {}

    /// It was done.
    record Done(long answers) implements Answer {}

    /// It was not done.
    record Refused(long answers, String why) implements Answer {
        public Refused {
            why = Objects.requireNonNullElse(why, "");
        }
    }

    /// A reading.
    record Reading(
            long answers, int slot, double volts, OptionalDouble milliohms, OptionalDouble celsius)
            implements Answer {}

    /// What the groups of a pack read.
    ///
    /// @param seconds by the board's own clock
    /// @param amps drawn from the pack, below 0 when it is charged
    /// @param volts of each group, from the pack's negative
    record Groups(long answers, double seconds, double amps, List<Double> volts) implements Answer {
        public Groups {
            Objects.requireNonNull(volts, "volts");
            volts = List.copyOf(volts);
        }
    }

    /// Samples of a run.
    ///
    /// @param first number of the first one, counted from 0
    /// @param rows seconds since the start of the run, V, A (over 0 charges), °C
    record Samples(int slot, String run, int first, List<double[]> rows) implements Tell {
        public Samples {
            // a line from outside may lack them
            Objects.requireNonNull(run, "run");
            Objects.requireNonNull(rows, "rows");
        }
    }

    /// A stage of a run begins.
    ///
    /// @param stage counted from 0
    record Stage(int slot, String run, int stage, double seconds) implements Tell {
        public Stage {
            Objects.requireNonNull(run, "run");
        }
    }

    /// A run ended.
    ///
    /// @param how `done`, `stopped`, `limit` or `fault`
    record Ended(int slot, String run, String how, String words) implements Tell {
        public Ended {
            Objects.requireNonNull(run, "run");
            how = Objects.requireNonNullElse(how, "");
            words = Objects.requireNonNullElse(words, "");
        }
    }
}
