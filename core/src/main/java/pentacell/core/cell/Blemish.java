package pentacell.core.cell;

import java.util.Optional;

/// What can be wrong with a can to the eye, the finger and the nose.
public enum Blemish {
    SLEEVE_TORN('s', "sleeve torn", PrepWork.RE_SLEEVE),
    RING_MISSING('i', "insulator ring missing", PrepWork.NEW_RING),
    TAB_STUB('t', "tab stub", PrepWork.GRIND_TABS),
    RUST('r', "rust", PrepWork.CLEAN_RUST),
    /// A dent in the side can be shallow; one at the crimp cannot be told from it by a tool.
    DENT('d', "dent", null),
    LEAK('l', "leak", null),
    /// The sweet smell of electrolyte: a leak that cannot be seen.
    SMELL('o', "smell", null),
    PUNCTURE('p', "puncture", null),
    SWOLLEN('w', "swollen", null);

    private final char key;
    private final String words;
    private final Optional<PrepWork> work;

    Blemish(char key, String words, @org.jspecify.annotations.Nullable PrepWork work) {
        this.key = key;
        this.words = words;
        this.work = Optional.ofNullable(work);
    }

    /// The key it is typed with in a quick line.
    public char key() {
        return key;
    }

    /// The blemish in words.
    public String words() {
        return words;
    }

    /// The work that puts it right before assembly; empty when none does and the cell is out
    /// whatever it reads (common practice).
    public Optional<PrepWork> work() {
        return work;
    }

    /// The blemish of a key.
    public static Optional<Blemish> ofKey(int key) {
        for (Blemish blemish : values()) if (blemish.key == key) return Optional.of(blemish);
        return Optional.empty();
    }
}
