package pentacell.desktop.loan;

import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import pentacell.desktop.frame.Card;
import pentacell.desktop.frame.Command;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Found;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.theme.Theme;

/// The station of loans: one pane, one command, one due item, one card.
final class LoanStation implements Station {
    private final Desk desk;
    private final Label list = new Label();
    private final VBox view = new VBox(list);

    /// A loan as something to select.
    private record Loan(String meter) {}

    LoanStation(Desk desk, FileAsk files) {
        this.desk = desk;
        list.setId("loans");
        desk.ledger()
                .stateProperty()
                .subscribe(state -> list.setText(Loans.of(state).borrowers().toString()));
    }

    @Override
    public int number() {
        return 9;
    }

    @Override
    public String name() {
        return "Loans";
    }

    @Override
    public Node view() {
        return view;
    }

    @Override
    public ObservableValue<Number> waiting() {
        return desk.ledger().stateProperty().map(state -> Loans.of(state).borrowers().size());
    }

    @Override
    public void enter() {
        view.requestFocus();
    }

    @Override
    public List<Command> commands() {
        return List.of(
                new Command(
                        "Lend the spare meter",
                        () ->
                                desk.ledger()
                                        .log(
                                                "Lend the spare meter",
                                                List.of(
                                                        new LoanFact.MeterLent(
                                                                "spare meter", "the sawmill")),
                                                () -> {})));
    }

    @Override
    public List<Due> due() {
        return Loans.of(desk.ledger().state()).borrowers().keySet().stream()
                .map(meter -> new Due("ask for the " + meter, Due.Urgency.TIMED))
                .toList();
    }

    @Override
    public List<Found> find(String wanted, int most) {
        return Loans.of(desk.ledger().state()).borrowers().keySet().stream()
                .filter(meter -> ("loan of the " + meter).contains(wanted))
                .map(meter ->
                        new Found(
                                "Loan of the " + meter,
                                Found.Where.AT_STATION,
                                () -> desk.selection().select(new Loan(meter))))
                .toList();
    }

    @Override
    public Optional<Card> card() {
        Label card = new Label();
        card.setId("loan-card");
        desk.selection()
                .thingProperty()
                .subscribe(thing ->
                        card.setText(
                                thing.filter(Loan.class::isInstance)
                                        .map(each -> "On loan: " + ((Loan) each).meter())
                                        .orElse("")));
        return Optional.of(new Card(Loan.class::isInstance, () -> card));
    }

    @Override
    public List<Shot> shots() {
        return List.of(new Shot("loans-paper", Theme.PAPER, () -> {}));
    }
}
