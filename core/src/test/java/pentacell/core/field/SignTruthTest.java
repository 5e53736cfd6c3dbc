package pentacell.core.field;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.field.FieldPack.Family;
import pentacell.core.field.FieldPack.Logger;
import pentacell.core.field.FieldPack.Use;
import pentacell.core.measure.Column;
import pentacell.core.prove.GroupLog;

/// What is drawn and what is charged, in logs of every use, sampling and sign.
final class SignTruthTest {
    @ParameterizedTest
    @EnumSource(Use.class)
    @DisplayName("the sign of the current is told from the voltages, whatever the use")
    void theSignIsTold(Use use) {
        StringBuilder wrong = new StringBuilder();
        int count = 0;
        for (Family family : Family.values())
            for (double seconds : new double[] {10, 60, 300, 900})
                for (int sign : new int[] {1, -1, 0}) {
                    if (sign == 0 && (seconds > 60 || family == Family.LFP)) continue;
                    Logger logger = new Logger(seconds, 0.005, 0.002, sign, 0);
                    Random random = new Random(31L * use.ordinal() + count++);
                    FieldPack pack = new FieldPack(family, 4, 5, 0.02, random);
                    GroupLog log = pack.log(use, 2.9, logger);
                    double known = drawn(log.seconds(), pack.flowed());
                    double told = drawn(log.seconds(), log.amps());
                    if (known > 0 && Math.abs(told - known) > (sign == 0 ? 0.05 : 0.01) * known)
                        wrong.append(
                                "%s %s %.0f s sign %d: %.2f of %.2f Ah%n"
                                        .formatted(use, family, seconds, sign, told, known));
                }
        assertEquals("", wrong.toString());
    }

    /// What was drawn in all, without what was charged, in Ah.
    private static double drawn(Column seconds, Column amps) {
        double drawn = 0;
        for (int i = 1; i < amps.size(); i++)
            drawn += (seconds.get(i) - seconds.get(i - 1)) / 3600 * Math.max(0, amps.get(i));
        return drawn;
    }
}
