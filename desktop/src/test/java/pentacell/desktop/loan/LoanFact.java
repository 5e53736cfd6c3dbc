package pentacell.desktop.loan;

import pentacell.core.journal.Fact;

/// What can be logged of loans.
sealed interface LoanFact extends Fact {
    /// A meter was lent.
    record MeterLent(String meter, String to) implements LoanFact {}
}
