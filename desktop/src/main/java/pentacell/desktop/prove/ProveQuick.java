package pentacell.desktop.prove;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.prove.ProvedPack;
import pentacell.core.prove.facts.AloneRun;
import pentacell.core.prove.facts.BarReading;
import pentacell.core.prove.facts.DeviceTrip;
import pentacell.core.prove.facts.Proof;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.prove.facts.Proofs;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Limit;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.OneFactLines;
import pentacell.desktop.frame.QuickLine;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Prove: a group alone, a group when full, the pack under load by hand, where
/// the device tripped.
final class ProveQuick {
    private static final Pattern ALONE =
            Pattern.compile("g(?:roup)?\\s*(\\d{1,3})\\s+(\\S+?)\\s*ah(?:\\s+(\\S+?)\\s*wh)?");
    private static final Pattern FULL =
            Pattern.compile("full\\s+g?(?:roup)?\\s*(\\d{1,3})\\s+(\\S+)");
    private static final Pattern HAND = Pattern.compile("(\\S+?)\\s*a((?:\\s+\\S+)+)");
    private static final Pattern TRIP = Pattern.compile("trip\\s+(\\S+)(?:\\s+(\\S+))?");
    private static final Pattern WARM = Pattern.compile("t\\s+(\\d{1,4})\\.(\\d{1,4})\\s+(\\S+)");
    private static final Pattern AMBIENT = Pattern.compile("ambient\\s+(\\S+)(?:\\s+(.*))?");
    private static final Pattern BAR =
            Pattern.compile("bar\\s+(\\d{1,3})\\s+(\\S+?)\\s*mv\\s+(\\S+?)\\s*a");
    private static final String BY_HAND = "by hand";
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    /// A reading by hand belongs to the test of the one before for so long.
    private static final Duration SAME_TEST = Duration.ofHours(12);

    private final ProveModel model;

    private ProveQuick(ProveModel model) {
        this.model = model;
    }

    static QuickSource of(ProveModel model) {
        return new OneFactLines(
                model.desk(),
                () -> model.inHand().name(),
                "g5 20.9Ah   full g3 4.18   4a 3.71 3.70 …   trip 20.6",
                new ProveQuick(model)::line,
                changed -> {
                    model.inHand().nameProperty().subscribe(name -> changed.run());
                    model.desk().ledger().expectedProperty().subscribe(now -> changed.run());
                });
    }

    private QuickLine line(String text) {
        String pack = model.inHand().name();
        Optional<Pack> matched = Packs.of(expected()).pack(pack);
        if (matched.isEmpty()) return new QuickLine.No("no pack is matched");
        String small = text.strip().toLowerCase(Locale.ROOT);
        int series = matched.get().groups().size();
        Matcher alone = ALONE.matcher(small);
        if (alone.matches()) return alone(pack, series, alone);
        Matcher full = FULL.matcher(small);
        if (full.matches()) {
            int group = Integer.parseInt(full.group(1));
            OptionalDouble volts = volts(full.group(2), 10);
            if (group < 1 || group > series) return noGroup(series);
            if (volts.isEmpty())
                return new QuickLine.No("\"%s\": expected volts".formatted(full.group(2)));
            return new QuickLine.ToLog(
                    "Read group %d, full".formatted(group),
                    List.of(
                            QuickLine.chip("group " + group, "full"),
                            QuickLine.chip(Quantity.VOLTAGE.text(volts.getAsDouble()), "volts")),
                    new ProofFact.FullRead(pack, group - 1, volts.getAsDouble()));
        }
        Matcher trip = TRIP.matcher(small);
        if (trip.matches()) {
            OptionalDouble volts = volts(trip.group(1), 1000);
            OptionalDouble spring =
                    trip.group(2) == null ? OptionalDouble.empty() : volts(trip.group(2), 1000);
            if (volts.isEmpty() || !(volts.getAsDouble() > 0))
                return new QuickLine.No("\"%s\": expected volts".formatted(trip.group(1)));
            return new QuickLine.ToLog(
                    "Trip of the device on " + pack,
                    List.of(
                            QuickLine.chip(
                                    Quantity.VOLTAGE.text(volts.getAsDouble(), 2), "device trips")),
                    new ProofFact.TripSeen(pack, new DeviceTrip(volts.getAsDouble(), spring)));
        }
        Matcher warm = WARM.matcher(small);
        if (warm.matches()) return warm(pack, warm);
        Matcher ambient = AMBIENT.matcher(small);
        if (ambient.matches()) {
            OptionalDouble celsius = celsius(ambient.group(1));
            if (celsius.isEmpty()) return noCelsius(ambient.group(1));
            String note = ambient.group(2) == null ? "" : ambient.group(2).strip();
            return new QuickLine.ToLog(
                    "Around " + pack,
                    List.of(
                            QuickLine.chip(
                                    Quantity.TEMPERATURE.text(celsius.getAsDouble()), "around")),
                    new ProofFact.AmbientRead(pack, celsius.getAsDouble(), note));
        }
        Matcher bar = BAR.matcher(small);
        if (bar.matches()) return bar(pack, series, bar);
        Matcher hand = HAND.matcher(small);
        if (hand.matches()) return byHand(matched.get(), series, hand);
        return new QuickLine.No(
                "expected a group alone (g5 20.9Ah), a group when full (full g3 4.18), a current with all groups (4a 3.71 …) or a trip");
    }

