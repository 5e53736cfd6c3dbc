package pentacell.core.measure;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.CellRecord.Fate;
import pentacell.core.cell.CellRecord.LifeLineEntry;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunFact;
import pentacell.core.circuit.RestCurve;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.school.HoldSchool;

/// A cell on the hold shelf: what it lost at rest, and what to do with it.
///
/// A voltage falls for hours after a charge although nothing is lost: readings from before that are
/// shown, but the loss is counted from the first one after it. What is judged is the charge lost,
/// by the rest curve: see [HoldLimits].
///
/// @param cell the cell
/// @param began when it was laid there
/// @param days how long it is to lie
/// @param first first reading that counts
/// @param last last reading after that
/// @param verdict what follows
/// @param dueAt when it is to be read next; empty when it is done
/// @param reasons rule, figure and limit
public record HoldTest(
        CellRecord cell,
        Instant began,
        int days,
        Optional<Reading> first,
        Optional<Reading> last,
        Verdict verdict,
        Optional<Instant> dueAt,
        List<Reason> reasons) {
    private static final double DAYS_A_MONTH = 30.44;

    /// A voltage at rest.
    public record Reading(Instant at, double volts) {}

    /// What follows from a hold test.
    public enum Verdict {
        /// Its voltage still settles: first reading to come.
        SETTLING("settling"),
        /// It lies.
        LYING("lying"),
        /// It loses too little to matter.
        FINE("holds"),
        /// It loses more than it should but not enough to be out: it lies once more as long.
        EXTEND("extended"),
        /// It rests where the voltage does not tell the charge.
        UNTOLD("not told by voltage"),
        /// It loses too much.
        OUT("out");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        /// The verdict in words.
        public String words() {
            return words;
        }

        /// Whether the cell still lies on the shelf.
        public boolean isOpen() {
            return this != FINE && this != OUT;
        }
    }

    public HoldTest {
        reasons = List.copyOf(reasons);
    }

    /// The hold test a cell is in or was in last; empty when it was never laid on the shelf.
    public static Optional<HoldTest> of(
            CellRecord cell, Optional<CellModel> model, HoldSchool policy) {
        List<LifeLineEntry> standing =
                cell.lifeLine().stream().filter(entry -> entry.fate() == Fate.STANDING).toList();
        for (int i = standing.size() - 1; i >= 0; i--)
            if (standing.get(i).fact() instanceof RunFact.HoldBegan hold)
                return Optional.of(
                        judge(
                                cell,
                                standing.get(i).at(),
                                days(hold, cell, model, policy),
                                standing.subList(i + 1, standing.size()),
                                new HoldLimits(model, policy)));
        return Optional.empty();
    }

    /// A rescued cell lies longer, also when it was laid there before that was known: copper that
    /// was dissolved shows up late.
    private static int days(
            RunFact.HoldBegan hold, CellRecord cell, Optional<CellModel> model, HoldSchool policy) {
        boolean isRescued = cell.isUnder(CellModel.chemistryOf(model).endVolts());
        return isRescued ? Math.max(hold.days(), policy.rescuedDays()) : hold.days();
    }

    /// Goes through the readings since it was laid there, until one decides: what is read of it
    /// later, stored half full or in another test, does not change the verdict.
    private static HoldTest judge(
            CellRecord cell,
            Instant began,
            int days,
            List<LifeLineEntry> since,
            HoldLimits limits) {
        Instant settled = began.plus(hours(limits.policy().relaxHours()));
        HoldTest test =
                new HoldTest(
                        cell,
                        began,
                        days,
                        Optional.empty(),
                        Optional.empty(),
                        Verdict.SETTLING,
                        Optional.of(settled),
                        List.of(Reason.of(Rule.HOLD_SETTLING, days, 0)));
        for (LifeLineEntry entry : since) {
            if (entry.fact() instanceof RunFact.RunStarted) break;
            boolean counts =
                    entry.fact() instanceof CellFact.VoltageRead && !entry.at().isBefore(settled);
            if (!counts) continue;
            Reading last = new Reading(entry.at(), ((CellFact.VoltageRead) entry.fact()).volts());
            test = test.read(last, limits);
            if (!test.isOpen()) break;
        }
        return test;
    }

    private HoldTest read(Reading reading, HoldLimits limits) {
        Reading start = first.orElse(reading);
        double lain = days(start.at(), reading.at());
        HoldLimits.Found found = limits.judge(start.volts(), reading.volts(), lain, days);
        Optional<Instant> due =
                switch (found.verdict()) {
                    case LYING -> Optional.of(start.at().plus(Duration.ofDays(days)));
                    case EXTEND -> Optional.of(start.at().plus(Duration.ofDays(2L * days)));
                    case SETTLING, UNTOLD, FINE, OUT -> Optional.empty();
                };
        return new HoldTest(
                cell,
                began,
                days,
                Optional.of(start),
                first.isEmpty() ? Optional.empty() : Optional.of(reading),
                found.verdict(),
                due,
                List.of(found.reason()));
    }

    private static Duration hours(double hours) {
        return Duration.ofSeconds(Math.round(3600 * hours));
    }

    private static double days(Instant from, Instant until) {
        return Duration.between(from, until).toMillis() / 86_400_000.0;
    }

    /// What it lost between the readings, in mV; empty before the second.
    public OptionalDouble lostMillivolts() {
        return last.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(
                        1000 * (first.orElseThrow().volts() - last.orElseThrow().volts()));
    }

    /// What it loses in mV a day; empty before the second reading or within the first half day.
    public OptionalDouble millivoltsADay() {
        if (last.isEmpty()) return OptionalDouble.empty();
        double lain = days(first.orElseThrow().at(), last.orElseThrow().at());
        return lain < 0.5
                ? OptionalDouble.empty()
                : OptionalDouble.of(lostMillivolts().getAsDouble() / lain);
    }

    /// What it would lose in percent of its charge a month, by the rest curve of its chemistry.
    public OptionalDouble percentAMonth(Chemistry chemistry) {
        if (millivoltsADay().isEmpty()) return OptionalDouble.empty();
        RestCurve curve = RestCurve.of(chemistry);
        Reading from = first.orElseThrow();
        Reading until = last.orElseThrow();
        double share = curve.share(from.volts()) - curve.share(until.volts());
        return OptionalDouble.of(100 * share / days(from.at(), until.at()) * DAYS_A_MONTH);
    }

    /// Whether it still lies on the shelf.
    public boolean isOpen() {
        return verdict.isOpen();
    }
}
