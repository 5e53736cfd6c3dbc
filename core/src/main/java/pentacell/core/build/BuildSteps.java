package pentacell.core.build;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import pentacell.core.build.facts.Balancing;
import pentacell.core.build.facts.Joining;
import pentacell.core.conductor.Section;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// The steps of building a pack, in order, with what each takes for this one.
public final class BuildSteps {
    /// Points on each end of a strip (common practice: two for light loads, four for heavy ones).
    private static final int POINTS = 4;

    /// Energy of a capacitor welder for nickel strip, in J for a thickness in mm (common practice:
    /// 20 to 25 J at 0.15 mm).
    private static final double JOULES_A_MILLIMETRE = 150;

    /// Paper and ends that are cut off (common practice).
    private static final double SPARE_SHARE = 1.1;

    private final Work work;
    private final List<BuildStep> steps = new ArrayList<>();

    private BuildSteps(Work work) {
        this.work = work;
    }

    /// What steps are made for.
    ///
    /// @param series groups
    /// @param cans cans in all
    /// @param currents what flows; empty before a layout is chosen
    /// @param parts what it is wired with
    /// @param mainFuseAmps rating of the main fuse, in A; empty when it is not planned
    /// @param hasCellFuses whether every cell has a fuse
    /// @param folds how its layers lie on each other; empty for one layer
    public record Work(
            int series,
            int cans,
            Joining joining,
            Balancing balancing,
            Optional<PackCurrents> currents,
            WiringParts parts,
            OptionalDouble mainFuseAmps,
            boolean hasCellFuses,
            Optional<Folds> folds) {}

    /// The steps.
    public static List<BuildStep> of(Work work) {
        BuildSteps all = new BuildSteps(work);
        all.write();
        return List.copyOf(all.steps);
    }

    private void write() {
        add(
                "holder",
                "Fill the holder",
                "Lay the printed top face under or beside it. Scan each can as it goes in: groups %s stand with their positive end up, the others down."
                        .formatted(work.series() > 1 ? "1, 3, 5 …" : "1"),
                "A can the wrong way round shorts its group the moment strips go on.",
                List.of(Count.of(work.cans(), "can", "cans")),
                List.of());
        add(
                "read",
                "Read every cell and group",
                "Cells of a group within 0.05 V before they are joined, better 0.02 V; see Joining.",
                null,
                List.of(),
                List.of("holder"));
        add(
                "rings",
                "Rings on every positive end",
                "The rim of a can is its negative: a ring keeps strips off it.",
                "A strip that touches positive and rim is a short that no fuse ends.",
                List.of(Count.of(work.cans(), "ring", "rings")),
                List.of("holder"));
        tryOut();
        parallel();
        balance();
        series();
        add(
                "output",
                "Output bars, leads, main fuse",
                "Fix the leads where the drawing says, tied down before they are bent. The fuse goes into the positive lead, close to the pack.",
                "The leads are live: cover each end as soon as it is fixed.",
                output(),
                List.of("series"));
        add(
                "taps",
                "Balance leads",
                "One lead to every joint, from the pack's negative up. Cut and strip one at a time, never two.",
                "Two bare lead ends that touch short a group or more.",
                List.of(Count.of(work.series() + 1, "lead", "leads")),
                List.of("series"));
        add(
                "taps-read",
                "Read the plug before it goes in",
                "Black probe on the pack's negative; see Taps.",
                "A plug with a wrong lead destroys the board, sometimes with fire.",
                List.of(),
                List.of("taps"));
        add(
                "whole",
                "Read the whole pack",
                "It must be the sum of its groups to within the meter.",
                null,
                List.of(),
                List.of("output", "taps-read"));
        add(
                "board",
                "Board",
                "B− first, then the plug; the load's leads last. Some boards must be woken by a charger.",
                "Never plug or pull the row of leads while a charger or load is on.",
                List.of("1 board"),
                List.of("whole"));
        add(
                "behind",
                "Read the output",
                "Behind the board it reads what the pack reads, to some millivolts.",
                null,
                List.of(),
                List.of("board"));
        work.folds().ifPresent(this::fold);
        add(
                "cover",
                "Paper, tape, foam, sleeve",
                "Fish paper over both faces and between faces and leads, tape over edges, then foam, the sleeve last. No lead lies across the edge of two groups.",
                null,
                List.of("fish paper for both faces", "tape", "foam", "sleeve"),
                List.of(work.folds().isPresent() ? "fold" : "behind"));
        add(
                "plate",
                "Strain relief, box, name plate",
                "Leads held where they leave, padding on all sides, vents free, the plate in sight. Mark the ports so that no one plugs in the old charger.",
                null,
                List.of("1 name plate"),
                List.of("cover"));
    }

    private void fold(Folds folds) {
        add(
                "fold",
                "Fold the layers",
                "Like a paper fan, %s faces together first; a sheet of insulation larger than a face into every fold, and the links over the edge under tape."
                        .formatted(folds.inside(0).words()),
                "Faces that come together differ by up to %s: a strip that pokes through the sheet shorts them."
                        .formatted(Count.of(folds.mostApart(), "group", "groups")),
                List.of(Count.of(folds.layers() - 1, "sheet", "sheets") + " of insulation"),
                List.of("behind"));
    }

