package pentacell.desktop.theme;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

final class ThemeTest {
    private static final Pattern COLOUR = Pattern.compile("(-pc-[a-z-]+): #([0-9A-Fa-f]{6});");

    @ParameterizedTest(name = "{0}: {1} on {2}")
    // WCAG 2.2, 1.4.3: text has a contrast of at least 4.5 : 1
    @CsvSource({
        "paper.css, -pc-ink, -pc-ground",
        "paper.css, -pc-ink, -pc-sheet",
        "paper.css, -pc-ink, -pc-petrol-wash",
        "paper.css, -pc-ink, -pc-brick-wash",
        "paper.css, -pc-second, -pc-ground",
        "paper.css, -pc-second, -pc-sheet",
        "paper.css, -pc-copper, -pc-ground",
        "paper.css, -pc-on-copper, -pc-copper",
        "paper.css, -pc-petrol, -pc-ground",
        "paper.css, -pc-petrol, -pc-sheet",
        "paper.css, -pc-ochre, -pc-ochre-wash",
        "paper.css, -pc-ochre, -pc-sheet",
        "paper.css, -pc-brick, -pc-brick-wash",
        "shed.css, -pc-ink, -pc-ground",
        "shed.css, -pc-ink, -pc-sheet",
        "shed.css, -pc-ink, -pc-petrol-wash",
        "shed.css, -pc-ink, -pc-brick-wash",
        "shed.css, -pc-second, -pc-ground",
        "shed.css, -pc-second, -pc-sheet",
        "shed.css, -pc-copper, -pc-ground",
        "shed.css, -pc-on-copper, -pc-copper",
        "shed.css, -pc-petrol, -pc-ground",
        "shed.css, -pc-petrol, -pc-sheet",
        "shed.css, -pc-ochre, -pc-ochre-wash",
        "shed.css, -pc-ochre, -pc-sheet",
        "shed.css, -pc-brick, -pc-brick-wash"
    })
    void textCanBeRead(String sheet, String text, String ground) throws IOException {
        Map<String, Integer> colours = colours(sheet);
        double contrast = contrast(colour(colours, text), colour(colours, ground));
        assertTrue(contrast >= 4.5, () -> "%s on %s: %.2f".formatted(text, ground, contrast));
    }

    @Test
    void theContrastIsComputedAsTheStandardSays() {
        // WCAG 2.2: black on white is 21 : 1; #767676 on white is the well-known grey that just
        // passes (4.54 : 1)
        assertEquals(21, contrast(0x000000, 0xffffff), 1e-9);
        assertEquals(4.54, contrast(0x767676, 0xffffff), 0.005);
    }

    @Test
    void bothThemesNameTheSameColours() throws IOException {
        assertEquals(colours("paper.css").keySet(), colours("shed.css").keySet());
    }

    /// So that what fits in one theme fits in the other.
    @ParameterizedTest
    @ValueSource(strings = {"paper.css", "shed.css"})
    void aThemeIsColoursAndNothingElse(String sheet) throws IOException {
        String rules = text(sheet).replaceAll("(?s)/\\*.*?\\*/", "").strip();
        assertTrue(rules.matches("\\.root \\{\\s*(-pc-[a-z-]+: #[0-9A-Fa-f]{6};\\s*)+}"), rules);
    }

    @Test
    void coloursStandInTheThemeFilesOnly() throws IOException {
        assertTrue(
                !text("pentacell.css").matches("(?s).*#[0-9A-Fa-f]{3,8}\\b[^{]*;.*"),
                "pentacell.css has a colour of its own");
    }

    @ParameterizedTest(name = "{0} % and {1} steps is {2} %")
    @CsvSource({"100, 1, 110", "100, -1, 90", "80, -1, 80", "200, 1, 200", "125, 2, 160"})
    void sizesGoUpAndDownInSteps(int percent, int steps, int then) {
        assertEquals(then, Theme.scaled(percent, steps));
    }

    @ParameterizedTest
    @ValueSource(ints = {80, 90, 100, 110, 125, 140, 160, 180, 200})
    void everySizeHasItsRule(int percent) throws IOException {
        assertTrue(text("pentacell.css").contains(".scale-" + percent + " "), ".scale-" + percent);
    }

    private static int colour(Map<String, Integer> colours, String name) {
        return Objects.requireNonNull(colours.get(name), name);
    }

    private static Map<String, Integer> colours(String sheet) throws IOException {
        Map<String, Integer> colours = new TreeMap<>();
        Matcher matcher = COLOUR.matcher(text(sheet));
        while (matcher.find())
            colours.put(matcher.group(1), Integer.parseInt(matcher.group(2), 16));
        return colours;
    }

    private static String text(String sheet) throws IOException {
        try (InputStream in = Theme.class.getResourceAsStream(sheet)) {
            return new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    /// Contrast of two colours: (L₁ + 0.05) ÷ (L₂ + 0.05), L being relative luminance (WCAG 2.2).
    private static double contrast(int one, int other) {
        double light = Math.max(luminance(one), luminance(other));
        double dark = Math.min(luminance(one), luminance(other));
        return (light + 0.05) / (dark + 0.05);
    }

    private static double luminance(int colour) {
        return 0.2126 * linear(colour >> 16 & 0xff)
                + 0.7152 * linear(colour >> 8 & 0xff)
                + 0.0722 * linear(colour & 0xff);
    }

    private static double linear(int channel) {
        double share = channel / 255.0;
        return share <= 0.04045 ? share / 12.92 : Math.pow((share + 0.055) / 1.055, 2.4);
    }
}
