package pentacell.reports;

import org.apache.pdfbox.pdmodel.common.PDRectangle;

/// Sizes of paper.
public enum Paper {
    A4(PDRectangle.A4),
    LETTER(PDRectangle.LETTER);

    private final PDRectangle size;

    Paper(PDRectangle size) {
        this.size = size;
    }

    PDRectangle size() {
        return size;
    }
}
