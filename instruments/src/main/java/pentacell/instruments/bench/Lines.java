package pentacell.instruments.bench;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import pentacell.core.bay.Bay;
import pentacell.core.bay.Instrument;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;

/// The lines to the instruments on a bench: made, lost, and made again.
final class Lines implements AutoCloseable {
    private static final long AGAIN_NANOS = TimeUnit.SECONDS.toNanos(1);

    private final Map<String, Link> links = new LinkedHashMap<>();
    private final Object lock = new Object();
    private final Listener listener;
    private volatile Runnable onChange = () -> {};

    /// Who hears what instruments say.
    interface Listener {
        /// An instrument told something unasked; on its client's thread.
        void told(Tell event);

        /// An instrument answers, for the first time or again, and nothing new was started on it
        /// yet.
        void answers(String instrument, InstrumentClient client)
                throws IOException, InstrumentClient.RefusedException;
    }

    /// An instrument and the line to it. Guarded by the lock.
    private static final class Link {
        private final Instrument instrument;
        private Optional<InstrumentClient> client = Optional.empty();
        private LinkState state = LinkState.NOT_YET;
        private long nextTry = System.nanoTime();

        Link(Instrument instrument) {
            this.instrument = instrument;
        }
    }

    Lines(Listener listener) {
        this.listener = listener;
    }

    /// Hears when a line came up or was lost.
    void onChange(Runnable changed) {
        onChange = changed;
    }

    void add(Instrument instrument) {
        synchronized (lock) {
            links.putIfAbsent(instrument.name(), new Link(instrument));
        }
    }

    void remove(String name) {
        synchronized (lock) {
            Link link = links.remove(name);
            if (link != null) link.client.ifPresent(InstrumentClient::close);
        }
    }

    LinkState state(String name) {
        synchronized (lock) {
            Link link = links.get(name);
            return link == null ? LinkState.NOT_YET : link.state;
        }
    }

    /// The client of an instrument, when it answers.
    Optional<InstrumentClient> client(String name) {
        synchronized (lock) {
            return Optional.ofNullable(links.get(name))
                    .filter(link -> link.state.connected())
                    .flatMap(link -> link.client);
        }
    }

    /// The client of a bay's instrument.
    ///
    /// @throws BenchException when it does not answer
    InstrumentClient ready(Bay bay) throws BenchException {
        return client(bay.instrument())
                .orElseThrow(() ->
                        new BenchException(
                                bay.instrument()
                                        + " does not answer. Check that it is on and its cable or adapter is there; it is tried again every second."));
    }

    /// Tries the lines that are down, each once a second.
    void reconnect() {
        List<Link> down;
        synchronized (lock) {
            long now = System.nanoTime();
            down =
                    links.values().stream()
                            .filter(link -> link.client.isEmpty() && now - link.nextTry >= 0)
                            .toList();
        }
        for (Link link : down) reconnect(link);
    }

    private void reconnect(Link link) {
        String address = link.instrument.address();
        int colon = address.lastIndexOf(':');
        LineEvents events = new LineEvents(link);
        try {
            InstrumentClient client =
                    InstrumentClient.connect(
                            address.substring(0, colon),
                            Integer.parseInt(address.substring(colon + 1)),
                            events);
            events.client = Optional.of(client);
            Tell.Identity identity = client.ask(Ask.Identify::new, Tell.Identity.class);
            // before anything new can be started on it, or a run just begun would seem forgotten
            listener.answers(link.instrument.name(), client);
            up(link, client, identity);
        } catch (IOException
                | InstrumentClient.RefusedException
                | IndexOutOfBoundsException
                | NumberFormatException failure) {
            events.client.ifPresent(InstrumentClient::close);
            down(link, "does not answer at " + address, AGAIN_NANOS);
        }
    }

    private void up(Link link, InstrumentClient client, Tell.Identity identity) {
        synchronized (lock) {
            link.client = Optional.of(client);
            link.state =
                    new LinkState(
                            LinkState.Line.UP,
                            identity.name(),
                            identity.speed(),
                            identity.simulated());
        }
        onChange.run();
    }

    private void down(Link link, String why, long againNanos) {
        boolean isNew;
        synchronized (lock) {
            isNew = !link.state.isLost();
            link.client = Optional.empty();
            link.state =
                    new LinkState(
                            LinkState.Line.LOST, why, link.state.speed(), link.state.simulated());
            link.nextTry = System.nanoTime() + againNanos;
        }
        if (isNew) onChange.run();
    }

    /// Hears one instrument; on its client's thread.
    private final class LineEvents implements InstrumentClient.Listener {
        private final Link link;
        private volatile Optional<InstrumentClient> client = Optional.empty();

        LineEvents(Link link) {
            this.link = link;
        }

        @Override
        public void told(Tell event) {
            listener.told(event);
        }

        @Override
        public void lost() {
            synchronized (lock) {
                // the end of a line that was given up already
                if (link.client.isEmpty() || !link.client.equals(client)) return;
            }
            down(link, "the line was cut; trying again", 0);
        }
    }

    @Override
    public void close() {
        synchronized (lock) {
            links.values().forEach(link -> link.client.ifPresent(InstrumentClient::close));
            links.clear();
        }
    }
}