    private void tryOut() {
        switch (work.joining()) {
            case WELD ->
                    add(
                            "try",
                            "Try the weld on a scrap cell",
                            "Begin at about %s for %s of strip; a pulled strip must tear round the points and leave them on the can. Note the setting and how it pulled."
                                    .formatted(
                                            joules(work.parts().stripSection()),
                                            Quantity.LENGTH.text(
                                                    work.parts()
                                                            .stripSection()
                                                            .thicknessMillimetres(),
                                                    2)),
                            "Sparks: eyes covered, nothing that burns about.",
                            List.of("1 scrap cell"),
                            List.of());
            case SOLDER ->
                    add(
                            "try",
                            "Try the iron on a scrap cell",
                            "A hot iron with a large tip, flux, seconds only; the negative can takes longer than the positive cap. Never on the seal. Note how long it took.",
                            "Long heat ruins a cell unseen, and burns fingers at once.",
                            List.of("1 scrap cell"),
                            List.of());
            case HOLDER ->
                    add(
                            "try",
                            "Read the holder's contacts",
                            "Clean and springy; a contact loses millivolts at the load, each. Note what one loses.",
                            null,
                            List.of(),
                            List.of());
            case SCREW ->
                    add(
                            "try",
                            "Try a bolt",
                            "Clean, hand tight, then the lowest clutch. The bolt must not bottom out. Note its length.",
                            "A bolt that bottoms out pierces the cell.",
                            List.of(),
                            List.of());
        }
    }

    private void parallel() {
        add(
                "parallel",
                "Parallel strips",
                "Within every group, both faces, layers as drawn. %s"
                        .formatted(
                                work.hasCellFuses()
                                        ? "Every can through its own fuse; never weld across a fuse's neck."
                                        : "Weld across the strip, points well apart."),
                "Cover the face that is not worked on.",
                strips(Link.Kind.PARALLEL),
                List.of("rings", "try", "read"));
        if (work.joining() == Joining.WELD)
            add(
                    "pull",
                    "Pull test",
                    "Pull at one strip of every group. Note what lifted.",
                    null,
                    List.of(),
                    List.of("parallel"));
    }

    private void balance() {
        switch (work.balancing()) {
            case TOP ->
                    add(
                            "balance",
                            "Top balance",
                            "All groups side by side, at the charge limit until the current has fallen; see Joining for the hours.",
                            "Groups side by side give their currents together: a slip here is the largest short of the job.",
                            List.of(),
                            List.of("parallel"));
            case BOTTOM ->
                    add(
                            "balance",
                            "Bottom balance",
                            "All groups side by side, down to the end voltage at rest; see Joining for the hours.",
                            "Never below the end voltage, and never charged to full without watching groups.",
                            List.of(),
                            List.of("parallel"));
            case BOARD ->
                    add(
                            "balance",
                            "Leave balance to the board",
                            "Groups within 0.05 V now; the board's balancer does the rest over the first charges; see Joining for the hours.",
                            null,
                            List.of(),
                            List.of("parallel"));
        }
    }

    private void series() {
        if (work.series() == 1) {
            add(
                    "series",
                    "No series links",
                    "One group has none.",
                    null,
                    List.of(),
                    List.of("balance"));
            return;
        }
        add(
                "series",
                "Series links",
                "In the order of the string, on the face the drawing shows. Layers as drawn: all current of the pack goes through them.",
                "From here on it is a live string: no rings or watches, insulated tools, one link at a time. Above 60 V keep to local rules for work on live parts.",
                strips(Link.Kind.SERIES),
                List.of("parallel", "balance"));
    }

    private List<String> strips(Link.Kind kind) {
        if (work.currents().isEmpty()) return List.of();
        double metres = 0;
        int pieces = 0;
        for (PackCurrents.Flowing each : work.currents().get().links()) {
            if (each.link().kind() != kind) continue;
            int layers = each.link().conductor().layers();
            metres += layers * each.link().conductor().lengthMetres();
            pieces += layers;
        }
        if (pieces == 0) return List.of();
        List<String> amounts = new ArrayList<>();
        amounts.add(
                "%.1f m of strip %s × %s, cut with a tenth to spare"
                        .formatted(
                                SPARE_SHARE * metres,
                                Quantity.LENGTH.text(
                                        work.parts().stripSection().widthMillimetres()),
                                Quantity.LENGTH.text(
                                        work.parts().stripSection().thicknessMillimetres(), 2)));
        if (work.joining() == Joining.WELD)
            amounts.add("about " + Count.of(2L * POINTS * pieces, "weld point", "weld points"));
        return amounts;
    }

    private List<String> output() {
        List<String> amounts = new ArrayList<>();
        amounts.add(
                "2 leads of %s, %.2f m each"
                        .formatted(
                                "%.1f mm²".formatted(work.parts().leadSquareMillimetres()),
                                work.parts().leadMetres()));
        if (work.mainFuseAmps().isPresent())
            amounts.add("1 fuse of " + Quantity.CURRENT.text(work.mainFuseAmps().getAsDouble(), 0));
        return amounts;
    }

    private static String joules(Section.Strip strip) {
        return "%.0f J".formatted(JOULES_A_MILLIMETRE * strip.thicknessMillimetres());
    }

    private void add(
            String code,
            String title,
            String how,
            @Nullable String hazard,
            List<String> materials,
            List<String> needs) {
        steps.add(new BuildStep(code, title, how, Optional.ofNullable(hazard), materials, needs));
    }

    /// The steps that another one needs and that are still open.
    public static List<BuildStep> openBefore(
            BuildStep step, List<BuildStep> all, Set<String> done) {
        return all.stream()
                .filter(each -> step.needs().contains(each.code()) && !done.contains(each.code()))
                .toList();
    }
}
