package pentacell.core.build;

import java.util.List;
import java.util.Optional;

/// A step of the work.
///
/// @param code its name in the file
/// @param title what is done, in a few words
/// @param how in a sentence or two
/// @param hazard what can hurt here
/// @param materials what it takes
/// @param needs codes of the steps that must be done before
public record BuildStep(
        String code,
        String title,
        String how,
        Optional<String> hazard,
        List<String> materials,
        List<String> needs) {
    public BuildStep {
        materials = List.copyOf(materials);
        needs = List.copyOf(needs);
    }
}
