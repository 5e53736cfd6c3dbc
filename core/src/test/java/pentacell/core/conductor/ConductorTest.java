package pentacell.core.conductor;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// Conductors against standards and handbooks.
final class ConductorTest {
    private static Conductor copper(Section section, double metres) {
        return new Conductor(Material.COPPER, section, metres, 1);
    }

    @ParameterizedTest(name = "AWG {0}: {1} mm, {2} mm²")
    @DisplayName("wire gauges by ASTM B258")
    @CsvSource({
        "36, 0.127, 0.012668", "24, 0.5106, 0.2047", "18, 1.0237, 0.8230", "12, 2.0525, 3.3088",
        "10, 2.5882, 5.2612", "8, 3.2636, 8.3656", "0, 8.2515, 53.475", "-3, 11.684, 107.22"
    })
    void gauges(int gauge, double diameter, double area) {
        Section.Round wire = Section.Round.ofAwg(gauge);
        assertEquals(diameter, wire.diameterMillimetres(), 5e-4 * diameter);
        assertEquals(area, wire.squareMillimetres(), 1e-3 * area);
    }

    @Test
    @DisplayName("the copper standard (IEC 60028): 1 m of 1 mm² is 17.241 mΩ at 20 °C")
    void copperIsTheStandard() {
        Conductor wire = copper(new Section.Area(1), 1);
        assertEquals(0.017241, wire.ohms(20), 1e-9);
        assertEquals(0.017241 * (1 + 0.00393 * 50), wire.ohms(70), 1e-9);
    }

    @ParameterizedTest(name = "{0} mm² is at most {1} mΩ/m, class 2")
    @DisplayName("rows of IEC 60228, class 2: what the metal alone has is a few percent less")
    @CsvSource({
        "2.5, 7.41",
        "4, 4.61",
        "6, 3.08",
        "10, 1.83",
        "16, 1.15",
        "25, 0.727",
        "35, 0.524"
    })
    void strandedRows(double area, double milliohmsPerMetre) {
        double ours = 1000 * copper(new Section.Area(area), 1).ohms(20);
        assertTrue(ours < milliohmsPerMetre, ours + " under " + milliohmsPerMetre);
        assertEquals(milliohmsPerMetre, ours, 0.08 * milliohmsPerMetre);
    }

    @ParameterizedTest(name = "{0} mm of copper melts at {1} A")
    @DisplayName("Preece 1884 for copper")
    @CsvSource({"0.10, 2.5", "0.16, 5.1", "0.20, 7.2", "1, 80"})
    void fusing(double diameter, double amps) {
        assertEquals(
                amps,
                copper(new Section.Round(diameter), 1).fusingAmps().orElseThrow(),
                0.04 * amps);
    }

    @Test
    void onlyARoundWireOfAMeasuredMetalHasAFusingCurrent() {
        assertTrue(copper(new Section.Area(1), 1).fusingAmps().isEmpty());
        assertTrue(copper(new Section.Strip(8, 0.15), 1).fusingAmps().isEmpty());
        assertTrue(
                new Conductor(Material.NICKEL, new Section.Round(0.2), 1, 1)
                        .fusingAmps()
                        .isEmpty());
    }

    @Test
    @DisplayName("a nickel strip of 8 × 0.15 mm carries 5 to 7 A (common practice)")
    void theUsualStrip() {
        Allowed strip = strip(Material.NICKEL, 8, 0.15, 1);
        assertEquals(6, strip.amps(), 1e-9);
        assertFalse(strip.rule().contains("ends at"), strip.rule());
    }

    @ParameterizedTest(name = "{0} × {1} mm of copper: at most {2} A")
    @DisplayName("one bare copper bar, DIN 43671 (from memory): ours stay below")
    @CsvSource({"20, 5, 275", "40, 10, 715"})
    void busbars(double width, double thickness, double amps) {
        Allowed bar = strip(Material.COPPER, width, thickness, 1);
        assertTrue(bar.amps() > 0.65 * amps && bar.amps() <= amps, bar + "");
        assertTrue(bar.rule().contains("ends at"), bar.rule());
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 4, 50})
    void layersAreOneThickerStrip(int layers) {
        double thick = strip(Material.NICKEL, 8, 0.15 * layers, 1).amps();
        double stacked = strip(Material.NICKEL, 8, 0.15, layers).amps();
        assertEquals(thick, stacked, 1e-9);
        // equal heat for each mm² of surface: I²·ρ ÷ (area · perimeter)
        double area = 8 * 0.15 * layers;
        double perimeter = 2 * (8 + 0.15 * layers);
        assertEquals(36 / (1.2 * 16.3), stacked * stacked / (area * perimeter), 1e-9);
    }

    private static Allowed strip(Material material, double width, double thickness, int layers) {
        return new Conductor(material, new Section.Strip(width, thickness), 0.02, layers).allowed();
    }

    @ParameterizedTest(name = "{0} mm²: {1} A")
    @DisplayName("rows of IEC 60364-5-52, method C (from memory), and below them half")
    @CsvSource({
        "0.05, 0.88, begins", "0.49, 4.4, begins", "0.5, 9, begins", "1, 15, begins",
        "1.5, 19.5, method", "6, 46, method", "120, 299, method", "150, 344, ends"
    })
    void wires(double area, double amps, String rule) {
        Allowed allowed = copper(new Section.Area(area), 1).allowed();
        assertEquals(amps, allowed.amps(), 0.02 * amps);
        assertTrue(allowed.rule().contains(rule), allowed.rule());
        boolean isInTable = rule.equals("method");
        assertEquals(isInTable, !allowed.rule().contains("carried on"), allowed.rule());
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.2, 0.5, 1.5, 3.3, 10, 42, 120, 240})
    void moreMetalCarriesMoreAndCopperMost(double area) {
        double copper = copper(new Section.Area(area), 1).allowed().amps();
        assertTrue(copper > 0 && copper < copper(new Section.Area(1.1 * area), 1).allowed().amps());
        for (Material other : Material.values())
            assertTrue(
                    new Conductor(other, new Section.Area(area), 1, 1).allowed().amps() <= copper);
    }

    @Test
    void whatAllowsTheSameHeatPerAreaIsTheSameHeat() {
        Section strip = new Section.Strip(10, 0.2);
        Conductor nickel = new Conductor(Material.NICKEL, strip, 1, 1);
        Conductor steel = new Conductor(Material.PLATED_STEEL, strip, 1, 1);
        assertEquals(
                Math.pow(nickel.allowed().amps(), 2) * nickel.ohms(20),
                Math.pow(steel.allowed().amps(), 2) * steel.ohms(20),
                1e-9);
    }

    @Test
    void sizesThatCannotBeAreRefused() {
        assertThrows(IllegalArgumentException.class, () -> new Section.Round(Double.NaN));
        assertThrows(IllegalArgumentException.class, () -> new Section.Strip(8, 0));
        assertThrows(IllegalArgumentException.class, () -> Section.Round.ofAwg(60));
        assertThrows(
                IllegalArgumentException.class,
                () -> new Conductor(Material.COPPER, new Section.Area(1), 1, 0));
        assertThrows(
                IllegalArgumentException.class, () -> copper(new Section.Area(1), 1).ohms(1e9));
    }
}
