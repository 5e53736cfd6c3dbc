package pentacell.core.prove;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.PackLines;
import pentacell.core.line.Piece;
import pentacell.core.line.TypedFigures;
import pentacell.core.pack.Pack;
import pentacell.core.prove.facts.AloneRun;
import pentacell.core.prove.facts.BarReading;
import pentacell.core.prove.facts.DeviceTrip;
import pentacell.core.prove.facts.Proof;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.prove.facts.Proofs;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.DayText;
import pentacell.core.unit.Limit;
import pentacell.core.unit.Quantity;

/// What is typed while a pack is proved: `g5 20.9Ah` (a group alone), `full g3 4.18`, `4a 3.71 3.70
/// …` (the pack under load by hand), `trip 20.6`, `t 3.2 41` (the warmth of a place), `ambient 22`,
/// `bar 3 4.5mV 30A`.
public final class ProveLine {
    private static final Pattern ALONE =
            Pattern.compile("g(?:roup)?\\s*(\\d{1,3})\\s+(\\S+?\\s*ah)(?:\\s+(\\S+?\\s*wh))?");
    private static final Pattern FULL =
            Pattern.compile("full\\s+g?(?:roup)?\\s*(\\d{1,3})\\s+(\\S+)");
    private static final Pattern BY_HAND = Pattern.compile("(\\S+?)\\s*a((?:\\s+\\S+)+)");
    private static final Pattern TRIP = Pattern.compile("trip\\s+(\\S+)(?:\\s+(\\S+))?");
    private static final Pattern WARM = Pattern.compile("t\\s+(\\d{1,4})\\.(\\d{1,4})\\s+(\\S+)");
    private static final Pattern AMBIENT =
            Pattern.compile("ambient\\s+(\\S+)(?:\\s+(.*))?", Pattern.CASE_INSENSITIVE);
    private static final Pattern BAR =
            Pattern.compile("bar\\s+(\\d{1,3})\\s+(\\S+?)\\s*mv\\s+(\\S+?)\\s*a");
    private static final String TEST_BY_HAND = "by hand";

    /// A reading by hand belongs to the test of the one before for so long.
    private static final Duration SAME_TEST = Duration.ofHours(12);

    private final String text;
    private final WorkshopState state;
    private final Pack pack;
    private final Instant now;
    private final ZoneId zone;

    private ProveLine(String text, WorkshopState state, Pack pack, Instant now, ZoneId zone) {
        this.text = text.strip();
        this.state = state;
        this.pack = pack;
        this.now = now;
        this.zone = zone;
    }

    /// Reads a line about a pack.
    ///
    /// @param zone in which a test by hand is named after its day
    public static Line<LineAct> read(
            String text, WorkshopState state, String pack, Instant now, ZoneId zone) {
        return PackLines.read(
                text,
                state,
                pack,
                matched -> new ProveLine(text, state, matched, now, zone).line());
    }

    private Line<LineAct> line() {
        String small = text.toLowerCase(Locale.ROOT);
        Matcher alone = ALONE.matcher(small);
        if (alone.matches()) return alone(alone);
        Matcher full = FULL.matcher(small);
        if (full.matches()) return full(full);
        Matcher trip = TRIP.matcher(small);
        if (trip.matches()) return trip(trip);
        Matcher warm = WARM.matcher(small);
        if (warm.matches()) return warm(warm);
        Matcher ambient = AMBIENT.matcher(text);
        if (ambient.matches()) return ambient(ambient);
        Matcher bar = BAR.matcher(small);
        if (bar.matches()) return bar(bar);
        Matcher byHand = BY_HAND.matcher(small);
        if (byHand.matches())
            return TypedFigures.groupRow(byHand.group(1), byHand.group(2), series())
                    .then(this::byHand);
        return Line.wrong(
                "expected a group alone (g5 20.9Ah), a group when full (full g3 4.18), a current with all groups (4a 3.71 …) or a trip");
    }

