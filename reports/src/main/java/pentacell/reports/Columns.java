package pentacell.reports;

import java.io.IOException;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.unit.Quantity;

/// Lines of texts that begin at fixed places, on pages that flow.
///
/// @param places where each begins, in points from the margin
record Columns(FlowingPages pages, List<Integer> places) {
    Columns {
        places = List.copyOf(places);
    }

    Columns(FlowingPages pages, Integer... places) {
        this(pages, List.of(places));
    }

    void head(String... texts) throws IOException {
        row(true, texts);
    }

    void row(String... texts) throws IOException {
        row(false, texts);
    }

    private void row(boolean isHead, String... texts) throws IOException {
        pages.room(FlowingPages.LINE);
        for (int i = 0; i < texts.length; i++) {
            float left = Sheet.MARGIN + places.get(i);
            float end =
                    i + 1 < places.size() ? Sheet.MARGIN + places.get(i + 1) - 6 : pages.right();
            pages.sheet()
                    .textWithin(
                            isHead ? pages.bold() : pages.regular(),
                            FlowingPages.TEXT,
                            6,
                            left,
                            pages.y(),
                            end - left,
                            texts[i]);
        }
        pages.down(FlowingPages.LINE - 2);
    }

    /// A figure of a column, or a dash when it is not known.
    static String number(Quantity quantity, OptionalDouble value) {
        return value.isPresent() ? quantity.number(value.getAsDouble()) : "–";
    }
}
