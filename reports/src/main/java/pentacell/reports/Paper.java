package pentacell.reports;

import org.apache.pdfbox.pdmodel.common.PDRectangle;

/// Sizes of paper.
public enum Paper {
    A4,
    LETTER;

    PDRectangle size() {
        return switch (this) {
            case A4 -> PDRectangle.A4;
            case LETTER -> PDRectangle.LETTER;
        };
    }
}
