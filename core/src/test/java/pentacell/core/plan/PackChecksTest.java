package pentacell.core.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
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
import pentacell.core.conductor.Material;
import pentacell.core.donor.Price;
import pentacell.core.plan.Checked.Verdict;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.Board;
import pentacell.core.plan.facts.BoardSchool;
import pentacell.core.plan.facts.CellFuse;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.LeadAcid;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Part;
import pentacell.core.plan.facts.Window;
import pentacell.core.plan.facts.Wiring;

/// Checks of a planned pack, its wires and fuses, its parts.
final class PackChecksTest {
    private static final CellFormat CAN = CellFormat.parse("18650").orElseThrow();
    private static final CellSupply SUPPLY =
            CellSupply.assumed(
                    MeanCell.salvaged(2.2, 0.055, CAN, Chemistry.NMC), OptionalInt.empty());

    private static Need need(double watts, double peak) {
        return Need.of(
                Chemistry.NMC, new Window(20, 30), List.of(new LoadItem("", watts, 1, peak)));
    }

    private static Wiring wiring(
            OptionalInt bridges, OptionalDouble lead, Optional<CellFuse> fuse, BoardSchool school) {
        return new Wiring(
                Material.NICKEL, 8, 0.15, bridges, lead, 0.5, OptionalDouble.empty(), fuse, school);
    }

    private static Option option(Need need, int series, int parallel) {
        return PackPlanner.option(need, SUPPLY, new Chosen(series, parallel));
    }

