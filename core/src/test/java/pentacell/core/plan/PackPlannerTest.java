package pentacell.core.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.Discharged;
import pentacell.core.circuit.Load;
import pentacell.core.circuit.PackSimulation;
import pentacell.core.circuit.RestCurve;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.Board;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Charger;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.Losses;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Packing;
import pentacell.core.plan.facts.Window;

/// Packs from a need: common practice, the circuit simulated whole, and what must hold of any need.
final class PackPlannerTest {
    private static final CellFormat CAN = CellFormat.parse("18650").orElseThrow();
    private static final MeanCell CELL =
            new MeanCell(2.2, 0.055, 1.1, 2.2, 45, CAN, OptionalDouble.of(1.5));

    private static final CellSupply SUPPLY = CellSupply.assumed(CELL, OptionalInt.empty());

    private static Need plain(double low, double high, double watts, double peak) {
        return Need.of(
                Chemistry.NMC, new Window(low, high), List.of(new LoadItem("", watts, 1, peak)));
    }

    private static Need need(Chemistry chemistry, double low, double high, double watts) {
        return plain(low, high, watts, 2 * watts)
                .with(need -> need.chemistry(chemistry).hours(OptionalDouble.of(6)));
    }

    private static PackPlan plan(Need need) {
        return PackPlanner.plan(need, SUPPLY);
    }

    private static List<Option> feasible(PackPlan plan) {
        return plan.options().stream().filter(Option::isFeasible).toList();
    }

    @ParameterizedTest(name = "{0}, {1} to {2} V: {3}S")
    @DisplayName("groups in series by the device's window (common practice)")
    @CsvSource({
        "NMC, 9.5, 15, 3", // the 12 V class; 4S is full at 16.8 V
        "LFP, 10.5, 15, 4",
        "NMC, 20, 26, 6", // the 24 V class
        "NMC, 20, 30, 7",
        "LFP, 20, 30, 8",
        "NMC, 30, 43, 10",
        "NMC, 39, 55, 13", // the 48 V class
        "NMC, 39, 59, 14",
        "LFP, 40, 59, 16"
    })
    void theWindowSaysHowMany(Chemistry chemistry, double low, double high, int series) {
        PackPlan plan = plan(need(chemistry, low, high, 60));
        int most = feasible(plan).stream().mapToInt(Option::series).max().orElse(0);
        assertEquals(series, most);
        Option over =
                plan.options().stream()
                        .filter(option -> option.series() == series + 1)
                        .findFirst()
                        .orElseThrow();
        assertEquals(Check.HIGH_TRIP, over.obstacles().get(0).check());
    }

