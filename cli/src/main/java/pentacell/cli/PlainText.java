package pentacell.cli;

import java.io.FilterWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;

/// Text for a terminal: a control character that came out of a file would move the cursor, change
/// colours or worse, so it is shown as a replacement character. Tabs and ends of lines stay.
final class PlainText extends FilterWriter {
    private PlainText(Writer out) {
        super(out);
    }

    static PrintWriter printer(Writer out) {
        return new PrintWriter(new PlainText(out), true);
    }

    private static int plain(int letter) {
        boolean isLayout = letter == '\n' || letter == '\r' || letter == '\t';
        return Character.isISOControl(letter) && !isLayout ? 0xfffd : letter;
    }

    @Override
    public void write(int letter) throws IOException {
        out.write(plain(letter));
    }

    @Override
    public void write(char[] letters, int from, int count) throws IOException {
        char[] shown = new char[count];
        for (int i = 0; i < count; i++) shown[i] = (char) plain(letters[from + i]);
        out.write(shown, 0, count);
    }

    @Override
    public void write(String letters, int from, int count) throws IOException {
        write(letters.toCharArray(), from, count);
    }
}