    private static Checked check(Need need, int parallel, Check check) {
        return PackChecks.of(option(need, 7, parallel), need, SUPPLY).stream()
                .filter(each -> each.check() == check)
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest(name = "{0} W over {1} bridges: {2} layers")
    @DisplayName("a nickel strip of 0.15 × 8 mm carries 6 A (common practice), layers as one strip")
    @CsvSource({"120, 1, 1", "130, 1, 2", "250, 2, 1", "260, 2, 2", "1300, 4, 7"})
    void stripsAreLayered(double watts, int bridges, int layers) {
        Need need =
                need(watts, watts)
                        .with(change ->
                                change.wiring(
                                        wiring(
                                                OptionalInt.of(bridges),
                                                OptionalDouble.empty(),
                                                Optional.empty(),
                                                BoardSchool.BIGGER_BOARD)));
        // 21 V is the lowest: 126 W are 6 A
        Checked strip = check(need, 60, Check.STRIP);
        assertTrue(strip.sentence().contains("each of " + layers + " layer"), strip.sentence());
        assertTrue(strip.margin().orElseThrow() >= -1e-9);
    }

    @Test
    void theFuseBreaksAtLeastTheFullVoltage() {
        String sentence = check(need(160, 160), 10, Check.MAIN_FUSE).sentence();
        assertTrue(sentence.contains("for at least 30\u00a0V DC"), "full at 29.4 V: " + sentence);
    }

    @ParameterizedTest(name = "{0} W: fuse {1}, leads {2}")
    @DisplayName("80 % of the fuse; leads that the fuse protects (IEC 60364-5-52, from memory)")
    @CsvSource({
        "60, 5 A, 1 mm²",
        "160, 10 A, 1 mm²",
        "300, 20 A, 2.5 mm²",
        "600, 40 A, 6 mm²",
        "1200, 80 A, 16 mm²"
    })
    void theFuseProtectsTheLeads(double watts, String fuse, String lead) {
        Need need = need(watts, watts);
        assertTrue(
                check(need, 60, Check.MAIN_FUSE)
                        .sentence()
                        .startsWith("a fuse of " + fuse.replace(' ', '\u00a0')),
                check(need, 60, Check.MAIN_FUSE).sentence());
        assertTrue(
                check(need, 60, Check.LEADS).sentence().startsWith(lead),
                check(need, 60, Check.LEADS).sentence());
        assertEquals(Verdict.FINE, check(need, 60, Check.LEADS).verdict());
    }

    @Test
    void leadsThatAreTooThinAreSaid() {
        Need thin =
                need(300, 300)
                        .with(change ->
                                change.wiring(
                                        wiring(
                                                OptionalInt.empty(),
                                                OptionalDouble.of(0.75),
                                                Optional.empty(),
                                                BoardSchool.BIGGER_BOARD)));
        assertEquals(Verdict.CAUTION, check(thin, 20, Check.LEADS).verdict());
        assertTrue(check(thin, 20, Check.LEADS).margin().orElseThrow() < 0);
    }

    @ParameterizedTest(name = "copper of {0} mm: {1}")
    @DisplayName("Preece (1884): 0.10 mm opens at 2.5 A, 0.16 at 5.1, 0.20 at 7.2")
    @CsvSource({"0.10, 2.5, CAUTION", "0.16, 5.1, FINE", "0.20, 7.2, FINE", "1.0, 80, CAUTION"})
    void aCellFuseLiesBetweenPeakAndShort(double wire, double opens, Verdict verdict) {
        assertEquals(
                opens,
                FuseWindow.opensAt(new CellFuse(CellFuse.Kind.COPPER_WIRE, wire)),
                0.05 * opens);
        // 10 in parallel at a peak of 400 W: each gives 1.9 A, twice that is 3.8 A
        Need need =
                need(100, 400)
                        .with(change ->
                                change.wiring(
                                        wiring(
                                                OptionalInt.empty(),
                                                OptionalDouble.empty(),
                                                Optional.of(
                                                        new CellFuse(
                                                                CellFuse.Kind.COPPER_WIRE, wire)),
                                                BoardSchool.BIGGER_BOARD)));
        assertEquals(verdict, check(need, 10, Check.CELL_FUSE).verdict());
        assertTrue(check(need, 10, Check.CELL_FUSE).sentence().contains("slow heater"));
    }

    @Test
    void withoutAFuseTheWindowIsSaidWithWiresThatFit() {
        Checked advice = check(need(100, 200), 10, Check.CELL_FUSE);
        assertEquals(Verdict.ADVICE, advice.verdict());
        assertTrue(advice.sentence().contains("0.10"), advice.sentence());
        // 3.6 V ÷ (55 mΩ·(1 + 1/9)) = 58.9 A; half of it
        assertTrue(advice.figure().endsWith("29.5\u00a0A"), advice.figure());
    }

    @Test
    void theSecondSchoolLeadsTheLoadPastTheBoard() {
        Need over =
                need(600, 600)
                        .with(change ->
                                change.board(
                                        Optional.of(new Board(7, Chemistry.NMC, 20, 40, true))));
        assertTrue(check(over, 30, Check.BOARD_CONTINUOUS).sentence().contains("larger board"));
        Need past =
                over.with(change ->
                        change.wiring(
                                wiring(
                                        OptionalInt.empty(),
                                        OptionalDouble.empty(),
                                        Optional.empty(),
                                        BoardSchool.PAST_THE_BOARD)));
        Checked led = check(past, 30, Check.BOARD_CONTINUOUS);
        assertEquals(Verdict.CAUTION, led.verdict());
        assertTrue(led.sentence().contains("nothing then stops over-discharge"), led.sentence());
        assertTrue(led.sentence().contains("21.0"), "the alarm's voltage: " + led.sentence());
    }

    @ParameterizedTest(name = "{0} °C, probe {1}: {2}")
    @DisplayName("never charged below 0 °C (common practice)")
    @CsvSource({"5, false, FINE", "-5, false, CAUTION", "-5, true, FINE", "-25, true, CAUTION"})
    void coldIsSaid(double celsius, boolean probe, Verdict verdict) {
        Need cold =
                need(60, 60)
                        .with(change ->
                                change.coldestCelsius(OptionalDouble.of(celsius))
                                        .board(
                                                Optional.of(
                                                        new Board(
                                                                7,
                                                                Chemistry.NMC,
                                                                20,
                                                                40,
                                                                true,
                                                                OptionalDouble.empty(),
                                                                Optional.of(probe),
                                                                Optional.empty()))));
        assertEquals(verdict, check(cold, 10, Check.COLD).verdict());
    }

    @ParameterizedTest(name = "{0}S: {1}")
    @DisplayName("60 V: 14S of the 4.2 V class is under, 15S over (IEC 61140, from memory)")
    @CsvSource({"14, FINE", "15, CAUTION"})
    void overSixtyVoltsIsSaid(int series, Verdict verdict) {
        Need need =
                Need.of(Chemistry.NMC, new Window(30, 80), List.of(new LoadItem("", 60, 1, 60)));
        Checked touch =
                PackChecks.of(option(need, series, 5), need, SUPPLY).stream()
                        .filter(each -> each.check() == Check.TOUCH_VOLTAGE)
                        .findFirst()
                        .orElseThrow();
        assertEquals(verdict, touch.verdict());
    }

    @Test
    void aSurgeMayStopTheDeviceEarly() {
        Need soft = need(60, 60).with(change -> change.surgeWatts(OptionalDouble.of(100)));
        Need hard = need(60, 60).with(change -> change.surgeWatts(OptionalDouble.of(4000)));
        assertEquals(Verdict.FINE, check(soft, 10, Check.SURGE).verdict());
        assertEquals(Verdict.CAUTION, check(hard, 10, Check.SURGE).verdict());
    }

    @RepeatedTest(40)
    void aMarginIsBelowNothingExactlyWhereTheCheckIsBroken(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Need need =
                need(20 + random.nextInt(800), 1000)
                        .with(change ->
                                change.hours(OptionalDouble.of(1 + random.nextInt(20)))
                                        .board(
                                                Optional.of(
                                                        new Board(
                                                                7, Chemistry.NMC, 15, 30, true))));
        List<Checked> checks = PackChecks.of(option(need, 7, 1 + random.nextInt(30)), need, SUPPLY);
        for (Checked each : checks)
            if (each.margin().isPresent() && each.check() != Check.STRIP)
                assertEquals(each.isFine(), each.margin().getAsDouble() >= -1e-9, each.toString());
        List<Checked> sorted = PackChecks.smallestMarginFirst(checks);
        assertEquals(checks.size(), sorted.size());
        long broken = checks.stream().filter(each -> !each.isFine()).count();
        assertTrue(sorted.stream().limit(broken).noneMatch(Checked::isFine));
    }

    @Test
    void partsAreCountedAndPriced() {
        Need need =
                need(60, 60)
                        .with(change ->
                                change.spares(2)
                                        .replaces(
                                                Optional.of(
                                                        new LeadAcid(
                                                                24,
                                                                40,
                                                                OptionalDouble.of(26),
                                                                Optional.of(
                                                                        new Price(165, "EUR"))))));
        Option option = option(need, 7, 10);
        Map<Part, Price> prices =
                Map.of(Part.CELL, new Price(1, "EUR"), Part.HOLDER, new Price(0.1, "EUR"));
        PartsList parts = PartsList.of(option, need, SUPPLY, prices);
        assertEquals(72, amount(parts, Part.CELL), 1e-9);
        assertEquals(140, amount(parts, Part.HOLDER), 1e-9);
        // 20 mm of strip at both ends of each cell, 6 links of 4 bridges, a tenth for cutting
        assertEquals(1.1 * 0.020 * (140 + 24), amount(parts, Part.STRIP), 1e-9);
        assertEquals(72 + 14, parts.total().orElseThrow().amount(), 1e-9);
        assertEquals(parts.lines().size() - 2, parts.withoutPrice());
        List<PartsList.PerKilowattHour> compared =
                parts.perKilowattHour(option, need, Optional.of(new Price(0.4, "EUR")));
        assertEquals(3, compared.size());
        assertEquals(86000 / option.usableWattHours(), compared.get(0).price().amount(), 1e-6);
        // 165 for half of 960 Wh
        assertEquals(343.75, compared.get(2).price().amount(), 1e-9);
        assertTrue(
                PartsList.of(
                                option,
                                need,
                                SUPPLY,
                                Map.of(
                                        Part.CELL,
                                        new Price(1, "EUR"),
                                        Part.LUG,
                                        new Price(1, "CHF")))
                        .total()
                        .isEmpty(),
                "amounts of different currencies are never added");
    }

    private static double amount(PartsList parts, Part part) {
        return parts.lines().stream()
                .filter(line -> line.part() == part)
                .findFirst()
                .orElseThrow()
                .amount();
    }

    @Test
    void aLoadThatIsSeldomOnStillHasItsWiresAndFuse() {
        Need seldom =
                Need.of(
                        Chemistry.NMC,
                        new Window(20, 30),
                        List.of(new LoadItem("motor", 210, 0.02, 210)));
        assertEquals(4.2, seldom.steadyFromPack(), 1e-9);
        assertEquals(10, 20 * option(seldom, 7, 20).steadyAmps(), 1e-9, "210 W at 21 V");
        assertTrue(
                check(seldom, 20, Check.MAIN_FUSE).sentence().startsWith("a fuse of 15\u00a0A"),
                check(seldom, 20, Check.MAIN_FUSE).sentence());
    }

    @Test
    void barsOfTheWindowSayWhatStaysInside() {
        Need need =
                Need.of(
                        Chemistry.NMC,
                        new Window(10.5, 15),
                        List.of(new LoadItem("", 0.1, 1, 0.1)));
        List<VoltageBar> bars = VoltageBar.of(need, SUPPLY, 30);
        for (VoltageBar bar : bars)
            assertEquals(1, bar.ink().stream().mapToDouble(each -> each).sum(), 1e-9);
        VoltageBar three =
                bars.stream()
                        .filter(bar -> bar.series() == 3 && bar.chemistry() == Chemistry.NMC)
                        .findFirst()
                        .orElseThrow();
        assertEquals(1 - option(need, 3, 10).usableShare(), three.belowShare(), 0.005);
        assertTrue(
                bars.stream()
                        .anyMatch(bar ->
                                bar.series() == 4
                                        && bar.chemistry() == Chemistry.NMC
                                        && bar.isOver()),
                "4S is full at 16.8 V (common practice: too high for 15 V)");
        assertTrue(
                bars.stream()
                        .anyMatch(bar ->
                                bar.series() == 4
                                        && bar.chemistry() == Chemistry.LFP
                                        && bar.isUsable()));
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "camera cooler 30w 60% peak 45w | camera cooler | 30 | 0.6 | 45",
                "12w | '' | 12 | 1 | 12",
                "lamp 4,5w 25% | lamp | 4.5 | 0.25 | 4.5",
                "inverter peak 1.5kw 0.2kW | inverter | 200 | 1 | 1500"
            })
    void loadsAreTypedOneALine(String line, String name, double watts, double share, double peak) {
        LoadText read = LoadText.read(line);
        assertEquals(List.of(new LoadItem(name, watts, share, peak)), read.items());
        assertEquals(read.items(), LoadText.read(LoadText.text(read.items())).items());
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "lamp | what does it draw",
                "lamp 10w 0% | on for above 0",
                "lamp 0w | above 0"
            })
    void aLoadThatIsNoneIsSaid(String line, String words) {
        LoadText read = LoadText.read("mount 12w\n" + line);
        assertTrue(read.problems().get(0).startsWith("load 2"), read.problems().toString());
        assertTrue(read.problems().get(0).contains(words), read.problems().toString());
    }

    @Test
    void aPeakBelowTheLoadCountsAsTheLoad() {
        assertEquals(
                List.of(new LoadItem("lamp", 10, 1, 10)),
                LoadText.read("lamp 10w peak 5w").items());
    }

    @Test
    void presetsAreNeedsThatSomePackMeets() {
        for (NeedPreset preset : NeedPreset.values()) {
            PackPlan plan = PackPlanner.plan(preset.need(), SUPPLY);
            assertTrue(plan.best().isPresent(), preset.words() + ": " + plan.nearest());
        }
    }
}
