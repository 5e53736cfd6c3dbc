package pentacell.workshop.demo;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.MatchOutcome;
import pentacell.core.match.Matcher;
import pentacell.core.match.SearchEffort;
import pentacell.core.match.SearchWatch;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Packs;
import pentacell.core.pack.Selection;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.MatchableStock;

/// Two packs, matched; one half picked.
final class DemoPacks {
    private final DemoJournal journal;

    private DemoPacks(DemoJournal journal) {
        this.journal = journal;
    }

    static void write(DemoJournal journal) {
        new DemoPacks(journal).packs();
    }

    private void packs() {
        journal.pass(Duration.ofDays(1));
        match(TarnHollow.DOME, rules(4, 5, Selection.TIGHTEST, Chemistry.LFP));
        match(TarnHollow.LONG_NIGHT, rules(7, 10, Selection.STRONGEST, Chemistry.NMC));
        for (CellId cell :
                Packs.of(journal.state()).pack(TarnHollow.DOME).orElseThrow().groups().get(0))
            journal.log(
                    "Pick " + cell,
                    List.of(new PackFact.CellPicked(TarnHollow.DOME, cell, PackFact.Pick.TAKEN)));
    }

    private static MatchRules rules(
            int series, int parallel, Selection selection, Chemistry chemistry) {
        return MatchRules.of(series, parallel, selection)
                .with(rules -> rules.minSohShare(0.8).chemistry(Optional.of(chemistry)));
    }

    private void match(String pack, MatchRules rules) {
        WorkshopState state = journal.state();
        MatchableStock stock = MatchableStock.of(state, JudgedStock.of(state), pack);
        MatchOutcome outcome =
                Matcher.match(
                        stock.candidates(),
                        rules,
                        Map.of(),
                        new SearchEffort(2, 1),
                        SearchWatch.NOBODY);
        if (!(outcome instanceof MatchOutcome.Matched matched))
            throw new IllegalStateException("the demo's pack cannot be matched: " + outcome);
        journal.log(
                "Match " + pack,
                List.of(
                        new PackFact.GroupsMatched(
                                pack, rules, matched.result().groups(), Map.of())));
    }
}
