package pentacell.core.judgement;

import java.util.List;

/// A verdict and the reasons for it.
///
/// @param verdict what was judged
/// @param reasons at least the rule that decided, first the weightiest
public record Judged<T>(T verdict, List<Reason> reasons) {
    public Judged {
        reasons = List.copyOf(reasons);
    }

    /// A verdict with a single reason.
    public static <T> Judged<T> because(T verdict, Reason reason) {
        return new Judged<>(verdict, List.of(reason));
    }
}
