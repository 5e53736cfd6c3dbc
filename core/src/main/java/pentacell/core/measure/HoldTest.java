package pentacell.core.measure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellFact;
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
/// shown, but the loss is counted from the first one after it.
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

    /// A meter cannot tell less than this, in mV (common practice).
    private static final double METER_MILLIVOLTS = 5;

    /// A reading some hours before its time counts as in time.
    private static final double IN_TIME_SHARE = 0.9;

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
    public static Optional<HoldTest> of(CellRecord cell, HoldSchool policy) {
        Optional<LifeLineEntry> begin =
                standing(cell)
                        .filter(entry -> entry.fact() instanceof RunFact.HoldBegan)
                        .reduce((before, after) -> after);
        return begin.map(entry -> judge(cell, entry, policy));
    }

    private static java.util.stream.Stream<LifeLineEntry> standing(CellRecord cell) {
        return cell.lifeLine().stream().filter(entry -> entry.fate() == Fate.STANDING);
    }

    private static HoldTest judge(CellRecord cell, LifeLineEntry begin, HoldSchool policy) {
        int days = begin.fact() instanceof RunFact.HoldBegan hold ? hold.days() : policy.days();
        Instant settled = begin.at().plus(hours(policy.relaxHours()));
        List<Reading> readings = new ArrayList<>();
        standing(cell)
                .filter(entry -> !entry.at().isBefore(settled))
                .forEach(entry -> {
                    if (entry.fact() instanceof CellFact.VoltageRead read)
                        readings.add(new Reading(entry.at(), read.volts()));
                });
        if (readings.isEmpty())
            return new HoldTest(
                    cell,
                    begin.at(),
                    days,
                    Optional.empty(),
                    Optional.empty(),
                    Verdict.SETTLING,
                    Optional.of(settled),
                    List.of());
        Reading first = readings.get(0);
        Reading last = readings.get(readings.size() - 1);
        return lying(cell, begin.at(), days, first, last, policy);
    }

    private static HoldTest lying(
            CellRecord cell,
            Instant began,
            int days,
            Reading first,
            Reading last,
            HoldSchool policy) {
        double lain = days(first.at(), last.at());
        double lost = 1000 * (first.volts() - last.volts());
        double fine = Math.max(METER_MILLIVOLTS, policy.fineMillivoltsAWeek() * lain / 7);
        Verdict verdict;
        Optional<Instant> due = Optional.empty();
        Reason reason = Reason.of(Rule.HOLD_FINE, lost, fine);
        if (lost > policy.outMillivolts()) {
            verdict = Verdict.OUT;
            reason = Reason.of(Rule.HOLD_OUT, lost, policy.outMillivolts());
        } else if (lain < IN_TIME_SHARE * days) {
            verdict = Verdict.LYING;
            due = Optional.of(first.at().plus(Duration.ofDays(days)));
            reason = Reason.of(Rule.HOLD_NOT_DONE, lain, days);
        } else if (lost <= fine) {
            verdict = Verdict.FINE;
        } else if (lain < IN_TIME_SHARE * 2 * days) {
            verdict = Verdict.EXTEND;
            due = Optional.of(first.at().plus(Duration.ofDays(2L * days)));
            reason = Reason.of(Rule.HOLD_EXTEND, lost, fine);
        } else {
            verdict = Verdict.OUT;
            reason = Reason.of(Rule.HOLD_OUT_AFTER_ALL, lost, fine);
        }
        return new HoldTest(
                cell,
                began,
                days,
                Optional.of(first),
                last.equals(first) ? Optional.empty() : Optional.of(last),
                verdict,
                due,
                List.of(reason));
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
