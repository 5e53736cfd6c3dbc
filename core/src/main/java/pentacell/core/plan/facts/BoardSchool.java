package pentacell.core.plan.facts;

/// What to do when a load is over what the board bears: builders differ.
public enum BoardSchool {
    /// A larger board, or a contactor that the board switches: everything stays protected.
    BIGGER_BOARD,
    /// The discharge is led past the board, which then only guards the charge. Nothing stops
    /// over-discharge: an alarm or a cut-off of its own is needed.
    PAST_THE_BOARD
}
