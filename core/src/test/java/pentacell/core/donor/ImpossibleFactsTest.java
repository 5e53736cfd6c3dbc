package pentacell.core.donor;

import static org.junit.jupiter.api.Assertions.assertDoesNotThrow;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.function.Executable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.DonorFact.GroupCharged;
import pentacell.core.donor.DonorFact.GroupsRead;
import pentacell.core.donor.DonorFact.MinutesSpent;
import pentacell.core.donor.DonorFact.OutputVoltageRead;
import pentacell.core.donor.DonorFact.PackVoltageRead;
import pentacell.core.donor.DonorFact.PartSaved;
import pentacell.core.donor.PurchaseFact.NewCellPriced;

/// What can be noted of a donor, and where it ends.
@DisplayName("limits of what is noted of a donor")
final class ImpossibleFactsTest {
    private static final double TINY = 1e-9;

    /// @param make the fact, of a figure
    /// @param least the smallest figure that can be, and one that cannot
    record Bounds(
            String name,
            Function<Double, Object> make,
            double underLeast,
            double least,
            double most,
            double overMost) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Bounds> bounds() {
        return Stream.of(
                volts("voltage of a group", volts -> groups(Map.of(1, volts))),
                volts("voltage of a pack", volts -> new PackVoltageRead("HB1", volts)),
                volts("voltage at the output", volts -> new OutputVoltageRead("HB1", volts)),
                volts("voltage of a charged group", volts -> new GroupCharged("HB1", 1, volts)),
                whole("number of a group", n -> groups(Map.of(n, 3.7)), 1, 200),
                whole("minutes", n -> new MinutesSpent("HB1", n), 1, 10_000),
                whole("parts", n -> new PartSaved("HB1", "holder", n), 1, 10_000),
                whole("groups", n -> new Arrangement(n, 1), 1, 200),
                whole("cells of a group", n -> new Arrangement(1, n), 1, 1000),
                whole("packs of a lot", n -> lot(0, n, 0), 1, 10_000),
                whole("minutes for a lot", n -> lot(0, 1, n), 0, 100_000),
                new Bounds("postage", each -> lot(each, 1, 0), -TINY, 0, 9.9e8, 1e9),
                new Bounds("price", each -> new Price(each, "EUR"), -TINY, 0, 9.9e8, 1e9),
                new Bounds(
                        "energy of a new cell",
                        each -> new NewCellPriced(new Price(3, "EUR"), each),
                        0,
                        TINY,
                        999,
                        1000),
                new Bounds(
                        "share of a price", ImpossibleFactsTest::share, -TINY, 0, 1e9, Double.NaN),
                new Bounds(
                        "volts on a label",
                        each -> new PackLabel(of(each), none(), none()),
                        0,
                        TINY,
                        2000,
                        2001),
                new Bounds(
                        "ampere hours on a label",
                        each -> new PackLabel(none(), of(each), none()),
                        0,
                        TINY,
                        10_000,
                        10_001),
                new Bounds(
                        "watt hours on a label",
                        each -> new PackLabel(none(), none(), of(each)),
                        0,
                        TINY,
                        1e6,
                        1.1e6));
    }

    private static Bounds volts(String name, Function<Double, Object> make) {
        return new Bounds(name, make, -1000.1, -1000, 1000, 1000.1);
    }

    private static Bounds whole(String name, Function<Integer, Object> make, int least, int most) {
        return new Bounds(
                name, each -> make.apply((int) Math.rint(each)), least - 1, least, most, most + 1);
    }

    private static GroupsRead groups(Map<Integer, Double> volts) {
        return new GroupsRead("HB1", new TreeMap<>(volts));
    }

    private static Lot lot(double postage, int packs, int minutes) {
        return new Lot(
                "K1",
                "flea market",
                LocalDate.of(2026, 3, 1),
                new Price(9, "EUR"),
                postage,
                packs,
                minutes);
    }

    private static Donor share(double each) {
        return new Donor(
                "HB1",
                "",
                "",
                "",
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                of(each));
    }

    private static OptionalDouble of(double value) {
        return OptionalDouble.of(value);
    }

    private static OptionalDouble none() {
        return OptionalDouble.empty();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("bounds")
    void whatCannotBeIsRefusedWithItsFigure(Bounds each) {
        assertDoesNotThrow(() -> each.make().apply(each.least()));
        assertDoesNotThrow(() -> each.make().apply(each.most()));
        for (double wrong : new double[] {each.underLeast(), each.overMost()}) {
            Executable make = () -> each.make().apply(wrong);
            String message =
                    String.valueOf(assertThrows(IllegalArgumentException.class, make).getMessage());
            // the figure that was given stands in the message, whole numbers as such
            String whole = String.valueOf((long) wrong);
            assertTrue(message.contains(whole) || message.contains(String.valueOf(wrong)), message);
        }
    }

    @Test
    void codesAndCurrenciesAreWords() {
        assertThrows(IllegalArgumentException.class, () -> Donor.of("H B", "", "", ""));
        assertThrows(
                IllegalArgumentException.class,
                () -> new Lot("K 1", "", LocalDate.of(2026, 3, 1), new Price(9, "EUR"), 0, 1, 0));
        assertThrows(IllegalArgumentException.class, () -> new Price(1, "Eur"));
        assertEquals(11.5, lot(2.5, 1, 0).cost());
    }

    /// Nominal volts of a group on the label (common practice): where one class ends the other
    /// begins, and beyond both nothing is said.
    @ParameterizedTest(name = "{0} V a group: {1}")
    @CsvSource({"3.09, ", "3.10, LFP", "3.449, LFP", "3.45, NMC", "3.949, NMC", "3.95, "})
    void theClassesMeet(double volts, Chemistry chemistry) {
        assertEquals(
                Optional.ofNullable(chemistry),
                new PackLabel(of(volts), none(), none()).chemistry(1));
        assertEquals(Optional.empty(), PackLabel.NONE.chemistry(1));
    }

    @ParameterizedTest(name = "{0} Wh on 10 V and 10 Ah")
    @CsvSource({"94.1, false", "93.9, true", "105.9, false", "106.1, true"})
    void anEnergyMayBeRounded(double wattHours, boolean isOdd) {
        assertEquals(isOdd, new PackLabel(of(10), of(10), of(wattHours)).oddity().isPresent());
    }

    @ParameterizedTest
    @CsvSource({
        "200S1000P, true",
        "201S1P, false",
        "1S1000P, true",
        "1S1001P, false",
        "1P200S, true",
        "1P201S, false"
    })
    void anArrangementIsReadUpToItsLimits(String text, boolean isRead) {
        assertEquals(isRead, Arrangement.parse(text).isPresent());
    }

    /// What a group held new: 4 cells of a model, or what the label says.
    @Test
    void aGroupHoldsWhatItsModelOrItsLabelSays() {
        Donor labelled =
                new Donor(
                        "HB1",
                        "",
                        "",
                        "",
                        Optional.empty(),
                        Arrangement.parse("3S4P"),
                        Optional.empty(),
                        Optional.of(new PackLabel(of(11.1), of(8.8), none())),
                        none());
        assertEquals(8.8, labelled.groupAmpHours(Optional.empty()).orElseThrow());
        assertEquals(Optional.of(Chemistry.NMC), labelled.chemistry(Optional.empty()));
        assertTrue(Donor.of("HB1", "", "", "").groupAmpHours(Optional.empty()).isEmpty());
        assertEquals(Optional.empty(), Donor.of("HB1", "", "", "").chemistry(Optional.empty()));
    }
}
