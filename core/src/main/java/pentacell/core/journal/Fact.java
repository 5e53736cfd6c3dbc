package pentacell.core.journal;

/// Something that was seen, done or decided. Facts are only ever added to the journal.
///
/// The journal knows nothing of what facts say: each room of the trade has a sealed family of its
/// own, whose members are records.
public interface Fact {}
