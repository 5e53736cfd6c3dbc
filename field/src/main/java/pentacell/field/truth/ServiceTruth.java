package pentacell.field.truth;

import static pentacell.field.truth.Drawn.between;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.TreeSet;
import java.util.function.Supplier;
import pentacell.core.service.Finding;
import pentacell.core.service.Watch;
import pentacell.core.service.facts.Trouble;
import pentacell.field.FieldPack;
import pentacell.field.FieldPack.Family;
import pentacell.field.FieldPack.Fault;
import pentacell.field.FieldPack.Logger;
import pentacell.field.FieldPack.Use;

/// What is said of the history of a pack in use: of sound ones, and of those with a fault.
public final class ServiceTruth {
    private ServiceTruth() {}

    /// What is hidden in a pack. Only the first three are sound.
    public enum Hidden {
        SOUND,
        /// A board bleeds its highest groups near full.
        BALANCED,
        /// A group holds 0.5 to 3.5 % more or less charge than the others.
        OUT_OF_BALANCE,
        /// 10 to 20 % of a group's cells are off.
        SOME_CELLS_OFF,
        /// 40 to 80 % of them.
        MANY_CELLS_OFF,
        /// A group loses 0.3 to 0.7 % of its charge per day.
        SELF_DISCHARGE,
        /// A group has two to three times the resistance.
        RESISTANCE,
        /// A group is read 20 to 40 mV too high or too low.
        MISREAD,
        /// One group loses charge, another has cells off.
        TWO_AT_ONCE;

        boolean isSound() {
            return compareTo(OUT_OF_BALANCE) <= 0;
        }
    }

    /// How a pack is used, and how often it is read.
    public record Kind(Use use, double seconds) {
        /// All kinds.
        public static final List<Kind> ALL =
                List.of(
                        new Kind(Use.SOLAR, 600),
                        new Kind(Use.SUPPLY, 900),
                        new Kind(Use.STORAGE, 900),
                        new Kind(Use.RIDE, 10),
                        new Kind(Use.RIDE, 60),
                        new Kind(Use.RIDE, 240),
                        new Kind(Use.RIDE_WITH_REGENERATION, 60),
                        new Kind(Use.TOOL, 60),
                        new Kind(Use.HEATER, 300));

        /// Whether it is kept full.
        boolean isFloating() {
            return use == Use.SUPPLY || use == Use.STORAGE;
        }

        /// Whether it is a large pack that stays in its place.
        boolean isLarge() {
            return isFloating() || use == Use.SOLAR;
        }

        /// Whether a history of this kind can show what is hidden: LFP that is kept full tells
        /// nothing of charges, and LFP that never comes near empty nothing of a few cells that are
        /// off.
        public boolean canShow(Family family, Hidden hidden) {
            if (family == Family.NMC || hidden.isSound()) return true;
            return switch (hidden) {
                case SOME_CELLS_OFF, TWO_AT_ONCE ->
                        !isFloating() && use != Use.TOOL && use != Use.HEATER;
                default -> !isFloating();
            };
        }
    }

    /// What a group hides, by the trouble that should be named.
    private record Secret(int group, Trouble trouble, double figure, double orFigure) {}

    /// Judges one pack.
    ///
    /// @param number counts packs of the same kind
    public static TruthOutcome of(Family family, Hidden hidden, Kind kind, long seed, int number) {
        Random random =
                Drawn.of(
                        seed,
                        family.ordinal(),
                        hidden.ordinal(),
                        kind.use().ordinal(),
                        Math.round(kind.seconds()),
                        number);
        int series = 6 + random.nextInt(9);
        int parallel = kind.isLarge() ? 10 + random.nextInt(20) : 3 + random.nextInt(6);
        FieldPack pack =
                new FieldPack(family, series, parallel, between(random, 0.01, 0.05), random)
                        .losing(between(random, 0.005, 0.04))
                        .at(between(random, 5, 30), between(random, 0, 8));
        List<Secret> secrets = hide(hidden, pack, series, parallel, random);
        Logger logger =
                new Logger(
                        kind.seconds(),
                        random.nextBoolean() ? 0.001 : 0.005,
                        0.001,
                        Drawn.sign(random),
                        random.nextInt(3));
        Watch watch =
                Watch.of(
                        Logs.pack(pack.log(kind.use(), 25 + random.nextInt(20), logger)), parallel);
        return outcome(
                Logs.kind(family, hidden),
                watch,
                secrets,
                parallel,
                "%s every %.0f s, number %d"
                        .formatted(Logs.words(kind.use()), kind.seconds(), number));
    }

