package pentacell.desktop.test;

import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.TestPlan;
import pentacell.core.test.TestQueue;
import pentacell.instruments.simulated.StandIn;

/// The queue and the plans for it.
record TestPlans(TestQueue queue, TestPlan plan, TestPlan withMore) {
    static TestPlans of(
            WorkshopState state, Instant now, Map<String, LocalDateTime> busy, Set<String> lost) {
        TestQueue queue = TestQueue.of(state);
        return new TestPlans(
                queue,
                queue.plan(TestModel.local(now), busy, lost, List.of()),
                queue.plan(TestModel.local(now), busy, lost, StandIn.FOUR_SLOT.bays("one more")));
    }
}
