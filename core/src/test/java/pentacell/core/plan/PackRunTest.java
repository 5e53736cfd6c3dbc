package pentacell.core.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.match.Candidate;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Window;

/// Packs that run their loads until something stops them.
final class PackRunTest {
    private static final CellFormat CAN = CellFormat.parse("18650").orElseThrow();
    private static final MeanCell CELL = MeanCell.salvaged(2.2, 0.055, CAN, Chemistry.NMC);
    private static final CellSupply SUPPLY = CellSupply.assumed(CELL, OptionalInt.empty());

    private static Need need(double low, LoadItem... loads) {
        return Need.of(Chemistry.NMC, new Window(low, 30), List.of(loads));
    }

    private static PackRun run(Need need) {
        return PackRun.ofMeanCells(option(need), need, SUPPLY);
    }

    private static Option option(Need need) {
        return PackPlanner.option(need, SUPPLY, new Chosen(7, 10));
    }

    @ParameterizedTest(name = "low trip {0} V: {1}")
    @CsvSource({"0, EMPTY_GROUP", "15, EMPTY_GROUP", "23, DEVICE", "25.5, DEVICE"})
    void anEvenLoadLastsAsLongAsThePlanSays(double low, PackRun.Ended ended) {
        Need need = need(low, new LoadItem("", 60, 1, 60));
        PackRun run = run(need);
        assertEquals(ended, run.ended());
        assertEquals(option(need).hours(), run.hours(), 0.005 * run.hours());
        assertEquals(60, run.wattHours() / run.hours(), 0.2);
        assertTrue(run.restVolts() > run.stopVolts(), "it springs back");
    }

    @Test
    void loadsThatGoOnAndOffDrawTheirMean() {
        Need need =
                need(
                        20,
                        new LoadItem("mount", 12, 1, 12),
                        new LoadItem("cooler", 60, 0.4, 60),
                        new LoadItem("heater", 30, 0.1, 30));
        PackRun run = run(need);
        assertEquals(39, need.steadyFromPack(), 1e-9);
        // the first five seconds of each cycle belong to the peak: here all are on
        assertEquals(39, run.wattHours() / run.hours(), 0.5);
        assertTrue(run.hours() < option(need).hours() + 0.1);
    }

    @Test
    void aPeakStopsTheDeviceBeforeTheSteadyLoadWould() {
        PackRun even = run(need(24, new LoadItem("", 40, 1, 40)));
        PackRun peaks = run(need(24, new LoadItem("", 40, 1, 900)));
        assertEquals(PackRun.Ended.DEVICE, peaks.ended());
        assertTrue(peaks.hours() < 0.8 * even.hours());
        assertTrue(peaks.leftShare() > even.leftShare());
    }

    @Test
    @DisplayName("at 0 °C about 80 % of the charge, twice the resistance (common practice)")
    void inTheColdItGivesLess() {
        CircuitCell cold = PackRun.cold(new CircuitCell(2, 0.05), 0);
        assertEquals(1.6, cold.ampHours(), 1e-9);
        assertEquals(0.1, cold.ohms(), 1e-9);
        assertEquals(new CircuitCell(2, 0.05), PackRun.cold(new CircuitCell(2, 0.05), 35));
        Need need = need(20, new LoadItem("", 60, 1, 60));
        PackRun winter = PackRun.ofMeanCells(option(need), need, SUPPLY, 0, 0);
        assertEquals(0.79, winter.hours() / run(need).hours(), 0.02);
    }

    @Test
    void equalMatchedGroupsRunAsMeanCellsDo() {
        Need need = need(20, new LoadItem("", 60, 1, 90));
        List<List<Candidate>> groups =
                Collections.nCopies(
                        7, Collections.nCopies(10, candidate(2200, OptionalDouble.of(55))));
        PackRun matched = PackRun.ofMatched(need, CELL, groups, 25);
        assertEquals(run(need).hours(), matched.hours(), 1e-6);
        List<List<Candidate>> unknown =
                Collections.nCopies(
                        7, Collections.nCopies(10, candidate(2200, OptionalDouble.empty())));
        assertEquals(run(need).hours(), PackRun.ofMatched(need, CELL, unknown, 25).hours(), 1e-6);
    }

    @Test
    void aWeakGroupEndsItAndTheOthersKeepTheirs() {
        Need need = need(15, new LoadItem("", 60, 1, 60));
        List<List<Candidate>> groups =
                new java.util.ArrayList<>(
                        Collections.nCopies(
                                6,
                                Collections.nCopies(10, candidate(2200, OptionalDouble.of(55)))));
        groups.add(Collections.nCopies(8, candidate(2200, OptionalDouble.of(55))));
        PackRun weak = PackRun.ofMatched(need, CELL, groups, 25);
        assertEquals(PackRun.Ended.EMPTY_GROUP, weak.ended());
        assertEquals(0.8, weak.hours() / run(need).hours(), 0.02);
        assertTrue(weak.restVolts() > 22, "six groups still hold a fifth");
    }

    private static Candidate candidate(double milliampHours, OptionalDouble milliohms) {
        return new Candidate(
                new CellId("A-1"),
                milliampHours,
                milliohms,
                "",
                "",
                Optional.of(Chemistry.NMC),
                Optional.empty(),
                OptionalDouble.empty(),
                "",
                false,
                1);
    }
}