    private static List<Secret> hide(
            Hidden hidden, FieldPack pack, int series, int parallel, Random random) {
        int bad = random.nextInt(series);
        return switch (hidden) {
            case SOUND -> List.of();
            case BALANCED -> {
                pack.balancedBy(between(random, 0.05, 0.1));
                yield List.of();
            }
            case OUT_OF_BALANCE -> {
                pack.with(Fault.AHEAD, bad, Drawn.sign(random) * between(random, 0.005, 0.035));
                yield List.of();
            }
            case SOME_CELLS_OFF -> List.of(cellsOff(pack, bad, parallel, random, 0.1, 0.2));
            case MANY_CELLS_OFF -> List.of(cellsOff(pack, bad, parallel, random, 0.4, 0.8));
            case SELF_DISCHARGE -> List.of(selfDischarge(pack, bad, random));
            case RESISTANCE -> {
                double more = between(random, 1, 2);
                double milliohms = 1000 * pack.ohmsAtMeanTemperature(bad) * more;
                pack.with(Fault.RESISTANCE, bad, more);
                yield List.of(
                        new Secret(
                                bad,
                                Trouble.RESISTANCE,
                                milliohms,
                                milliohms * FieldPack.LASTING_PART));
            }
            case MISREAD -> {
                double volts = Drawn.sign(random) * between(random, 0.02, 0.04);
                pack.with(Fault.MISREAD, bad, volts);
                yield List.of(new Secret(bad, Trouble.MISREAD, 1000 * volts, 1000 * volts));
            }
            case TWO_AT_ONCE ->
                    List.of(
                            selfDischarge(pack, bad, random),
                            cellsOff(pack, (bad + 2) % series, parallel, random, 0.3, 0.5));
        };
    }

    private static Secret cellsOff(
            FieldPack pack, int bad, int parallel, Random random, double least, double most) {
        double cells = Math.max(1, Math.round(parallel * between(random, least, most)));
        pack.with(Fault.CELLS_OFF, bad, cells / parallel);
        return new Secret(bad, Trouble.CELLS_OFF, cells / parallel, cells / parallel);
    }

    private static Secret selfDischarge(FieldPack pack, int bad, Random random) {
        double amps = pack.ampHours() * between(random, 0.003, 0.007) / 24;
        pack.with(Fault.SELF_DISCHARGE, bad, amps);
        return new Secret(bad, Trouble.SELF_DISCHARGE, 1000 * amps, 1000 * amps);
    }

    private static TruthOutcome outcome(
            String kind, Watch watch, List<Secret> secrets, int parallel, String pack) {
        TreeSet<String> wrong = new TreeSet<>();
        List<Secret> found = new ArrayList<>();
        double widest = Double.NaN;
        for (Finding each : watch.findings()) {
            Optional<Secret> secret =
                    secrets.stream()
                            .filter(one -> one.group() == each.group())
                            .filter(one -> one.trouble() == each.cause())
                            .findFirst();
            if (secret.isEmpty()) {
                boolean isOwn = secrets.stream().anyMatch(one -> one.group() == each.group());
                wrong.add(
                        Logs.words(each.cause())
                                + (isOwn ? " of the same group" : " of another group"));
                continue;
            }
            found.add(secret.get());
            double error = error(told(each, parallel), secret.get());
            if (!(Math.abs(error) <= Math.abs(widest))) widest = error;
        }
        // where both look alike, that it is either is the right answer
        for (Secret each : secrets)
            if (each.trouble() == Trouble.MISREAD
                    && watch.outOfBalance().stream()
                            .anyMatch(off -> off.group() == each.group() && off.orMisread()))
                found.add(each);
        return new TruthOutcome(
                kind,
                secrets.isEmpty() ? wrong.isEmpty() : found.containsAll(secrets),
                List.copyOf(wrong),
                Double.isNaN(widest) ? OptionalDouble.empty() : OptionalDouble.of(widest),
                pack);
    }

    /// The figure of a finding in the unit of the secret.
    private static double told(Finding finding, int parallel) {
        return switch (finding) {
            case Finding.CellsOff off -> off.cells() / (double) parallel;
            case Finding.SelfDischarge loss -> loss.milliamps();
            case Finding.Gain gain -> gain.milliamps();
            case Finding.Tap tap -> tap.milliamps();
            case Finding.MoreResistance more -> more.milliohms();
            case Finding.Misread misread -> misread.offsetMillivolts();
        };
    }

    /// How far a figure is from what it may be; a resistance counts at once or with what follows.
    private static double error(double told, Secret secret) {
        double low = secret.figure();
        double high = secret.orFigure();
        if (Math.abs(told) < Math.abs(low) || Math.signum(told) != Math.signum(low))
            return told / low - 1;
        return Math.abs(told) > Math.abs(high) ? told / high - 1 : 0;
    }

    /// Judges packs of all kinds.
    ///
    /// @param packs of each kind
    static List<TruthOutcome> all(long seed, int packs) {
        List<Supplier<TruthOutcome>> cases = new ArrayList<>();
        for (Family family : Family.values())
            for (Hidden hidden : Hidden.values())
                for (Kind kind : Kind.ALL)
                    for (int number = 0; number < packs; number++) {
                        int each = number;
                        if (kind.canShow(family, hidden))
                            cases.add(() -> of(family, hidden, kind, seed, each));
                    }
        return cases.parallelStream().map(Supplier::get).toList();
    }
}
