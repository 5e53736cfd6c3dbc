package pentacell.core.state;

import java.util.Map;
import pentacell.core.journal.Fact;

/// A chapter whose facts can be written.
record WrittenChapter<S>(Chapter<S> chapter, Map<Class<? extends Fact>, String> kinds)
        implements Chapter<S> {
    @Override
    public Class<? extends Fact> family() {
        return chapter.family();
    }

    @Override
    public Class<S> sliceType() {
        return chapter.sliceType();
    }

    @Override
    public S empty() {
        return chapter.empty();
    }

    @Override
    public Fold<S> fold(S from) {
        return chapter.fold(from);
    }
}
