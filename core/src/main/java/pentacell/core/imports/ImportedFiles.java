package pentacell.core.imports;

import java.util.HashSet;
import java.util.Set;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;

/// The files that were taken in.
///
/// @param sha256 fingerprints of their bytes
public record ImportedFiles(Set<String> sha256) {
    /// The chapter of imported files.
    public static final Chapter<ImportedFiles> CHAPTER =
            Chapter.of(
                    ImportFact.class,
                    ImportedFiles.class,
                    new ImportedFiles(Set.of()),
                    (files, fact) ->
                            switch (fact) {
                                case ImportFact.FileImported imported ->
                                        files.with(imported.sha256());
                            });

    public ImportedFiles {
        sha256 = Set.copyOf(sha256);
    }

    /// The files a workshop took in.
    public static ImportedFiles of(WorkshopState state) {
        return state.slice(ImportedFiles.class);
    }

    /// Whether a file with this fingerprint was taken in before.
    public boolean has(String fingerprint) {
        return sha256.contains(fingerprint);
    }

    private ImportedFiles with(String fingerprint) {
        Set<String> more = new HashSet<>(sha256);
        more.add(fingerprint);
        return new ImportedFiles(more);
    }
}
