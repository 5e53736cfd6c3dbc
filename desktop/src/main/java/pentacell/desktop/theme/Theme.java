package pentacell.desktop.theme;

import atlantafx.base.theme.PrimerDark;
import atlantafx.base.theme.PrimerLight;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import pentacell.reports.Fonts;

/// How the program looks: *Paper* by day, *Shed* by night.
public enum Theme {
    PAPER,
    SHED;

    private static final List<String> FONT_FILES =
            List.of(
                    "PlexSans-Regular",
                    "PlexSans-Medium",
                    "PlexSans-SemiBold",
                    "PlexSansCondensed-Regular",
                    "PlexSansCondensed-SemiBold");
    private static final List<Integer> SCALES = List.of(80, 90, 100, 110, 125, 140, 160, 180, 200);

    /// Loads the shipped typeface; once, before the first scene.
    public static void loadFonts() {
        for (String file : FONT_FILES) {
            try (InputStream font = Fonts.open(file)) {
                Font.loadFont(font, 13);
            } catch (IOException failure) {
                throw new UncheckedIOException(failure);
            }
        }
    }

    /// The theme that was kept, or the usual one.
    public static Theme kept(Optional<String> name) {
        return name.filter(SHED.name()::equals).isPresent() ? SHED : PAPER;
    }

    /// Lays what lies under every scene; before the first control is made, or the toolkit's own
    /// style would be read for nothing.
    public void lay() {
        Application.setUserAgentStylesheet(
                switch (this) {
                    case PAPER -> new PrimerLight().getUserAgentStylesheet();
                    case SHED -> new PrimerDark().getUserAgentStylesheet();
                });
    }

    /// Dresses a scene in this theme.
    public void applyTo(Scene scene) {
        lay();
        scene.getStylesheets()
                .setAll(sheet("pentacell.css"), sheet(this == PAPER ? "paper.css" : "shed.css"));
    }

    /// The other theme.
    public Theme other() {
        return this == PAPER ? SHED : PAPER;
    }

    /// The next size of everything.
    ///
    /// @param percent the present size
    /// @param steps how many sizes up, negative for down
    public static int scaled(int percent, int steps) {
        int index = Math.max(0, SCALES.indexOf(percent)) + steps;
        return SCALES.get(Math.clamp(index, 0, SCALES.size() - 1));
    }

    /// A size that was kept, or the usual one when it is none.
    public static int rounded(String percent) {
        return SCALES.stream()
                .filter(scale -> percent.equals(String.valueOf(scale)))
                .findFirst()
                .orElse(100);
    }

    /// The size of the type at a size of everything, in pixels.
    public static double pixels(int percent) {
        return 13 * percent / 100.0;
    }

    /// Scales everything in a scene.
    public static void scale(Scene scene, int percent) {
        scene.getRoot().getStyleClass().removeIf(name -> name.startsWith("scale-"));
        scene.getRoot().getStyleClass().add("scale-" + percent);
    }

    private static String sheet(String name) {
        return Objects.requireNonNull(Theme.class.getResource(name), name).toExternalForm();
    }
}
