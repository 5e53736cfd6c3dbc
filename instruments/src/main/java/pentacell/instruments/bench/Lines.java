package pentacell.instruments.bench;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Instrument;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;
import pentacell.instruments.protocol.Wire;

/// The lines to the instruments on a bench: made, lost, and made again.
final class Lines implements AutoCloseable {
    private static final long AGAIN_NANOS = TimeUnit.SECONDS.toNanos(1);
    private static final long MUCH_LATER_NANOS = TimeUnit.SECONDS.toNanos(30);

    private final Map<String, Link> links = new LinkedHashMap<>();
    private final Object lock = new Object();
    private final Listener listener;
    private final Queue<Reached> reached = new ConcurrentLinkedQueue<>();
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

        /// Somebody is at it, or has reached it.
        private boolean isTried;

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

    /// Takes up the lines that have come up, and tries those that are down, each once a second. The
    /// trying goes on elsewhere: one that is silent keeps nobody waiting.
    void reconnect() {
        for (Reached each = reached.poll(); each != null; each = reached.poll()) settle(each);
        synchronized (lock) {
            long now = System.nanoTime();
            for (Link link : links.values()) {
                if (link.isTried || link.client.isPresent() || now - link.nextTry < 0) continue;
                link.isTried = true;
                Thread.ofVirtual().name("instrument tried").start(() -> reach(link));
            }
        }
    }

    /// An instrument that has just answered.
    private record Reached(
            Link link, LineEvents events, InstrumentClient client, Tell.Identity identity) {}

    private void reach(Link link) {
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
            Optional<String> stranger = Wire.stranger(identity);
            if (stranger.isPresent()) {
                client.close();
                down(link, stranger.get(), MUCH_LATER_NANOS);
                return;
            }
            client.ask(Ask.Slots::new, Tell.SlotStates.class);
            reached.add(new Reached(link, events, client, identity));
        } catch (IOException
                | InstrumentClient.RefusedException
                | IndexOutOfBoundsException
                | NumberFormatException failure) {
            events.client.ifPresent(InstrumentClient::close);
            down(link, events.words(address), AGAIN_NANOS);
        }
    }

    private void settle(Reached reached) {
        boolean isWanted;
        synchronized (lock) {
            isWanted = links.containsValue(reached.link());
        }
        if (!isWanted) {
            reached.client().close();
            return;
        }
        try {
            // before anything new can be started on it, or a run just begun would seem forgotten
            listener.answers(reached.link().instrument.name(), reached.client());
            up(reached.link(), reached.client(), reached.identity());
        } catch (IOException | InstrumentClient.RefusedException failure) {
            reached.client().close();
            down(
                    reached.link(),
                    reached.events().words(reached.link().instrument.address()),
                    AGAIN_NANOS);
        }
    }

    private void up(Link link, InstrumentClient client, Tell.Identity identity) {
        synchronized (lock) {
            link.client = Optional.of(client);
            link.isTried = false;
            link.state =
                    new LinkState(
                            LinkState.Line.UP,
                            identity.name(),
                            identity.speed(),
                            identity.isStandIn());
        }
        onChange.run();
    }

    private void down(Link link, String why, long againNanos) {
        boolean isNew;
        synchronized (lock) {
            isNew = !link.state.isLost();
            link.client = Optional.empty();
            link.isTried = false;
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
        private volatile Optional<String> complaint = Optional.empty();

        LineEvents(Link link) {
            this.link = link;
        }

        /// Why there is no line.
        String words(String address) {
            return complaint.orElse("does not answer at " + address);
        }

        @Override
        public void told(Tell event) {
            listener.told(event);
        }

        @Override
        public void lost(Optional<String> wrong) {
            complaint = wrong;
            synchronized (lock) {
                // the end of a line that was given up already
                if (link.client.isEmpty() || !link.client.equals(client)) return;
            }
            down(
                    link,
                    wrong.orElse("the line was cut") + "; trying again",
                    wrong.isPresent() ? AGAIN_NANOS : 0);
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
