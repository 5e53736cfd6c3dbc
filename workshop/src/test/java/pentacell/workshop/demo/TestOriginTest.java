package pentacell.workshop.demo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Chapters;
import pentacell.core.journal.Act;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.journal.Origin;
import pentacell.core.prove.PackVerdict;
import pentacell.core.prove.ProveCheck;
import pentacell.core.prove.ProvedPack;
import pentacell.core.prove.WorkshopRatio;
import pentacell.core.prove.facts.Proof;
import pentacell.core.prove.facts.ProofFact.LoadTested;
import pentacell.core.prove.facts.ProofFact.MomentsRead;
import pentacell.core.prove.facts.Proofs;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// A load test over the line proves something when a real board and a real load told it.
final class TestOriginTest {
    private static final String PACK = TarnHollow.LONG_NIGHT;

    @ParameterizedTest(name = "{0}, practice {1}")
    @CsvSource({
        "INSTRUMENT, false, true,",
        "INSTRUMENT, true, true,",
        "STAND_IN, true, true,",
        "STAND_IN, false, false, STAND_INS",
        "UNKNOWN, false, false, UNKNOWN_ORIGIN",
        "UNKNOWN, true, false, UNKNOWN_ORIGIN"
    })
    void onlyWhatIsRealProves(
            Origin origin, boolean isPractice, boolean proves, ProveCheck.Missing why) {
        WorkshopState state = withTestOf(origin, isPractice);
        JudgedStock judged = JudgedStock.of(state);
        ProvedPack pack = ProvedPack.of(state, judged, PACK).orElseThrow();
        assertEquals(proves ? 1 : 0, pack.tests().size());
        assertEquals(proves ? 0 : 1, pack.setAside().size());
        assertEquals(1, pack.shown().size(), "it is shown in any case");
        assertEquals(proves, pack.shown().getFirst().proves());
        assertEquals(origin, pack.shown().getFirst().origin());
        // what the name plate gives as measured
        assertEquals(proves, ProvedPack.measured(state, pack.built()).isPresent());
        assertEquals(proves, WorkshopRatio.of(state, judged).isPresent());
        Optional<ProveCheck.Missing> missing =
                PackVerdict.of(pack).checks().stream()
                        .filter(ProveCheck.Untested.class::isInstance)
                        .map(each -> ((ProveCheck.Untested) each).why())
                        .findFirst();
        assertEquals(Optional.ofNullable(why), missing);
    }

    /// The demo's journal with its load test told over the line.
    private static WorkshopState withTestOf(Origin origin, boolean isPractice) {
        List<Act> acts = new ArrayList<>();
        long sequence = 0;
        for (var draft : TarnHollow.journal()) {
            List<Entry> entries = new ArrayList<>();
            for (Fact fact : draft.facts()) {
                Entry entry = new Entry(++sequence, fact);
                if (entry.fact() instanceof LoadTested tested && tested.pack().equals(PACK)) {
                    entries.add(
                            new Entry(
                                    sequence,
                                    new MomentsRead(
                                            PACK, tested.test(), tested.endVolts(), tested.log()),
                                    origin));
                } else if (isPractice || !(entry.fact() instanceof Amendment.StandInsCount))
                    entries.add(entry);
            }
            acts.add(new Act(acts.size() + 1L, draft.at(), draft.words(), entries));
        }
        WorkshopState state = Chapters.fold(acts);
        Proof proof = Proofs.of(state).proof(PACK);
        assertFalse(proof.full().isEmpty(), "what was typed is there");
        return state;
    }
}
