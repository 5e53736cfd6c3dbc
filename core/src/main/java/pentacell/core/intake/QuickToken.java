package pentacell.core.intake;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.line.Piece;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// A piece of a quick line as it was understood.
///
/// @param text as typed
/// @param kind what it will be logged as
/// @param value its number in V, mΩ or mAh; NaN for an id, a note or what was not understood
/// @param method how a resistance was read, where the token says so
/// @param oddity what is odd about it, if anything
record QuickToken(
        String text,
        Kind kind,
        double value,
        Optional<ResistanceMethod> method,
        Optional<Reason> oddity) {
    QuickToken(String text, Kind kind, double value, Optional<Reason> oddity) {
        this(text, kind, value, Optional.empty(), oddity);
    }

    /// What a token is logged as.
    enum Kind {
        CELL("cell"),
        VOLTAGE("voltage"),
        RESISTANCE("IR"),
        CAPACITY("capacity"),
        /// How many cans stay together as one.
        CANS("unit"),
        /// What is wrong with the can, one key each.
        BLEMISHES("the can"),
        NOTE("note"),
        /// Stands in the way of logging the line.
        NOT_UNDERSTOOD(Piece.NOT_UNDERSTOOD);

        private final String words;

        Kind(String words) {
            this.words = words;
        }
    }

    /// The token as it is shown.
    Piece piece() {
        if (kind == Kind.NOT_UNDERSTOOD) return Piece.refused(text);
        boolean isOdd = oddity.filter(reason -> reason.rule() != Rule.CELL_IS_NEW).isPresent();
        return new Piece(shown(), kind.words, isOdd ? Piece.Look.ODD : Piece.Look.PLAIN);
    }

    private String shown() {
        return switch (kind) {
            case VOLTAGE -> Quantity.VOLTAGE.text(value);
            case RESISTANCE ->
                    Quantity.RESISTANCE.text(value)
                            + method.map(known -> " " + known.words()).orElse("");
            case CAPACITY -> Quantity.CAPACITY.text(value);
            case CANS -> Count.of((long) value, "can", "cans");
            case BLEMISHES ->
                    blemishes().stream().map(Blemish::words).collect(Collectors.joining(", "));
            case CELL, NOTE, NOT_UNDERSTOOD -> text;
        };
    }

    /// The blemishes its keys stand for; none for other kinds.
    Set<Blemish> blemishes() {
        Set<Blemish> seen = EnumSet.noneOf(Blemish.class);
        if (kind == Kind.BLEMISHES)
            text.chars().forEach(key -> Blemish.ofKey(key).ifPresent(seen::add));
        return seen;
    }

    QuickToken by(ResistanceMethod said) {
        return kind == Kind.RESISTANCE
                ? new QuickToken(text, kind, value, Optional.of(said), oddity)
                : this;
    }

    QuickToken odd(Reason reason) {
        return new QuickToken(text, kind, value, method, Optional.of(reason));
    }
}