    private int series() {
        return pack.groups().size();
    }

    private Line<LineAct> logs(String words, ProofFact fact, List<Piece> pieces) {
        return new Line.Complete<>(pieces, "", LineAct.logs(words, text, fact));
    }

    private Line<LineAct> alone(Matcher alone) {
        OptionalInt group = TypedFigures.group(alone.group(1), series());
        OptionalDouble ampHours = TypedFigures.read(alone.group(2), "ah", Limit.GROUP_CHARGE);
        if (group.isEmpty()) return TypedFigures.noGroup(series());
        if (ampHours.isEmpty()) return TypedFigures.wrong(alone.group(2), Limit.GROUP_CHARGE);
        List<Piece> pieces = new ArrayList<>();
        pieces.add(Piece.plain("group " + group.getAsInt(), "alone"));
        pieces.add(Piece.plain(Quantity.CHARGE.text(ampHours.getAsDouble()), "gave"));
        OptionalDouble wattHours = OptionalDouble.empty();
        if (alone.group(3) != null) {
            wattHours = TypedFigures.read(alone.group(3), "wh", Limit.GROUP_ENERGY);
            if (wattHours.isEmpty()) return TypedFigures.wrong(alone.group(3), Limit.GROUP_ENERGY);
            pieces.add(Piece.plain(Quantity.ENERGY.text(wattHours.getAsDouble()), "gave"));
        }
        return logs(
                "Group %d of %s alone".formatted(group.getAsInt(), pack.name()),
                new ProofFact.GroupTested(
                        pack.name(),
                        group.getAsInt() - 1,
                        new AloneRun(ampHours.getAsDouble(), wattHours)),
                pieces);
    }

    private Line<LineAct> full(Matcher full) {
        OptionalInt group = TypedFigures.group(full.group(1), series());
        OptionalDouble volts = TypedFigures.volts(full.group(2), Limit.VOLTAGE);
        if (group.isEmpty()) return TypedFigures.noGroup(series());
        if (volts.isEmpty()) return TypedFigures.wrong(full.group(2), Limit.VOLTAGE);
        return logs(
                "Read group %d, full".formatted(group.getAsInt()),
                new ProofFact.FullRead(pack.name(), group.getAsInt() - 1, volts.getAsDouble()),
                List.of(
                        Piece.plain("group " + group.getAsInt(), "full"),
                        Piece.plain(Quantity.VOLTAGE.text(volts.getAsDouble()), "volts")));
    }

    private Line<LineAct> trip(Matcher trip) {
        OptionalDouble volts = TypedFigures.volts(trip.group(1), Limit.PACK_VOLTAGE);
        if (!(volts.orElse(0) > 0)) return TypedFigures.wrong(trip.group(1), Limit.PACK_VOLTAGE);
        List<Piece> pieces = new ArrayList<>();
        pieces.add(Piece.plain(Quantity.VOLTAGE.text(volts.getAsDouble(), 2), "device trips"));
        OptionalDouble spring = OptionalDouble.empty();
        if (trip.group(2) != null) {
            spring = TypedFigures.volts(trip.group(2), Limit.PACK_VOLTAGE);
            if (spring.isEmpty()) return TypedFigures.wrong(trip.group(2), Limit.PACK_VOLTAGE);
            pieces.add(Piece.plain(Quantity.VOLTAGE.text(spring.getAsDouble(), 2), "springs back"));
        }
        return logs(
                "Trip of the device on " + pack.name(),
                new ProofFact.TripSeen(pack.name(), new DeviceTrip(volts.getAsDouble(), spring)),
                pieces);
    }

