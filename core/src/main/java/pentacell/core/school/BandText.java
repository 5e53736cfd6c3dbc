package pentacell.core.school;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import pentacell.core.cell.Chemistry;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;

/// Voltage bands in one line, to be read and edited: `0 recycle, 1.8 slow-charge-watched, 2.5
/// slow-charge, 3.0 normal, over 4.25`.
///
/// @param policy the bands; empty when there is a problem
/// @param problem what is wrong with the line, in a sentence
public record BandText(Optional<BandSchool> policy, Optional<String> problem) {

    /// The line of a school.
    public static String of(BandSchool policy) {
        String bands =
                policy.bands().stream()
                        .map(band -> volts(band.fromVolts()) + " " + band.verdict().code())
                        .collect(Collectors.joining(", "));
        return bands + ", over " + volts(policy.overVolts());
    }

    private static String volts(double volts) {
        return volts == Math.rint(volts * 10) / 10
                ? Quantity.VOLTAGE.number(volts, 1)
                : String.valueOf(volts);
    }

    /// Reads a line.
    public static BandText read(String name, Chemistry chemistry, String line) {
        if (name.isBlank()) return wrong("Give the copy a name of its own.");
        boolean isShipped =
                BandSchool.shipped(chemistry).stream()
                        .anyMatch(policy -> policy.name().equals(name.strip()));
        if (isShipped)
            return wrong(
                    "\"" + name.strip() + "\" comes with the program; name the copy otherwise.");
        List<BandSchool.Band> bands = new ArrayList<>();
        OptionalDouble over = OptionalDouble.empty();
        for (String part : line.split("[,;]\\s+|;")) {
            String[] words = part.strip().split("\\s+");
            if (words.length != 2)
                return wrong(
                        "\""
                                + part.strip()
                                + "\" is not a band; use one such as 1.8 slow-charge-watched.");
            boolean isOver = words[0].equalsIgnoreCase("over");
            OptionalDouble volts = NumberText.parse(words[isOver ? 1 : 0]);
            if (volts.isEmpty())
                return wrong("\"" + words[isOver ? 1 : 0] + "\" is not a voltage.");
            if (isOver) {
                over = volts;
                continue;
            }
            Optional<IntakeVerdict> verdict = verdict(words[1]);
            if (verdict.isEmpty())
                return wrong(
                        "\""
                                + words[1]
                                + "\" is not a verdict: recycle, slow-charge-watched, slow-charge or normal.");
            bands.add(new BandSchool.Band(volts.getAsDouble(), verdict.get()));
        }
        if (over.isEmpty()) return wrong("Say where overcharge begins, such as over 4.25.");
        if (bands.isEmpty() || bands.get(0).fromVolts() != 0)
            return wrong("The first band begins at 0, such as 0 recycle.");
        try {
            return new BandText(
                    Optional.of(new BandSchool(name.strip(), chemistry, bands, over.getAsDouble())),
                    Optional.empty());
        } catch (IllegalArgumentException refused) {
            return wrong(refused.getMessage() + ".");
        }
    }

    private static Optional<IntakeVerdict> verdict(String code) {
        for (IntakeVerdict verdict : IntakeVerdict.values())
            if (verdict.code().equals(code.toLowerCase(Locale.ROOT))
                    && verdict != IntakeVerdict.REJECT) return Optional.of(verdict);
        return Optional.empty();
    }

    private static BandText wrong(String sentence) {
        return new BandText(Optional.empty(), Optional.of(sentence));
    }
}