    private WorkshopState expected() {
        return model.desk().ledger().expected();
    }

    private QuickLine warm(String pack, Matcher warm) {
        Optional<Layout> layout = Assemblies.of(expected()).assembly(pack).layout();
        if (layout.isEmpty()) return new QuickLine.No("take a layout at Build first");
        int column = Integer.parseInt(warm.group(1));
        int row = Integer.parseInt(warm.group(2));
        OptionalDouble celsius = celsius(warm.group(3));
        if (column < 1
                || row < 1
                || layout.get().cansByPlace().at(new Spot(column - 1, row - 1)).isEmpty())
            return new QuickLine.No("no can stands in column %d, row %d".formatted(column, row));
        if (celsius.isEmpty()) return noCelsius(warm.group(3));
        Spot spot = new Spot(column - 1, row - 1);
        return new QuickLine.ToLog(
                "Warmth at " + spot,
                List.of(
                        QuickLine.chip(spot.toString(), "place"),
                        QuickLine.chip(Quantity.TEMPERATURE.text(celsius.getAsDouble()), "warm")),
                new ProofFact.WarmRead(pack, spot, celsius.getAsDouble()));
    }

    private static QuickLine bar(String pack, int series, Matcher bar) {
        int joint = Integer.parseInt(bar.group(1));
        OptionalDouble millivolts = NumberText.parse(bar.group(2));
        OptionalDouble amps = NumberText.parse(bar.group(3));
        if (joint > series) return new QuickLine.No("the pack has joints 0 to " + series);
        if (millivolts.isEmpty()
                || amps.isEmpty()
                || !(millivolts.getAsDouble() >= 0 && millivolts.getAsDouble() <= 100_000)
                || !(amps.getAsDouble() > 0 && amps.getAsDouble() <= 10_000))
            return new QuickLine.No("expected millivolts and amps, such as bar 3 4.5mV 30A");
        return new QuickLine.ToLog(
                "Drop along joint " + joint,
                List.of(
                        QuickLine.chip("joint " + joint, "bar"),
                        QuickLine.chip(
                                Quantity.MILLIVOLTS.text(millivolts.getAsDouble(), 1), "drops"),
                        QuickLine.chip(Quantity.CURRENT.text(amps.getAsDouble()), "at")),
                new ProofFact.BarRead(
                        pack, joint, new BarReading(millivolts.getAsDouble(), amps.getAsDouble())));
    }

    private static OptionalDouble celsius(String text) {
        OptionalDouble read = NumberText.parse(text.replaceFirst("°?c$", ""));
        return Limit.WARMTH.holds(read.orElse(Double.NaN)) ? read : OptionalDouble.empty();
    }