    private Line<LineAct> warm(Matcher warm) {
        Optional<Layout> layout = Assemblies.of(state).assembly(pack.name()).layout();
        if (layout.isEmpty()) return Line.wrong("take a layout at Build first");
        int column = TypedFigures.number(warm.group(1));
        int row = TypedFigures.number(warm.group(2));
        if (column < 1
                || row < 1
                || layout.get().cansByPlace().at(new Spot(column - 1, row - 1)).isEmpty())
            return Line.wrong("there is no cell in column %d, row %d".formatted(column, row));
        OptionalDouble celsius = TypedFigures.celsius(warm.group(3));
        if (celsius.isEmpty()) return TypedFigures.wrong(warm.group(3), Limit.WARMTH);
        Spot spot = new Spot(column - 1, row - 1);
        return logs(
                "Warmth at " + spot,
                new ProofFact.WarmRead(pack.name(), spot, celsius.getAsDouble()),
                List.of(
                        Piece.plain(spot.toString(), "place"),
                        Piece.plain(Quantity.TEMPERATURE.text(celsius.getAsDouble()), "warm")));
    }

    private Line<LineAct> ambient(Matcher ambient) {
        OptionalDouble celsius = TypedFigures.celsius(ambient.group(1));
        if (celsius.isEmpty()) return TypedFigures.wrong(ambient.group(1), Limit.WARMTH);
        String note = ambient.group(2) == null ? "" : ambient.group(2).strip();
        List<Piece> pieces = new ArrayList<>();
        pieces.add(Piece.plain(Quantity.TEMPERATURE.text(celsius.getAsDouble()), "around"));
        if (!note.isEmpty()) pieces.add(Piece.plain(note, "note"));
        return logs(
                "Around " + pack.name(),
                new ProofFact.AmbientRead(pack.name(), celsius.getAsDouble(), note),
                pieces);
    }

    private Line<LineAct> bar(Matcher bar) {
        int joint = TypedFigures.number(bar.group(1));
        if (joint > series()) return Line.wrong("the pack has joints 0 to " + series());
        OptionalDouble millivolts = TypedFigures.read(bar.group(2), "mv", Limit.BAR_DROP);
        if (millivolts.isEmpty()) return TypedFigures.wrong(bar.group(2), Limit.BAR_DROP);
        OptionalDouble amps = TypedFigures.read(bar.group(3), "a", Limit.PACK_CURRENT);
        if (!(amps.orElse(0) > 0))
            return Line.wrong("a drop needs a current above 0 A, such as bar 3 4.5mV 30A");
        return logs(
                "Drop along joint " + joint,
                new ProofFact.BarRead(
                        pack.name(),
                        joint,
                        new BarReading(millivolts.getAsDouble(), amps.getAsDouble())),
                List.of(
                        Piece.plain("joint " + joint, "bar"),
                        Piece.plain(Quantity.MILLIVOLTS.text(millivolts.getAsDouble(), 1), "drops"),
                        Piece.plain(Quantity.CURRENT.text(amps.getAsDouble()), "at")));
    }

    private Line<LineAct> byHand(Line.Complete<TypedFigures.GroupRow> row) {
        String test = testByHand(Proofs.of(state).proof(pack.name()));
        return logs(
                "Read %s under load".formatted(pack.name()),
                new ProofFact.HandRead(
                        pack.name(),
                        test,
                        ProvedPack.endVolts(state, pack, test),
                        row.act().amps(),
                        row.act().volts()),
                row.pieces());
    }

    /// The test by hand that goes on, or a new one.
    private String testByHand(Proof proof) {
        return proof.tests().values().stream()
                .filter(test -> test.name().startsWith(TEST_BY_HAND))
                .filter(test -> Duration.between(lastRead(test), now).compareTo(SAME_TEST) < 0)
                .map(Proof.Test::name)
                .reduce((one, next) -> next)
                .orElseGet(() -> TEST_BY_HAND + ", " + DayText.of(now.atZone(zone).toLocalDate()));
    }

    private static Instant lastRead(Proof.Test test) {
        return test.at().plusMillis((long) (1000 * test.log().seconds().getLast()));
    }
}
