package pentacell.desktop.frame;

import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.LineAct.Subject;

/// A quick line whose every line is one act of the logbook, or takes something in hand.
public final class LoggedLines implements QuickSource {
    private final Desk desk;
    private final Supplier<String> inHand;
    private final String example;
    private final Function<String, Line<LineAct>> grammar;
    private final Consumer<Runnable> onChange;

    /// @param inHand what the line is about
    /// @param example of lines
    /// @param grammar reads a line
    /// @param onChange remembers who is to be called when what is known has changed
    public LoggedLines(
            Desk desk,
            Supplier<String> inHand,
            String example,
            Function<String, Line<LineAct>> grammar,
            Consumer<Runnable> onChange) {
        this.desk = desk;
        this.inHand = inHand;
        this.example = example;
        this.grammar = grammar;
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
    public Typed read(String text) {
        return Typed.of(grammar.apply(text), act -> entered(desk, act));
    }

    /// What Enter does with a line: it is logged, then its subject is in hand.
    public static Entered entered(Desk desk, LineAct act) {
        return new Entered.Line(
                act.toLog().map(LineAct.ToLog::text).orElse(""),
                (onLogged, onFailed) -> {
                    act.toLog()
                            .ifPresentOrElse(
                                    log ->
                                            desk.ledger()
                                                    .log(
                                                            log.words(),
                                                            log.draft(),
                                                            onLogged,
                                                            onFailed),
                                    onLogged);
                    act.subject().ifPresent(subject -> take(desk, subject));
                    if (!act.answer().isEmpty()) desk.notices().say(act.answer());
                });
    }

    private static void take(Desk desk, Subject subject) {
        switch (subject) {
            case Subject.OfCell of -> desk.selection().select(of.cell());
            case Subject.OfDonor of -> desk.selection().selectDonor(of.code());
        }
    }

    @Override
    public void onChange(Runnable changed) {
        onChange.accept(changed);
        desk.ledger().expectedProperty().subscribe(state -> changed.run());
    }
}
