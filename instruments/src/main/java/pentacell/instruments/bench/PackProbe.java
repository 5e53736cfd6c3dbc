package pentacell.instruments.bench;

import java.io.IOException;
import java.util.Optional;
import pentacell.instruments.bench.LoadTestRun.Moment;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;

/// Asks a board on a whole pack once what its groups read.
public final class PackProbe {
    private PackProbe() {}

    /// What the groups read now; away from the UI thread.
    ///
    /// @param address `host:port`
    /// @throws BenchException when nobody answers there, or it is no board
    public static Moment groups(String address) throws BenchException {
        try (InstrumentClient board = InstrumentClient.connect(address)) {
            Tell.Groups read = board.ask(Ask.Groups::new, Tell.Groups.class);
            return new Moment(read.seconds(), read.amps(), read.volts());
        } catch (IOException
                | InstrumentClient.RefusedException
                | IllegalArgumentException failure) {
            throw new BenchException(
                    "No board answers at %s (%s). Is its adapter running?"
                            .formatted(
                                    address,
                                    Optional.ofNullable(failure.getMessage()).orElse("no reason")));
        }
    }
}
