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
import pentacell.core.plan.Need.Box;
import pentacell.core.plan.Need.PlanCell;
import pentacell.core.plan.Need.Power;
import pentacell.core.plan.PackPlan.Check;
import pentacell.core.plan.PackPlan.Option;

/// Packs from a need: common practice, the circuit simulated whole, and what must hold of any need.
final class PackPlannerTest {
    private static final CellFormat CAN = CellFormat.parse("18650").orElseThrow();
    private static final PlanCell CELL =
            new PlanCell(2.2, 0.055, 1.1, 2.2, 45, CAN, OptionalDouble.of(1.5));

    private static Need need(Chemistry chemistry, double low, double high, double watts) {
        return new Need(
                chemistry,
                low,
                high,
                new Power(watts, 2 * watts, 1, 0, OptionalDouble.empty()),
                OptionalDouble.of(6),
                OptionalDouble.empty(),
                CELL,
                OptionalInt.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
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
        PackPlan plan = PackPlanner.plan(need(chemistry, low, high, 60));
        int most = feasible(plan).stream().mapToInt(Option::series).max().orElse(0);
        assertEquals(series, most);
        Option over =
                plan.options().stream()
                        .filter(option -> option.series() == series + 1)
                        .findFirst()
                        .orElseThrow();
        assertEquals(Check.HIGH_TRIP, over.obstacles().get(0).check());
    }

    @Test
    @DisplayName("3S at a device that stops at 10.5 V leaves a good part inside (common practice)")
    void aHighLowTripLeavesEnergyInside() {
        Option option = feasible(PackPlanner.plan(need(Chemistry.NMC, 10.5, 15, 30))).get(0);
        assertEquals(3, option.series());
        assertTrue(option.usableShare() > 0.6 && option.usableShare() < 0.9, option.toString());
        Option lower = feasible(PackPlanner.plan(need(Chemistry.NMC, 8, 15, 30))).get(0);
        assertEquals(1, lower.usableShare());
        assertEquals(9, lower.emptyVolts());
    }

    @Test
    @DisplayName("7S: 29.4 V full, 21 V empty (common practice)")
    void sevenGroups() {
        Option option =
                PackPlanner.plan(need(Chemistry.NMC, 20, 30, 100)).options().stream()
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
        Option option = PackPlanner.plan(need).best().orElseThrow();
        List<CircuitCell> group =
                Collections.nCopies(
                        option.parallel(), new CircuitCell(CELL.ampHours(), CELL.ohms()));
        Discharged whole =
                PackSimulation.discharge(
                        Collections.nCopies(option.series(), group),
                        RestCurve.of(chemistry).curve(),
                        new Load.Watts(need.load().steadyFromPack()),
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
        PackPlan plan = PackPlanner.plan(need);
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
            assertTrue(each.fullVolts() <= need.highTripVolts() + 1e-9);
            assertTrue(each.steadyAmps() <= CELL.maxContinuousAmps() + 1e-9);
            assertTrue(each.peakAmps() <= CELL.maxPeakAmps() + 1e-9);
            assertTrue(each.hours() >= 6);
            assertTrue(plan.best().orElseThrow().cells() <= each.cells());
        }
    }

    @Test
    void anInverterDrawsMoreFromThePackAndIdles() {
        Power power = new Power(100, 300, 0.8, 5, OptionalDouble.of(10));
        assertEquals(130, power.steadyFromPack(), 1e-12);
        assertEquals(380, power.peakFromPack(), 1e-12);
    }

    @Test
    void kilometresCountAtTheWheel() {
        Need need =
                new Need(
                        Chemistry.NMC,
                        30,
                        43,
                        new Power(150, 350, 0.9, 0, OptionalDouble.of(9)),
                        OptionalDouble.empty(),
                        OptionalDouble.of(40),
                        CELL,
                        OptionalInt.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty());
        Option best = PackPlanner.plan(need).best().orElseThrow();
        assertEquals(best.usableWattHours() * 0.9 / 9, best.kilometres().orElseThrow(), 1e-9);
        assertTrue(best.kilometres().orElseThrow() >= 40);
    }

    @Test
    void tooFewCellsSayHowLongTheyWouldLast() {
        Need few =
                new Need(
                        Chemistry.NMC,
                        20,
                        30,
                        new Power(60, 60, 1, 0, OptionalDouble.empty()),
                        OptionalDouble.of(50),
                        OptionalDouble.empty(),
                        CELL,
                        OptionalInt.of(70),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty());
        PackPlan plan = PackPlanner.plan(few);
        assertTrue(plan.best().isEmpty());
        assertTrue(
                plan.nearest().orElseThrow().startsWith("7S10P comes nearest: "), plan.toString());
    }

    @Test
    void aWindowThatNothingFitsSaysWhichWould() {
        PackPlan plan = PackPlanner.plan(need(Chemistry.NMC, 12.7, 14, 10));
        assertTrue(plan.best().isEmpty());
        assertTrue(plan.nearest().orElseThrow().contains("16.8"), plan.nearest().toString());
        assertFalse(plan.options().isEmpty());
    }

    @ParameterizedTest(name = "{0} × {1} × {2} mm takes {3}")
    @CsvSource({
        // pitch 18 + 1.5; 65 + 4 high; 4 mm off each side
        "43, 43, 73, 4", // 39 × 39 × 69: two by two
        "43, 43, 142, 8", // two layers
        "42.9, 42.9, 73, 2", // under two pitches: nested, one beside the other
        "142, 43, 43, 8", // turned: the axis along the length
        "10, 10, 10, 0"
    })
    void cansInABox(double length, double width, double height, int cans) {
        assertEquals(cans, BoxFit.most(CAN, new Box(length, width, height)));
    }

    @Test
    void nestedRowsTakeMoreWhereTheyCan() {
        // 199 mm take ten rows square of ten; nested eleven rows of ten and nine
        Box box = new Box(10 * 19.5 + 4, 19.5 + 10 * 19.5 * Math.sqrt(3) / 2 + 4.01, 73);
        assertEquals(6 * 10 + 5 * 9, BoxFit.most(CAN, box));
        assertEquals(
                BoxFit.most(CAN, box),
                BoxFit.most(
                        CAN,
                        new Box(
                                box.heightMillimetres(),
                                box.lengthMillimetres(),
                                box.widthMillimetres())));
    }

    @Test
    void aNeedThatCannotBeIsRefused() {
        assertThrows(IllegalArgumentException.class, () -> need(Chemistry.NMC, 15, 10, 10));
        assertThrows(
                IllegalArgumentException.class,
                () -> new Power(0, 1, 1, 0, OptionalDouble.empty()));
        assertThrows(
                IllegalArgumentException.class,
                () -> new Power(10, 5, 1, 0, OptionalDouble.empty()));
        assertThrows(
                IllegalArgumentException.class,
                () -> new Power(10, 10, 1.1, 0, OptionalDouble.empty()));
        assertThrows(IllegalArgumentException.class, () -> new Box(1, Double.NaN, 1));
    }

    private static Need with(Optional<Need.Charger> charger, Optional<Need.Board> board) {
        Need plain = need(Chemistry.NMC, 20, 30, 100);
        return new Need(
                plain.chemistry(),
                plain.lowTripVolts(),
                plain.highTripVolts(),
                plain.load(),
                plain.hours(),
                plain.kilometres(),
                plain.cell(),
                plain.mostCells(),
                plain.box(),
                charger,
                board);
    }

    private static Option sevenGroupsFor(Need need) {
        return PackPlanner.plan(need).options().stream()
                .filter(option -> option.series() == 7 && option.isFeasible())
                .findFirst()
                .orElseThrow();
    }

    private static List<String> cautions(Need need) {
        return PackCautions.of(sevenGroupsFor(need), need).stream()
                .map(each -> each.check().name())
                .toList();
    }

    @ParameterizedTest(name = "{0} V {1} A of {2} W: {3}")
    @DisplayName("chargers and their supplies: 80 % of the rating, 0.5 C (common practice)")
    @CsvSource({
        "29.4, 5, 200, ''",
        "25.2, 5, 200, CHARGER_VOLTS",
        "33.6, 5, 300, CHARGER_VOLTS",
        "29.4, 40, 2000, CHARGER_AMPS",
        "29.4, 5, 150, CHARGER_SUPPLY"
    })
    void aChargerIsHeldAgainstThePack(double volts, double amps, double watts, String check) {
        Need need =
                with(
                        Optional.of(new Need.Charger(volts, amps, OptionalDouble.of(watts))),
                        Optional.empty());
        assertEquals(check.isEmpty() ? List.of() : List.of(check), cautions(need));
    }

    @Test
    void aSupplyThatIsTooSmallSaysAtWhatCurrentItTrips() {
        Need need =
                with(
                        Optional.of(new Need.Charger(29.4, 5, OptionalDouble.of(150))),
                        Optional.empty());
        assertEquals(
                0.8 * 150 / 29.4, PackCautions.of(sevenGroupsFor(need), need).get(0).limit(), 1e-9);
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
                        Optional.of(new Need.Board(series, chemistry, amps, peak, leads)));
        assertEquals(check.isEmpty() ? List.of() : List.of(check), cautions(need));
    }

    @Test
    void aChargeTakesItsAmpHoursAndTheTaper() {
        Need need =
                with(
                        Optional.of(new Need.Charger(29.4, 5, OptionalDouble.empty())),
                        Optional.empty());
        Option option = sevenGroupsFor(need);
        double bare = option.parallel() * CELL.ampHours() / 5;
        double hours = PackCautions.chargeHours(option, need).orElseThrow();
        assertTrue(hours > 0.9 * bare && hours < 1.4 * bare, hours + " of " + bare);
    }
}
