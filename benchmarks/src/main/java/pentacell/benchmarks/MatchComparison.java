package pentacell.benchmarks;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import pentacell.core.match.MatchByHand;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchOutcome;
import pentacell.core.match.MatchOutcome.Matched;
import pentacell.core.match.Matcher;
import pentacell.core.match.SearchEffort;
import pentacell.core.match.SearchWatch;

/// The matcher beside a general constraint solver and what a hand deals, on the same lots.
///
/// Arguments: seconds for the matcher, for its long run, and for the solver; 0 leaves one out; then
/// a part of the names of the lots wanted.
public final class MatchComparison {
    /// The solver's model of a larger lot alone takes longer than it is given.
    private static final int MOST_CELLS_FOR_SOLVER = 400;

    private MatchComparison() {}

    /// Prints a table.
    public static void main(String[] arguments) {
        PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
        double seconds = arguments.length > 0 ? Double.parseDouble(arguments[0]) : 1;
        double longSeconds = arguments.length > 1 ? Double.parseDouble(arguments[1]) : 10;
        double solverSeconds = arguments.length > 2 ? Double.parseDouble(arguments[2]) : 30;
        ours(MatchCase.all().get(3), 1);
        out.println(
                "| lot | limit | best known, mAh | this, %s s | under the bound | solver, %s s | bins | serpentine | largest first |"
                        .formatted(arguments(seconds), arguments(solverSeconds)));
        out.println("|---|---|---|---|---|---|---|---|---|");
        String only = arguments.length > 3 ? arguments[3] : "";
        for (MatchCase wanted : MatchCase.all())
            if ((wanted.name() + " " + wanted.limit()).contains(only))
                out.println(line(wanted, seconds, longSeconds, solverSeconds));
    }

    private static String arguments(double seconds) {
        return "%.0f".formatted(seconds);
    }

    private static String line(
            MatchCase wanted, double seconds, double longSeconds, double solverSeconds) {
        Found quick = ours(wanted, seconds);
        long known = quick.usable;
        long bound = quick.bound;
        if (longSeconds > 0) known = Math.max(known, ours(wanted, longSeconds).usable);
        String solver = "–";
        ConstraintJudge.Verdict judged = null;
        if (solverSeconds > 0 && wanted.cells().size() <= MOST_CELLS_FOR_SOLVER) {
            judged = ConstraintJudge.judge(wanted, solverSeconds);
            known = Math.max(known, judged.usable());
            bound = Math.min(bound, judged.bound());
        }
        if (known < 0)
            return "| %s | %s | none | none%s"
                    .formatted(wanted.name(), wanted.limit(), " |".repeat(6));
        if (judged != null)
            solver =
                    gap(judged.usable(), known)
                            + (judged.usable() >= judged.bound() ? ", proven" : "");
        List<String> columns = new ArrayList<>();
        columns.add(wanted.name());
        columns.add(wanted.limit());
        columns.add("%,d".formatted(known));
        columns.add(gap(quick.usable, known));
        columns.add(gap(quick.usable, bound));
        columns.add(solver);
        columns.add(gap(bins(wanted), known));
        for (ByHand way : ByHand.values()) columns.add(gap(wanted.usable(way.deal(wanted)), known));
        return "| " + String.join(" | ", columns) + " |";
    }

    /// What dealing from bins gives; −1 when it breaks the limit.
    private static long bins(MatchCase wanted) {
        MatchFigures dealt = MatchByHand.figures(wanted.cells(), wanted.rules()).orElseThrow();
        double limit = wanted.rules().maxIrSpreadMilliohms().orElse(Double.POSITIVE_INFINITY);
        boolean keeps = dealt.worstIrSpreadMilliohms().orElse(0) <= limit + 1e-6;
        return keeps ? Math.round(dealt.usableMilliampHours()) : -1;
    }

    private static String gap(long usable, long best) {
        if (usable < 0) return "no";
        double percent = 100.0 * (best - usable) / best;
        return percent < 5e-4 ? "0" : "%.3f %%".formatted(percent);
    }

    private record Found(long usable, long bound) {}

    private static Found ours(MatchCase wanted, double seconds) {
        long begin = System.nanoTime();
        SearchWatch deadline =
                new SearchWatch() {
                    @Override
                    public boolean stop() {
                        return System.nanoTime() - begin > seconds * 1e9;
                    }

                    @Override
                    public void searched(Progress progress) {}
                };
        MatchOutcome outcome =
                Matcher.match(
                        wanted.cells(),
                        wanted.rules(),
                        Map.of(),
                        SearchEffort.forSeconds(seconds, 1),
                        deadline);
        if (!(outcome instanceof Matched matched)) return new Found(-1, 0);
        return new Found(
                Math.round(matched.result().figures().usableMilliampHours()),
                (long) Math.floor(matched.result().bounds().usableMilliampHours()));
    }
}
