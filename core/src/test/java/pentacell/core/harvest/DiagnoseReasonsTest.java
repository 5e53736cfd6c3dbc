package pentacell.core.harvest;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.WarningSign;
import pentacell.core.school.Schools;

/// What a diagnosis gives as its reasons.
final class DiagnoseReasonsTest {

    /// Every reason in its order, and how sure it is: a whole pack that agrees makes it surer.
    @ParameterizedTest(name = "{0} {1}: {2}, {3}")
    @CsvSource(
            delimiter = '|',
            value = {
                "4.05 3.40 4.05      |               | REPAIR  | LIKELY   | GROUP_LOW GROUPS_ALIKE GROUPS_LEFT SUM_UNCHECKED",
                "4.05 3.40 4.05      | p11.50        | REPAIR  | SURE     | GROUP_LOW GROUPS_ALIKE GROUPS_LEFT SUM_AGREES",
                "4.05 3.40 4.05      | no-leads      | HARVEST | LIKELY   | GROUP_LOW GROUPS_ALIKE GROUPS_LEFT DRIFTS_AGAIN SUM_UNCHECKED",
                "4.05 3.40 4.05      | refuses       | REPAIR  | LIKELY   | GROUP_LOW GROUPS_ALIKE CHARGER_REFUSES GROUPS_LEFT SUM_UNCHECKED",
                "4.05 3.40 4.05      | swollen       | HARVEST | LIKELY   | GROUP_LOW GROUPS_ALIKE GROUPS_LEFT SIGN_FORBIDS_REPAIR SUM_UNCHECKED",
                "3.90 3.92 1.32      |               | HARVEST | LIKELY   | GROUP_LOW GROUPS_ALIKE GROUPS_LEFT UNDER_RECOVERY_FLOOR SUM_UNCHECKED",
                "3.90 4.31 3.92      |               | HARVEST | LIKELY   | GROUP_OVERCHARGED GROUPS_LEFT SUM_UNCHECKED",
                "4.05 4.05 4.26      |               | HARVEST | POSSIBLE | GROUP_OVERCHARGED GROUPS_LEFT SUM_UNCHECKED",
                "3.90 4.31 0.2 3.92  |               | HARVEST | LIKELY   | GROUP_OVERCHARGED GROUP_DEAD GROUPS_LEFT SUM_UNCHECKED",
                "0.0 4.40 4.41       | no-leads      | SCRAP   | LIKELY   | GROUP_OVERCHARGED GROUP_OVERCHARGED GROUP_DEAD DRIFTS_AGAIN SUM_UNCHECKED",
                "2.10 2.12 2.09      |               | REPAIR  | LIKELY   | ALL_GROUPS_LOW GROUPS_ALIKE DEEP_PACK_IS_PROVED SUM_UNCHECKED",
                "2.45 2.46 2.44      | p7.35         | REPAIR  | SURE     | ALL_GROUPS_LOW GROUPS_ALIKE DEEP_PACK_IS_PROVED SUM_AGREES",
                "2.10 2.70 2.70      |               | REPAIR  | LIKELY   | ALL_GROUPS_LOW GROUPS_DRIFTED SUM_UNCHECKED",
                "3.90 3.90 0.02 0.01 |               | HARVEST | LIKELY   | GROUP_DEAD GROUP_DEAD GROUPS_LEFT SUM_UNCHECKED",
                "0.0 0.0             |               | SCRAP   | LIKELY   | GROUP_DEAD GROUP_DEAD SUM_UNCHECKED",
                "4.10 3.98 3.87 4.08 |               | REPAIR  | LIKELY   | GROUPS_DRIFTED SUM_UNCHECKED",
                "4.10 3.98 3.87 4.08 | no-leads      | HARVEST | LIKELY   | GROUPS_DRIFTED DRIFTS_AGAIN SUM_UNCHECKED",
                "3.71 3.74 3.70      | p11.15        | USE     | SURE     | GROUPS_ALIKE SUM_AGREES",
                "3.71 3.74 3.70      | refuses       | HARVEST | POSSIBLE | CHARGER_REFUSES WAKE_BOARD_FIRST GROUPS_ALIKE SUM_UNCHECKED",
                "4.15 4.16 4.15      | refuses       | USE     | LIKELY   | GROUPS_ALIKE SUM_UNCHECKED",
                "3.9 3.9 3.9         | o5.8          | HARVEST | LIKELY   | NO_OUTPUT WAKE_BOARD_FIRST GROUPS_ALIKE SUM_UNCHECKED",
                "3.9 3.9 3.9         | o5.9          | USE     | LIKELY   | GROUPS_ALIKE SUM_UNCHECKED",
                "3.9 3.9 3.9         | p11.7 o0.1    | HARVEST | SURE     | NO_OUTPUT WAKE_BOARD_FIRST GROUPS_ALIKE SUM_AGREES",
                "3.9 3.9 3.9         | o0.1 refuses  | HARVEST | LIKELY   | NO_OUTPUT CHARGER_REFUSES WAKE_BOARD_FIRST GROUPS_ALIKE SUM_UNCHECKED"
            })
    void everyReasonIsGivenInItsOrder(
            String volts, String seen, Advice advice, Sureness sureness, String rules) {
        OptionalDouble pack = OptionalDouble.empty();
        OptionalDouble output = OptionalDouble.empty();
        Set<WarningSign> signs = EnumSet.noneOf(WarningSign.class);
        for (String each : seen == null ? new String[0] : seen.split(" "))
            switch (each) {
                case "no-leads" -> signs.add(WarningSign.NO_BALANCE_LEADS);
                case "refuses" -> signs.add(WarningSign.CHARGER_REFUSES);
                case "swollen" -> signs.add(WarningSign.SWOLLEN);
                default -> {
                    OptionalDouble read = OptionalDouble.of(Double.parseDouble(each.substring(1)));
                    if (each.startsWith("p")) pack = read;
                    else output = read;
                }
            }
        Diagnosis diagnosis =
                Diagnose.pack(
                        new PackReadings(
                                Chemistry.NMC,
                                true,
                                Arrays.stream(volts.split(" ")).map(Double::valueOf).toList(),
                                OptionalInt.empty(),
                                pack,
                                output,
                                signs),
                        Schools.USUAL);
        assertEquals(advice, diagnosis.advice());
        assertEquals(sureness, diagnosis.sureness());
        assertEquals(
                rules,
                diagnosis.reasons().stream()
                        .map(reason -> reason.rule().name())
                        .collect(Collectors.joining(" ")));
    }
}
