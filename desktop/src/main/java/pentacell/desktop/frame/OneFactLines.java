package pentacell.desktop.frame;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;

/// A quick line each of whose lines says one thing: it shows what was understood, logs it, or says
/// why not.
public final class OneFactLines implements QuickSource {
    private final Desk desk;
    private final Supplier<String> inHand;
    private final String example;
    private final Function<String, QuickLine> understand;
    private final Consumer<Runnable> onChange;

    /// @param inHand what the line is about
    /// @param example of lines
    /// @param understand reads a line that is not blank
    /// @param onChange remembers who is to be called when what is known has changed
    public OneFactLines(
            Desk desk,
            Supplier<String> inHand,
            String example,
            Function<String, QuickLine> understand,
            Consumer<Runnable> onChange) {
        this.desk = desk;
        this.inHand = inHand;
        this.example = example;
        this.understand = understand;
        this.onChange = onChange;
    }

    @Override
    public String inHand() {
        return inHand.get();
    }

    @Override
    public String example() {
        return example;
    }

    @Override
    public Reading read(String text) {
        if (text.isBlank()) return new Reading(List.of(), "", State.INCOMPLETE, "");
        return switch (understand.apply(text)) {
            case QuickLine.ToLog log -> new Reading(log.chips(), "", State.COMPLETE, "");
            case QuickLine.No no -> new Reading(List.of(), no.why(), State.INCOMPLETE, no.why());
        };
    }

    @Override
    public Entered enter(String text) {
        return switch (understand.apply(text)) {
            case QuickLine.ToLog log ->
                    Entered.fact(
                            desk.ledger(),
                            log.unsaid().map(subject -> subject + " " + text.strip()).orElse(text),
                            log.words(),
                            log.fact());
            case QuickLine.No no -> new Entered.Refused(no.why());
        };
    }

    @Override
    public void onChange(Runnable changed) {
        onChange.accept(changed);
    }
}
