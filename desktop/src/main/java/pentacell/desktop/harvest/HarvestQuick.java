package pentacell.desktop.harvest;

import java.util.Optional;
import pentacell.core.harvest.HarvestLine;
import pentacell.core.harvest.HarvestLine.Token;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Draft;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Harvest: readings of groups, signs, minutes.
final class HarvestQuick implements QuickSource {
    private final Desk desk;
    private final HarvestModel model;

    HarvestQuick(Desk desk, HarvestModel model) {
        this.desk = desk;
        this.model = model;
    }

    private HarvestLine line(String text) {
        return HarvestLine.read(text, desk.ledger().expected(), inHandCode());
    }

    private Optional<String> inHandCode() {
        return model.donor().map(record -> record.donor().code());
    }

    @Override
    public void onChange(Runnable changed) {
        desk.selection().donorProperty().subscribe(code -> changed.run());
        desk.ledger().expectedProperty().subscribe(state -> changed.run());
    }

    @Override
    public String inHand() {
        return inHandCode().orElse("No donor in hand");
    }

    @Override
    public String example() {
        return "HB03 3.98 3.52 3.97 p11.5 o0   or 2:3.53, swollen, 12min";
    }

    @Override
    public Reading read(String text) {
        HarvestLine line = line(text);
        String remark =
                line.tokens().stream()
                        .map(Token::oddity)
                        .filter(oddity -> !oddity.isEmpty())
                        .findFirst()
                        .orElse("");
        return new Reading(
                line.tokens().stream().map(HarvestQuick::chip).toList(),
                remark,
                line.isComplete() ? State.COMPLETE : State.INCOMPLETE,
                line.donor().isEmpty() ? "Which donor? Begin the line with its code." : "");
    }

    private static Chip chip(Token token) {
        Look look = token.oddity().isEmpty() ? Look.PLAIN : Look.ODD;
        String volts = Quantity.VOLTAGE.text(token.volts());
        return switch (token.kind()) {
            case DONOR -> new Chip(token.text(), "donor", look);
            case GROUP -> new Chip(volts, "group " + token.number(), look);
            case PACK -> new Chip(volts, "whole pack", look);
            case OUTPUT -> new Chip(volts, "output", look);
            case SIGN ->
                    new Chip(
                            token.sign().map(sign -> sign.words()).orElse(token.text()),
                            "sign",
                            look);
            case MINUTES -> new Chip(token.number() + " min", "spent", look);
            case NOT_UNDERSTOOD -> new Chip(token.text(), "not understood", Look.REFUSED);
        };
    }

    @Override
    public Entered enter(String text) {
        Optional<String> hand = inHandCode();
        HarvestLine line = line(text);
        String code = line.donor().map(record -> record.donor().code()).orElse("");
        Draft draft = before -> HarvestLine.read(text, before, hand).facts();
        if (line.facts().isEmpty())
            return Entered.done(text, () -> desk.selection().selectDonor(code));
        boolean isNamed = line.tokens().get(0).kind() == HarvestLine.Kind.DONOR;
        return new Entered.Line(
                isNamed ? text : code + " " + text.strip(),
                (onLogged, onFailed) -> {
                    desk.ledger().log("Read " + code, draft, onLogged, onFailed);
                    desk.selection().selectDonor(code);
                });
    }
}
