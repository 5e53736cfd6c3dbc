package pentacell.instruments.protocol;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Objects;
import pentacell.core.test.facts.Programme;

/// What the program asks of an instrument. Each carries a number that its answer repeats.
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "ask")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Ask.Identify.class, name = "identify"),
    @JsonSubTypes.Type(value = Ask.Slots.class, name = "slots"),
    @JsonSubTypes.Type(value = Ask.Start.class, name = "start"),
    @JsonSubTypes.Type(value = Ask.Stop.class, name = "stop"),
    @JsonSubTypes.Type(value = Ask.Replay.class, name = "replay"),
    @JsonSubTypes.Type(value = Ask.Read.class, name = "read"),
    @JsonSubTypes.Type(value = Ask.Groups.class, name = "groups"),
    @JsonSubTypes.Type(value = Ask.Load.class, name = "load"),
    @JsonSubTypes.Type(value = Ask.Insert.class, name = "insert"),
    @JsonSubTypes.Type(value = Ask.Fault.class, name = "fault")
})
public sealed interface Ask {
    /// Its number.
    long id();

    /// Who are you?
    record Identify(long id) implements Ask {}

    /// What is in your slots?
    record Slots(long id) implements Ask {}

    /// Start a programme.
    ///
    /// @param run the name its samples are to carry
    record Start(long id, int slot, String run, Programme programme) implements Ask {
        public Start {
            // a line from outside may lack them
            Objects.requireNonNull(run, "run");
            Objects.requireNonNull(programme, "programme");
        }
    }

    /// Stop what runs in a slot.
    record Stop(long id, int slot) implements Ask {}

    /// Send the samples of a run again.
    ///
    /// @param from number of the first one wanted, counted from 0
    record Replay(long id, int slot, String run, int from) implements Ask {
        public Replay {
            Objects.requireNonNull(run, "run");
        }
    }

    /// Read the cell in a slot now: voltage and, when the instrument can, resistance.
    record Read(long id, int slot) implements Ask {}

    /// Of a board on a whole pack: read its groups now.
    record Groups(long id) implements Ask {}

    /// Of a bench load on a whole pack: draw so much from now on, in A; 0 draws nothing. One that
    /// hears nothing for ten seconds lets go.
    record Load(long id, double amps) implements Ask {}

    /// Only for stand-ins: put a virtual cell into a slot.
    ///
    /// @param cell its id; an empty one takes the cell out
    record Insert(long id, int slot, String cell) implements Ask {
        public Insert {
            Objects.requireNonNull(cell, "cell");
        }
    }

    /// Only for stand-ins: let something go wrong.
    ///
    /// @param afterSeconds when, in s of the run in the slot; 0 is at once
    record Fault(long id, int slot, FaultKind fault, double afterSeconds) implements Ask {
        public Fault {
            Objects.requireNonNull(fault, "fault");
        }
    }

    /// What can go wrong on demand.
    enum FaultKind {
        /// The connection is cut; the instrument goes on.
        CUT_CONNECTION,
        /// The contact is lost for some seconds.
        CONTACT_BLIP,
        /// Another cell is in the slot from now on.
        SLOT_SWAPPED,
        /// The instrument starts anew and knows nothing of its runs.
        RESTART
    }
}
