package pentacell.reports;

import java.io.IOException;
import java.io.InputStream;
import java.util.Objects;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/// The shipped typefaces, on paper and on screen.
public final class Fonts {
    private Fonts() {}

    /// Opens a shipped font file.
    ///
    /// @param name `PlexSans-Regular` and the like
    public static InputStream open(String name) {
        return Objects.requireNonNull(
                Fonts.class.getResourceAsStream("/pentacell/fonts/" + name + ".ttf"), name);
    }

    static PDFont regular(PDDocument document) throws IOException {
        return load(document, "PlexSans-Regular");
    }

    static PDFont bold(PDDocument document) throws IOException {
        return load(document, "PlexSans-SemiBold");
    }

    private static PDFont load(PDDocument document, String name) throws IOException {
        try (InputStream font = open(name)) {
            return PDType0Font.load(document, font, true);
        }
    }
}
