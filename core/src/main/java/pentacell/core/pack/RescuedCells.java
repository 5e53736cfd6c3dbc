package pentacell.core.pack;

/// Whether a pack takes cells that were deeply discharged once. What copper did to them shows up
/// late: some builders take those that held their charge, some never do.
public enum RescuedCells {
    /// Taken when they passed their longer hold test.
    ALLOWED,
    /// Never taken.
    BARRED
}
