package pentacell.desktop.harvest;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import javafx.scene.control.TextField;
import pentacell.core.cell.CellId;
import pentacell.core.donor.DonorCode;
import pentacell.core.donor.Lot;
import pentacell.core.donor.Price;
import pentacell.core.donor.PurchaseFact;
import pentacell.core.donor.Purchases;
import pentacell.core.unit.Count;
import pentacell.core.unit.NumberText;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Form;
import pentacell.desktop.kit.WhenShown;

/// The form that logs a bought lot.
final class LotForm {
    private static final String CURRENCY = "currency";

    private final Desk desk;
    private final Optional<Lot> known;
    private final Form form;
    private final TextField code;
    private final TextField source;
    private final TextField packs;
    private final TextField price;
    private final TextField currency;
    private final TextField postage;
    private final TextField bought;
    private final TextField minutes;

    private LotForm(Desk desk, Optional<Lot> known) {
        this.desk = desk;
        this.known = known;
        form =
                known.isPresent()
                        ? new Form("lot-form", "Edit lot " + known.get().code(), "Save")
                        : new Form("lot-form", "Log a lot", "Add lot");
        code = form.text("lot-code", "Code", "K1");
        source = form.text("lot-source", "Source", "harbour flea market");
        packs = form.text("lot-packs", "Packs", "3");
        price = form.text("lot-price", "Price", "25");
        currency = form.text("lot-currency", "Currency", "EUR");
        postage = form.text("lot-postage", "Postage, travel", "0");
        bought = form.text("lot-date", "Bought on", "2026-03-01");
        minutes = form.text("lot-minutes", "Minutes spent", "0");
        WhenShown.run(form, desk.ledger().expectedProperty(), this::propose);
        bought.setPromptText(today().toString());
        currency.setPromptText(usualCurrency());
        form.onVerb(this::add);
        known.ifPresent(this::fill);
    }

    private void propose() {
        code.setPromptText(
                DonorCode.proposeLot(Purchases.of(desk.ledger().expected()).lots().keySet())
                        + " proposed");
    }

    static Form create(Desk desk) {
        return new LotForm(desk, Optional.empty()).form;
    }

    /// The form of a lot that is known, to describe it anew under its code.
    static Form edit(Desk desk, Lot lot) {
        return new LotForm(desk, Optional.of(lot)).form;
    }

    private void fill(Lot lot) {
        code.setText(lot.code());
        code.setDisable(true);
        source.setText(lot.source());
        packs.setText(String.valueOf(lot.packs()));
        price.setText(NumberText.plain(lot.price().amount()));
        currency.setText(lot.price().currency());
        postage.setText(NumberText.plain(lot.postage()));
        bought.setText(lot.bought().toString());
        minutes.setText(String.valueOf(lot.minutes()));
    }

    private LocalDate today() {
        return LocalDate.ofInstant(desk.now(), ZoneId.systemDefault());
    }

    private String usualCurrency() {
        return desk.settings().get(CURRENCY).orElse("EUR");
    }

    private void add() {
        Optional<String> from = form.required(source, "Where it came from");
        if (from.isEmpty()) return;
        OptionalInt count = form.whole(packs, "a number of packs");
        if (count.isEmpty()) return;
        OptionalDouble paid = form.number(price, "an amount of money");
        if (paid.isEmpty()) return;
        OptionalDouble sent = orZero(postage, "an amount of money");
        if (sent.isEmpty()) return;
        OptionalInt spent =
                minutes.getText().isBlank()
                        ? OptionalInt.of(0)
                        : form.whole(minutes, "a number of minutes, or nothing");
        if (spent.isEmpty()) return;
        String money =
                currency.getText().isBlank()
                        ? usualCurrency()
                        : currency.getText().strip().toUpperCase(Locale.ROOT);
        String name =
                code.getText().isBlank()
                        ? DonorCode.proposeLot(
                                Purchases.of(desk.ledger().expected()).lots().keySet())
                        : code.getText().strip();
        Optional<String> problem = CellId.problem(name);
        if (problem.isPresent()) {
            form.complain("The code " + problem.get() + ".", code);
            return;
        }
        if (known.isEmpty() && Purchases.of(desk.ledger().expected()).lots().containsKey(name)) {
            form.complain(
                    "Lot " + name + " is there already; leave the code empty for the next one.",
                    code);
            return;
        }
        try {
            LocalDate day =
                    bought.getText().isBlank()
                            ? today()
                            : LocalDate.parse(bought.getText().strip());
            log(
                    new Lot(
                            name,
                            from.get(),
                            day,
                            new Price(paid.getAsDouble(), money),
                            sent.getAsDouble(),
                            count.getAsInt(),
                            spent.getAsInt()));
        } catch (DateTimeException wrong) {
            form.complain(
                    "\"" + bought.getText() + "\" is not a date; use one such as " + today() + ".",
                    bought);
        } catch (IllegalArgumentException wrong) {
            form.complain(wrong.getMessage() + ".", price);
        }
    }

    private OptionalDouble orZero(TextField field, String expected) {
        return field.getText().isBlank()
                ? OptionalDouble.of(0)
                : form.number(field, expected + ", or nothing");
    }

    private void log(Lot lot) {
        desk.settings().put(CURRENCY, lot.price().currency());
        if (known.isPresent()) {
            desk.ledger()
                    .log(
                            "Edit lot " + lot.code(),
                            List.of(new PurchaseFact.LotAdded(lot)),
                            () -> form.say("Lot " + lot.code() + " is updated."));
            return;
        }
        desk.ledger()
                .logOnce(
                        "Add lot " + lot.code(),
                        List.of(new PurchaseFact.LotAdded(lot)),
                        () ->
                                form.say(
                                        "Lot %s is logged; now Add donor for each of its %s."
                                                .formatted(
                                                        lot.code(),
                                                        Count.of(lot.packs(), "pack", "packs"))),
                        form.send());
    }
}
