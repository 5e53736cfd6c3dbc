package pentacell.workshop.exchange;

import java.util.List;
import java.util.Optional;
import pentacell.workshop.logbook.FileCheck;
import pentacell.workshop.logbook.Problem;
import pentacell.workshop.logbook.Salvage;
import tools.jackson.databind.node.ObjectNode;

/// What a look at a workshop file found, as JSON.
public final class CheckFiles {
    private CheckFiles() {}

    /// A check as JSON: `whole`, `format`, `acts`, `facts`, `cells`, `state`, `problems`,
    /// `backups`, and `salvaged` when something was.
    public static String json(FileCheck check, Optional<Salvage.Saved> salvaged) {
        ObjectNode root = Json.object();
        root.put("whole", check.isWhole());
        if (check.format().isPresent()) root.put("format", check.format().getAsLong());
        else root.putNull("format");
        root.put("acts", check.acts());
        root.put("facts", check.facts());
        root.put("cells", check.cells());
        root.put("state", check.state().orElse(null));
        put(root, "problems", check.problems());
        var backups = root.putArray("backups");
        for (FileCheck.CheckedCopy each : check.backups())
            backups.addObject()
                    .put("file", each.file().toString())
                    .put("whole", each.isWhole())
                    .put("acts", each.acts());
        if (salvaged.isPresent()) {
            Salvage.Saved saved = salvaged.get();
            ObjectNode node = root.putObject("salvaged");
            node.put("file", saved.file().toString());
            node.put("acts", saved.acts());
            node.put("facts", saved.facts());
            node.put("fromBackup", saved.fromCopy());
            put(node, "lost", saved.lost());
        } else root.putNull("salvaged");
        return Json.text(root);
    }

    private static void put(ObjectNode node, String name, List<Problem> problems) {
        var list = node.putArray(name);
        for (Problem each : problems)
            list.addObject()
                    .put("kind", each.kind().code())
                    .put("where", each.where())
                    .put("sentence", each.sentence());
    }
}
