package pentacell.instruments.bench;

import java.io.IOException;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import pentacell.core.cell.Chemistry;
import pentacell.core.test.facts.Bay;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;
import pentacell.instruments.protocol.Wire;

/// Asks an instrument once who it is.
public final class InstrumentProbe {
    private InstrumentProbe() {}

    /// The bays of the instrument at an address; away from the UI thread.
    ///
    /// @param name what it is to be called
    /// @param address `host:port`
    /// @throws BenchException when nobody answers there
    public static List<Bay> bays(String name, String address) throws BenchException {
        try (InstrumentClient client = InstrumentClient.connect(address)) {
            Tell.Identity identity = client.ask(Ask.Identify::new, Tell.Identity.class);
            Optional<String> stranger = Wire.stranger(identity);
            if (stranger.isPresent())
                throw new BenchException("The instrument at " + address + " " + stranger.get());
            return identity.slots().stream()
                    .map(slot ->
                            new Bay(
                                    name,
                                    slot.slot(),
                                    slot.chargeAmps(),
                                    slot.dischargeAmps(),
                                    chemistries(slot)))
                    .toList();
        } catch (IOException
                | InstrumentClient.RefusedException
                | IllegalArgumentException failure) {
            throw new BenchException(
                    "No instrument answers at %s (%s). Is its adapter running?"
                            .formatted(address, failure.getMessage()));
        }
    }

    private static Set<Chemistry> chemistries(Tell.SlotAbility slot) {
        EnumSet<Chemistry> all = EnumSet.noneOf(Chemistry.class);
        slot.chemistries().stream()
                .map(Chemistry::parse)
                .flatMap(Optional::stream)
                .forEach(all::add);
        return all;
    }
}
