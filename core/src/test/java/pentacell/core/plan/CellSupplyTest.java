package pentacell.core.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.circuit.VoltageCurve;
import pentacell.core.match.Candidate;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.Charger;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Window;

/// The cells a plan counts on, and how long they take to charge.
final class CellSupplyTest {
    private static final CellFormat CAN = CellFormat.parse("18650").orElseThrow();

    /// Source: the charge written as an equation of one cell, dz/dt = min(I, (V − E(z)) ÷ R) ÷ C,
    /// and followed by the classical Runge-Kutta rule in half seconds.
    @ParameterizedTest
    @CsvSource({"10, 5, 0.055", "10, 2, 0.055", "4, 4, 0.12", "20, 3, 0.03"})
    void chargingTakesAsLongAsTheIntegralSays(int parallel, double amps, double ohms) {
        CellSupply supply =
                CellSupply.assumed(
                        MeanCell.salvaged(2.2, ohms, CAN, Chemistry.NMC), OptionalInt.empty());
        Need need =
                Need.of(Chemistry.NMC, new Window(20, 30), List.of(new LoadItem("", 50, 1, 80)))
                        .with(change ->
                                change.charger(
                                        Optional.of(
                                                new Charger(29.4, amps, OptionalDouble.empty()))));
        Option option = PackPlanner.option(need, supply, new Chosen(7, parallel));
        double hours = ChargeChecks.chargeHours(option, need, supply).orElseThrow();
        VoltageCurve curve = RestCurve.of(Chemistry.NMC).curve();
        double each = amps / parallel;
        DoubleUnaryOperator current = share -> Math.min(each, (4.2 - curve.volts(share)) / ohms);
        double share = curve.share(3.0);
        double step = 0.5 / 3600 / 2.2;
        int steps = 0;
        while (steps < 1_000_000 && current.applyAsDouble(share) > Math.min(0.05 * 2.2, each / 2)) {
            double a = current.applyAsDouble(share);
            double b = current.applyAsDouble(share + step * a / 2);
            double c = current.applyAsDouble(share + step * b / 2);
            double d = current.applyAsDouble(share + step * c);
            share += step * (a + 2 * b + 2 * c + d) / 6;
            steps++;
        }
        assertEquals(steps * 0.5 / 3600, hours, 0.01 * hours);
    }

    @Test
    void ofTwoSizesTheMostFrequentIsMeant() {
        List<Candidate> cells =
                List.of(
                        candidate("A-1", 2000, 1, Chemistry.NMC, "18650"),
                        candidate("A-2", 4400, 2, Chemistry.NMC, "18650"),
                        candidate("A-3", 2200, 1, Chemistry.NMC),
                        candidate("B-1", 5000, 1, Chemistry.NMC, "21700"));
        CellSupply supply = CellSupply.stock(cells, Chemistry.NMC).orElseThrow();
        assertEquals("18650", supply.format().code());
        assertEquals(4, supply.most().orElseThrow(), "one of unknown size counts");
    }

    @Test
    void ofAStockTheStrongestAreMeant() {
        List<Candidate> cells =
                List.of(
                        candidate("A-1", 2000, 1, Chemistry.NMC),
                        candidate("A-2", 2400, 1, Chemistry.NMC),
                        candidate("A-3", 4400, 2, Chemistry.NMC),
                        candidate("L-1", 3000, 1, Chemistry.LFP));
        CellSupply supply = CellSupply.stock(cells, Chemistry.NMC).orElseThrow();
        assertEquals(4, supply.most().orElseThrow());
        assertEquals(2.4, supply.mean(1).ampHours(), 1e-9);
        assertEquals((2.4 + 4.4) / 3, supply.mean(3).ampHours(), 1e-9);
        assertEquals(2.2, supply.mean(9).ampHours(), 1e-9, "no more than there are");
        assertTrue(CellSupply.stock(cells.subList(3, 4), Chemistry.NMC).isEmpty());
    }

    private static Candidate candidate(
            String id, double milliampHours, int cans, Chemistry chemistry) {
        return candidate(id, milliampHours, cans, chemistry, "unknown");
    }

    private static Candidate candidate(
            String id, double milliampHours, int cans, Chemistry chemistry, String size) {
        return new Candidate(
                new CellId(id),
                milliampHours,
                OptionalDouble.of(50.0 / cans),
                "",
                "",
                Optional.of(chemistry),
                CellFormat.parse(size),
                OptionalDouble.empty(),
                "",
                false,
                cans);
    }
}
