package pentacell.core.harvest;

import java.util.Optional;

/// A step of taking a donor apart.
///
/// @param code short name it is checked off by
/// @param words what to do
/// @param hazard what can go wrong there, in a sentence
public record TeardownStep(String code, String words, Optional<Hazard> hazard) {

    /// What can go wrong at a step.
    ///
    /// @param words a sentence
    /// @param severity how bad it is
    public record Hazard(String words, Severity severity) {}

    /// How bad a hazard is.
    public enum Severity {
        /// Spoils parts or time.
        CAUTION,
        /// Injures or burns.
        DANGER
    }

    static TeardownStep plain(String code, String words) {
        return new TeardownStep(code, words, Optional.empty());
    }

    static TeardownStep caution(String code, String words, String hazard) {
        return new TeardownStep(code, words, Optional.of(new Hazard(hazard, Severity.CAUTION)));
    }

    static TeardownStep danger(String code, String words, String hazard) {
        return new TeardownStep(code, words, Optional.of(new Hazard(hazard, Severity.DANGER)));
    }
}
