package pentacell.desktop.frame;

import java.util.List;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import pentacell.core.journal.Fact;
import pentacell.core.state.WorkshopState;

/// Chooses between the shipped schools of one question; what is chosen is in force at once, and can
/// be undone like anything else.
public final class SchoolChooser<S> extends ComboBox<String> {
    private final Desk desk;
    private final Question<S> question;

    /// What is to be chosen.
    ///
    /// @param schools to choose from
    /// @param name what a school is called
    /// @param inForce the school that holds in a state
    /// @param chosen the fact of a choice
    /// @param words what undo calls the choice, before the school's name
    /// @param said what is said of it
    public record Question<S>(
            List<S> schools,
            Function<S, String> name,
            Function<WorkshopState, S> inForce,
            Function<S, Fact> chosen,
            String words,
            Function<S, String> said) {
        public Question {
            schools = List.copyOf(schools);
        }
    }

    /// @param id of the control
    public SchoolChooser(Desk desk, String id, Question<S> question) {
        this.desk = desk;
        this.question = question;
        setId(id);
        getItems().setAll(question.schools().stream().map(question.name()).toList());
        setOnAction(taken -> choose());
    }

    /// Shows the school that is in force.
    public void showInForce() {
        setValue(question.name().apply(inForce()));
    }

    private S inForce() {
        return question.inForce().apply(desk.ledger().state());
    }

    private void choose() {
        question.schools().stream()
                .filter(school -> question.name().apply(school).equals(getValue()))
                .filter(school -> !school.equals(inForce()))
                .findFirst()
                .ifPresent(school ->
                        desk.ledger()
                                .log(
                                        question.words() + ": " + question.name().apply(school),
                                        List.of(question.chosen().apply(school)),
                                        () -> desk.notices().say(question.said().apply(school))));
    }
}
