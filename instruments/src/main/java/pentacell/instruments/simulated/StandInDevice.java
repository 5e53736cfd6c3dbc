package pentacell.instruments.simulated;

import java.util.List;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;

/// What stands behind the line of a stand-in. Its methods may be called from any thread.
interface StandInDevice {
    /// What came of the time that passed.
    ///
    /// @param cutConnections whether all connections are to be cut
    record Passed(List<Tell> told, boolean cutConnections) {}

    /// Lets time pass, in s of the world.
    Passed pass(double worldSeconds);

    /// Answers what was asked.
    List<Tell> answer(Ask ask);
}