    private static QuickLine noCelsius(String text) {
        return new QuickLine.No("\"%s\": expected %s".formatted(text, Limit.WARMTH.expected()));
    }

    private static QuickLine noGroup(int series) {
        return new QuickLine.No("the pack has groups 1 to " + series);
    }

    private static QuickLine alone(String pack, int series, Matcher alone) {
        int group = Integer.parseInt(alone.group(1));
        if (group < 1 || group > series) return noGroup(series);
        OptionalDouble ampHours = NumberText.parse(alone.group(2));
        OptionalDouble wattHours =
                alone.group(3) == null ? OptionalDouble.empty() : NumberText.parse(alone.group(3));
        if (ampHours.isEmpty()
                || !(ampHours.getAsDouble() > 0 && ampHours.getAsDouble() <= 100_000))
            return new QuickLine.No("\"%s\": expected ampere-hours".formatted(alone.group(2)));
        List<QuickSource.Chip> chips = new ArrayList<>();
        chips.add(QuickLine.chip("group " + group, "alone"));
        chips.add(QuickLine.chip(Quantity.CHARGE.text(ampHours.getAsDouble()), "gave"));
        wattHours.ifPresent(
                energy -> chips.add(QuickLine.chip(Quantity.ENERGY.text(energy), "gave")));
        return new QuickLine.ToLog(
                "Group %d of %s alone".formatted(group, pack),
                chips,
                new ProofFact.GroupTested(
                        pack, group - 1, new AloneRun(ampHours.getAsDouble(), wattHours)));
    }

    private QuickLine byHand(Pack matched, int series, Matcher hand) {
        String pack = matched.name();
        OptionalDouble amps = NumberText.parse(hand.group(1));
        if (amps.isEmpty() || Math.abs(amps.getAsDouble()) > 10_000)
            return new QuickLine.No("\"%s\": expected amps".formatted(hand.group(1)));
        List<Double> volts = new ArrayList<>();
        for (String each : hand.group(2).strip().split("\\s+")) {
            OptionalDouble one = volts(each, 10);
            if (one.isEmpty()) return new QuickLine.No("\"%s\": expected volts".formatted(each));
            volts.add(one.getAsDouble());
        }
        if (volts.size() != series)
            return new QuickLine.No(
                    "%d of %d groups; type them all, in order".formatted(volts.size(), series));
        String test = handTest(Proofs.of(expected()).proof(pack));
        return new QuickLine.ToLog(
                "Read %s under load".formatted(pack),
                List.of(
                        QuickLine.chip(Quantity.CURRENT.text(amps.getAsDouble()), "drawn"),
                        QuickLine.chip(series + " groups", "read")),
                new ProofFact.HandRead(
                        pack,
                        test,
                        ProvedPack.endVolts(expected(), matched, test),
                        amps.getAsDouble(),
                        volts));
    }

    /// The test by hand that goes on, or a new one.
    private String handTest(Proof said) {
        String day = LocalDate.ofInstant(model.desk().now(), ZoneId.systemDefault()).format(DAY);
        String today = BY_HAND + ", " + day;
        return said.tests().values().stream()
                .filter(test -> test.name().startsWith(BY_HAND))
                .filter(test ->
                        Duration.between(lastRead(test), model.desk().now()).compareTo(SAME_TEST)
                                < 0)
                .map(Proof.Test::name)
                .reduce((one, next) -> next)
                .orElse(today);
    }

    private static Instant lastRead(Proof.Test test) {
        List<Double> seconds = test.log().seconds();
        return test.at().plusMillis((long) (1000 * seconds.get(seconds.size() - 1)));
    }

    private static OptionalDouble volts(String text, double most) {
        OptionalDouble read =
                NumberText.parse(text.endsWith("v") ? text.substring(0, text.length() - 1) : text);
        return read.isPresent() && read.getAsDouble() >= 0 && read.getAsDouble() <= most
                ? read
                : OptionalDouble.empty();
    }
}
