package pentacell.reports;

import java.io.IOException;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.unit.Quantity;

/// Lines of texts that begin at fixed places, on pages that flow. The head is repeated on every
/// page they go on to, and is never left alone at the foot of one.
final class Columns {
    private static final float ROW = FlowingPages.LINE - 2;

    private final FlowingPages pages;
    private final List<Integer> places;
    private List<String> head = List.of();

    /// @param places where each begins, in points from the margin
    Columns(FlowingPages pages, Integer... places) {
        this.pages = pages;
        this.places = List.of(places);
    }

    void head(String... texts) throws IOException {
        head = List.of(texts);
        pages.room(FlowingPages.LINE + ROW);
        write(head, true);
    }

    void row(String... texts) throws IOException {
        if (pages.room(FlowingPages.LINE) && !head.isEmpty()) write(head, true);
        write(List.of(texts), false);
    }

    private void write(List<String> texts, boolean isHead) throws IOException {
        for (int i = 0; i < texts.size(); i++) {
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
                            texts.get(i));
        }
        pages.down(ROW);
    }

    /// A figure of a column, or a dash when it is not known.
    static String number(Quantity quantity, OptionalDouble value) {
        return value.isPresent() ? quantity.number(value.getAsDouble()) : "–";
    }
}