    private static Option ofThree(Need need) {
        return feasible(plan(need)).stream()
                .filter(each -> each.series() == 3)
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest(name = "{0}, {1} to {2} V, {3} W for {4} h")
    @DisplayName("what one cell in parallel cannot give at all, many can")
    @CsvSource({
        "NMC, 30, 42, 1000, 1", "NMC, 21, 30, 1000, 0.5", "NMC, 44, 60, 3000, 0.5",
        "NMC, 10.5, 15, 600, 0.5", "LFP, 40, 60, 5000, 1", "NMC, 35, 42, 500, 1"
    })
    void highPowerIsACaseForMoreCells(
            Chemistry chemistry, double low, double high, double watts, double hours) {
        Need need =
                need(chemistry, low, high, watts)
                        .with(change -> change.hours(OptionalDouble.of(hours)));
        PackPlan plan = plan(need);
        assertTrue(plan.best().isPresent(), plan.nearest()::toString);
        for (Option option : feasible(plan)) {
            // by hand: the lowest voltage the device runs at carries the steady current
            double lowest = Math.max(low, option.emptyVolts());
            assertEquals(watts / lowest / option.parallel(), option.steadyAmps(), 1e-9);
            assertTrue(option.hours() >= hours);
            assertTrue(option.fullVolts() <= high + 1e-9 && option.fullVolts() > low);
        }
    }

    @Test
    void whatIsDrawnOnlyToBeOnCoversNoDistance() {
        Need driven =
                need(Chemistry.NMC, 20, 30, 100)
                        .with(change ->
                                change.wattHoursPerKilometre(OptionalDouble.of(5))
                                        .losses(new Losses(0.8, 0)));
        Need idle = driven.with(change -> change.losses(new Losses(0.8, 125)));
        Option without = PackPlanner.option(driven, SUPPLY, new Chosen(7, 20));
        Option with = PackPlanner.option(idle, SUPPLY, new Chosen(7, 20));
        assertEquals(0.8 * without.usableWattHours() / 5, without.kilometres().orElseThrow(), 1e-9);
        // 125 W of 250 W move it
        assertEquals(0.4 * with.usableWattHours() / 5, with.kilometres().orElseThrow(), 1e-9);
    }

    @Test
    @DisplayName("3S at a device that stops at 10.5 V leaves a good part inside (common practice)")
    void aHighLowTripLeavesEnergyInside() {
        Option option = ofThree(need(Chemistry.NMC, 10.5, 15, 30));
        assertTrue(option.usableShare() > 0.6 && option.usableShare() < 0.9, option.toString());
        Option lower = ofThree(need(Chemistry.NMC, 8, 15, 30));
        assertEquals(1, lower.usableShare());
        assertEquals(9, lower.emptyVolts());
    }

    @Test
    @DisplayName("7S: 29.4 V full, 21 V empty (common practice)")
    void sevenGroups() {
        Option option =
                plan(need(Chemistry.NMC, 20, 30, 100)).options().stream()
                        .filter(each -> each.series() == 7)
                        .findFirst()
                        .orElseThrow();
        assertEquals(29.4, option.fullVolts(), 1e-9);
        assertEquals(21, option.emptyVolts(), 1e-9);
    }

    /// Judge: the whole circuit, every cell in it.
    @RepeatedTest(8)
    void theEnergyIsThatOfTheWholeCircuit(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Chemistry chemistry = random.nextBoolean() ? Chemistry.NMC : Chemistry.LFP;
        double low = chemistry == Chemistry.NMC ? 18 + 6 * random.nextDouble() : 20;
        Need need = need(chemistry, low, 30, 40 + random.nextInt(200));
        Option option = plan(need).best().orElseThrow();
        List<CircuitCell> group =
                Collections.nCopies(
                        option.parallel(), new CircuitCell(CELL.ampHours(), CELL.ohms()));
        Discharged whole =
                PackSimulation.discharge(
                        Collections.nCopies(option.series(), group),
                        RestCurve.of(chemistry).curve(),
                        new Load.Watts(need.steadyFromPack()),
                        Math.max(low, option.emptyVolts()) / option.series(),
                        10,
                        (t, volts, amps, each) -> {});
        assertEquals(whole.wattHours(), option.usableWattHours(), 2e-3 * whole.wattHours());
        assertEquals(whole.seconds() / 3600, option.hours(), 2e-3 * option.hours());
    }

    @RepeatedTest(20)
    void theSmallestThatDoesIsFoundAndOneLessDoesNot(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Need need =
                need(
                        Chemistry.NMC,
                        15 + 10 * random.nextDouble(),
                        30 + 30 * random.nextDouble(),
                        20 + 400 * random.nextDouble());
        PackPlan plan = plan(need);
        for (int series = 1; series < 20; series++) {
            int of = series;
            List<Option> options =
                    plan.options().stream().filter(each -> each.series() == of).toList();
            OptionalInt least =
                    options.stream().filter(Option::isFeasible).mapToInt(Option::parallel).min();
            if (least.isEmpty() || least.getAsInt() == 1) continue;
            Option one =
                    options.stream()
                            .filter(each -> each.parallel() == least.getAsInt() - 1)
                            .findFirst()
                            .orElseThrow();
            assertFalse(one.isFeasible());
        }
        for (Option each : feasible(plan)) {
            assertTrue(each.fullVolts() <= need.window().highTripVolts() + 1e-9);
            assertTrue(each.steadyAmps() <= CELL.maxContinuousAmps() + 1e-9);
            assertTrue(each.peakAmps() <= CELL.maxPeakAmps() + 1e-9);
            assertTrue(each.hours() >= 6);
            assertTrue(plan.best().orElseThrow().cells() <= each.cells());
        }
    }

    @Test
    void anInverterDrawsMoreFromThePackAndIdles() {
        Need need = plain(20, 30, 100, 300).with(change -> change.losses(new Losses(0.8, 5)));
        assertEquals(130, need.steadyFromPack(), 1e-12);
        assertEquals(380, need.peakFromPack(), 1e-12);
    }

    @Test
    void kilometresCountAtTheWheel() {
        Need need =
                plain(30, 43, 150, 350)
                        .with(change ->
                                change.losses(new Losses(0.9, 0))
                                        .wattHoursPerKilometre(OptionalDouble.of(9))
                                        .kilometres(OptionalDouble.of(40)));
        Option best = plan(need).best().orElseThrow();
        assertEquals(best.usableWattHours() * 0.9 / 9, best.kilometres().orElseThrow(), 1e-9);
        assertTrue(best.kilometres().orElseThrow() >= 40);
    }

    @Test
    void tooFewCellsSayHowLongTheyWouldLast() {
        Need few = plain(20, 30, 60, 60).with(change -> change.hours(OptionalDouble.of(50)));
        PackPlan plan = PackPlanner.plan(few, CellSupply.assumed(CELL, OptionalInt.of(70)));
        assertTrue(plan.best().isEmpty());
        assertTrue(
                plan.nearest().orElseThrow().startsWith("7S10P comes nearest: "), plan.toString());
    }

    @Test
    void aWindowThatNothingFitsSaysWhichWould() {
        PackPlan plan = plan(need(Chemistry.NMC, 12.7, 14, 10));
        assertTrue(plan.best().isEmpty());
        assertTrue(plan.nearest().orElseThrow().contains("16.8"), plan.nearest().toString());
        assertFalse(plan.options().isEmpty());
    }

    @ParameterizedTest(name = "{0} × {1} × {2} mm takes {3}")
    @CsvSource({
        // pitch 18.5 + 1.5 (common practice: 20 mm); 65 + 4 high; 4 mm off each side
        "44, 44, 73, 4", // 40 × 40 × 69: two by two
        "44, 44, 142, 8", // two layers
        "43.9, 43.9, 73, 2", // under two pitches: nested, one beside the other
        "142, 44, 44, 8", // turned: the axis along the length
        "10, 10, 10, 0"
    })
    void cansInABox(double length, double width, double height, int cans) {
        assertEquals(cans, BoxFit.most(CAN, new Box(length, width, height), Packing.USUAL));
    }

    @Test
    void nestedRowsTakeMoreWhereTheyCan() {
        // 204 mm take ten rows square of ten; nested eleven rows of ten and nine
        Box box = new Box(10 * 20 + 4, 20 + 10 * 20 * Math.sqrt(3) / 2 + 4.01, 73);
        assertEquals(6 * 10 + 5 * 9, BoxFit.most(CAN, box, Packing.USUAL));
        assertEquals(
                BoxFit.most(CAN, box, Packing.USUAL),
                BoxFit.most(
                        CAN,
                        new Box(
                                box.heightMillimetres(),
                                box.lengthMillimetres(),
                                box.widthMillimetres()),
                        Packing.USUAL));
    }

    @Test
    void aNeedThatCannotBeIsRefused() {
        assertThrows(IllegalArgumentException.class, () -> need(Chemistry.NMC, 15, 10, 10));
        assertThrows(IllegalArgumentException.class, () -> plain(20, 30, 0, 1));
        assertThrows(IllegalArgumentException.class, () -> plain(20, 30, 10, 5));
        assertThrows(IllegalArgumentException.class, () -> new Losses(1.1, 0));
        assertThrows(IllegalArgumentException.class, () -> new Box(1, Double.NaN, 1));
    }

    private static Need with(Optional<Charger> charger, Optional<Board> board) {
        return need(Chemistry.NMC, 20, 30, 100)
                .with(change -> change.charger(charger).board(board));
    }

    private static Option sevenGroupsFor(Need need) {
        return plan(need).options().stream()
                .filter(option -> option.series() == 7 && option.isFeasible())
                .findFirst()
                .orElseThrow();
    }

    private static List<String> cautions(Need need) {
        return PackChecks.cautions(sevenGroupsFor(need), need, SUPPLY).stream()
                .map(each -> each.check().name())
                .toList();
    }

    @ParameterizedTest(name = "{0} V {1} A of {2} W: {3}")
    @DisplayName("15 mV a cell, 80 % of the supply's rating, 0.5 C (common practice)")
    @CsvSource({
        "29.4, 5, 200, ''",
        "29.5, 5, 200, ''",
        "29.51, 5, 200, CHARGER_VOLTS",
        "29.29, 5, 200, CHARGER_VOLTS",
        "25.2, 5, 200, CHARGER_VOLTS",
        "33.6, 5, 300, CHARGER_VOLTS",
        "29.4, 40, 2000, CHARGER_AMPS",
        "29.4, 5, 150, CHARGER_SUPPLY"
    })
    void aChargerIsHeldAgainstThePack(double volts, double amps, double watts, String check) {
        Need need =
                with(
                        Optional.of(new Charger(volts, amps, OptionalDouble.of(watts))),
                        Optional.empty());
        assertEquals(check.isEmpty() ? List.of() : List.of(check), cautions(need));
    }

    @Test
    void aSupplyThatIsTooSmallSaysAtWhatCurrentItTrips() {
        Need need =
                with(Optional.of(new Charger(29.4, 5, OptionalDouble.of(150))), Optional.empty());
        assertEquals(
                0.8 * 150 / 29.4,
                PackChecks.cautions(sevenGroupsFor(need), need, SUPPLY).get(0).limitNumber(),
                1e-9);
    }

    @ParameterizedTest
    @CsvSource({
        "7, NMC, 40, 80, true, ''",
        "6, NMC, 40, 80, true, BOARD_SERIES",
        "7, LFP, 40, 80, true, BOARD_CHEMISTRY",
        "7, NMC, 40, 80, false, BOARD_BALANCE",
        "7, NMC, 2, 80, true, BOARD_CONTINUOUS",
        "7, NMC, 6, 7, true, BOARD_PEAK"
    })
    void aBoardIsHeldAgainstThePack(
            int series,
            Chemistry chemistry,
            double amps,
            double peak,
            boolean leads,
            String check) {
        Need need =
                with(
                        Optional.empty(),
                        Optional.of(new Board(series, chemistry, amps, peak, leads)));
        assertEquals(check.isEmpty() ? List.of() : List.of(check), cautions(need));
    }

    @Test
    void aChargeTakesItsAmpHoursAndTheTaper() {
        Need need =
                with(Optional.of(new Charger(29.4, 5, OptionalDouble.empty())), Optional.empty());
        Option option = sevenGroupsFor(need);
        double bare = option.parallel() * CELL.ampHours() / 5;
        double hours = ChargeChecks.chargeHours(option, need, SUPPLY).orElseThrow();
        assertTrue(hours > 0.9 * bare && hours < 1.4 * bare, hours + " of " + bare);
    }
}
