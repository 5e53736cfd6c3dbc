package pentacell.core;

import java.util.Arrays;
import java.util.List;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Trays;
import pentacell.core.donor.Donors;
import pentacell.core.donor.Purchases;
import pentacell.core.imports.ImportedFiles;
import pentacell.core.journal.Act;
import pentacell.core.pack.Packs;
import pentacell.core.plan.facts.Plans;
import pentacell.core.prove.facts.Proofs;
import pentacell.core.school.Grading;
import pentacell.core.school.Schools;
import pentacell.core.service.facts.PacksInUse;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.facts.Bench;

/// The chapters of a workshop's story, one line each: a new room of the trade is added here.
public final class Chapters {
    /// Every chapter of the program.
    public static final List<Chapter<?>> ALL =
            withKinds(
                    Catalogue.CHAPTER,
                    Trays.CHAPTER,
                    Purchases.CHAPTER,
                    Donors.CHAPTER,
                    Cells.CHAPTER,
                    Schools.CHAPTER,
                    Bench.CHAPTER,
                    Grading.CHAPTER,
                    Plans.CHAPTER,
                    Packs.CHAPTER,
                    Assemblies.CHAPTER,
                    Proofs.CHAPTER,
                    PacksInUse.CHAPTER,
                    ImportedFiles.CHAPTER);

    private Chapters() {}

    private static List<Chapter<?>> withKinds(Chapter<?>... chapters) {
        return Arrays.stream(chapters).<Chapter<?>>map(each -> each.withKinds(Kinds.ALL)).toList();
    }

    /// A workshop in which nothing was logged.
    public static WorkshopState empty() {
        return WorkshopState.empty(ALL);
    }

    /// The fold of a whole journal.
    public static WorkshopState fold(List<Act> acts) {
        return WorkshopState.of(ALL, acts);
    }
}
