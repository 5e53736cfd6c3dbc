package pentacell.workshop.demo;

/// A chapter of the demo's story, such as what a station has to show. It writes its own facts, and
/// changes no figure of the chapters before it.
public interface DemoChapter {
    /// Writes the chapter.
    void write(DemoJournal journal);
}
