package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import pentacell.core.Chapters;
import pentacell.core.build.PackToBuild;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.workshop.logbook.WorkshopReading;

/// Reads a workshop, and a pack of it, for a command; what stands in the way is said.
final class WorkshopPack {
    private WorkshopPack() {}

    /// What a workshop file holds; empty when it cannot be read.
    static Optional<WorkshopState> state(Path file, PrintWriter errors) {
        try {
            return Optional.of(WorkshopReading.of(file, Chapters.ALL));
        } catch (IOException refused) {
            errors.println(refused.getMessage());
            return Optional.empty();
        }
    }

    /// The pack that is meant: the one named, or the only one there is; empty when that is not
    /// clear.
    static Optional<String> name(
            WorkshopState state, Optional<String> named, Path file, PrintWriter errors) {
        List<String> packs = List.copyOf(Packs.of(state).all().keySet());
        if (named.isPresent()) return named;
        if (packs.size() == 1) return Optional.of(packs.get(0));
        errors.println(
                packs.isEmpty()
                        ? file + " has no pack; match one first."
                        : "%s has %d packs: say --pack with one of %s"
                                .formatted(file, packs.size(), String.join(", ", packs)));
        return Optional.empty();
    }

    /// A matched pack of a workshop as it is to be built; empty when it has none of that name.
    static Optional<PackToBuild> built(
            WorkshopState state,
            Path file,
            String name,
            PackToBuild.Asked asked,
            PrintWriter errors) {
        Optional<PackToBuild> built = PackToBuild.of(state, JudgedStock.of(state), name, asked);
        if (built.isEmpty())
            errors.println(
                    "%s has no matched pack \"%s\"; it has: %s"
                            .formatted(
                                    file, name, String.join(", ", Packs.of(state).all().keySet())));
        return built;
    }
}
