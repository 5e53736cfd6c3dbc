package pentacell.core.school;

import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.journal.Fact;

/// A school was put in force. Its component is called `policy` because it is so in the file.
public sealed interface SchoolFact extends Fact {

    /// Voltage bands were put in force for their chemistry.
    record BandsChosen(BandSchool policy) implements SchoolFact {}

    /// A way of dealing with low groups was put in force.
    record RepairChosen(RepairSchool policy) implements SchoolFact {}

    /// A way of testing was put in force: the workshop's standard conditions.
    record TestChosen(TestSchool policy) implements SchoolFact {}

    /// It was said which meter resistances are read with, where nothing else is said.
    record MeterChosen(ResistanceMethod method) implements SchoolFact {}

    /// A way of finding self-discharge was put in force.
    record HoldChosen(HoldSchool policy) implements SchoolFact {}
}
