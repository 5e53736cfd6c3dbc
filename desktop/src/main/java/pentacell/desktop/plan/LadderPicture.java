package pentacell.desktop.plan;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import pentacell.core.plan.Check;
import pentacell.core.plan.Margin;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.plan.Proposal.Rung;

/// The ladder of packs: a row for each, its room in every respect to the right of a middle line,
/// what lacks to the left.
final class LadderPicture {
    static final double HEAD_EM = 2.4;
    static final double ROW_EM = 3.1;
    private static final double LABEL_EM = 15.5;

    /// What a ladder shows.
    record Content(
            List<Rung> rungs,
            Optional<Option> lookedAt,
            Optional<Option> beside,
            Optional<Chosen> chosen) {}

    private final Content content;

    LadderPicture(Content content) {
        this.content = content;
    }

    void paint(Pen pen, double width, double height) {
        double em = pen.em();
        Set<Margin.Kind> kinds = new LinkedHashSet<>();
        for (Rung rung : content.rungs()) rung.margins().forEach(each -> kinds.add(each.kind()));
        double column = kinds.isEmpty() ? 0 : (width - LABEL_EM * em) / kinds.size();
        int at = 0;
        for (Margin.Kind kind : kinds) {
            double middle = LABEL_EM * em + (at++ + 0.5) * column;
            pen.text(Hue.SECOND, 0.9, false, Anchor.CENTRE, middle, 0.7 * em, kind.words());
            pen.text(Hue.SECOND, 0.8, false, Anchor.RIGHT, middle - 0.4 * em, 1.7 * em, "lacks");
            pen.text(Hue.SECOND, 0.8, false, Anchor.LEFT, middle + 0.4 * em, 1.7 * em, "room");
        }
        for (int row = 0; row < content.rungs().size(); row++)
            row(
                    pen,
                    content.rungs().get(row),
                    List.copyOf(kinds),
                    (HEAD_EM + row * ROW_EM) * em,
                    width,
                    column);
    }

    private void row(
            Pen pen, Rung rung, List<Margin.Kind> kinds, double y, double width, double column) {
        double em = pen.em();
        Option option = rung.option();
        double height = ROW_EM * em;
        boolean isShown = content.lookedAt().equals(Optional.of(option));
        boolean isBeside = content.beside().equals(Optional.of(option));
        boolean isChosen = content.chosen().equals(Optional.of(option.asChosen()));
        if (isShown) pen.fill(Hue.FOCUS, 0.14, 0, y, width, height);
        pen.line(Hue.RULE, 1, 0, y + height, width, y + height);
        if (isShown) pen.fill(Hue.FOCUS, 1, 0, y, 4, height);
        if (isBeside) {
            pen.dashes(4, 3);
            pen.frame(Hue.FOCUS, 1, 1, y + 1, width - 3, height - 3);
            pen.dashes();
        }
        Hue ink = option.isFeasible() ? Hue.INK : Hue.SECOND;
        boolean isOutside =
                !option.isFeasible()
                        && (option.obstacles().get(0).check() == Check.HIGH_TRIP
                                || option.obstacles().get(0).check() == Check.LOW_TRIP);
        double first = y + 1.05 * em;
        pen.text(
                ink,
                1.25,
                option.isFeasible(),
                Anchor.LEFT,
                0.9 * em,
                first,
                isOutside ? option.series() + "S" : option.arrangement());
        if (isChosen) pen.text(Hue.ACCENT, 0.85, true, Anchor.LEFT, 6.3 * em, first, "● chosen");
        if (!isOutside)
            pen.text(
                    ink,
                    1,
                    option.isFeasible(),
                    Anchor.RIGHT,
                    (LABEL_EM - 0.8) * em,
                    first,
                    Quantity.HOURS.text(option.hours()));
        pen.text(
                Hue.SECOND,
                0.88,
                false,
                Anchor.LEFT,
                0.9 * em,
                y + 2.3 * em,
                (option.isFeasible() ? "" : "■ ") + rung.why());
        if (isOutside) return;
        for (int i = 0; i < kinds.size(); i++)
            margin(
                    pen,
                    share(rung, kinds.get(i)),
                    LABEL_EM * em + (i + 0.5) * column,
                    first,
                    0.42 * column);
    }

    private OptionalDouble share(Rung rung, Margin.Kind kind) {
        return rung.margins().stream()
                .filter(each -> each.kind() == kind)
                .mapToDouble(Margin::share)
                .findFirst();
    }

    /// A bar to the right for room, hatched to the left for what lacks; a whole half is 100 %.
    private static void margin(
            Pen pen, OptionalDouble share, double middle, double y, double half) {
        double em = pen.em();
        double height = 0.95 * em;
        pen.line(Hue.SECOND, 1, middle, y - 0.75 * em, middle, y + 0.75 * em);
        if (share.isEmpty()) return;
        double of = share.getAsDouble();
        double length = Math.min(1, Math.abs(of)) * half;
        String words = (of > 0 ? "+" : "") + Quantity.PERCENT.number(100 * of, 0);
        if (of >= 0) {
            pen.fill(Hue.MEASURED, 0.35, middle + 1, y - height / 2, length, height);
            if (of > 1) pen.text(Hue.MEASURED, 0.85, true, Anchor.LEFT, middle + half + 2, y, "›");
            pen.text(Hue.INK, 0.85, false, Anchor.LEFT, middle + 0.35 * em, y, words);
        } else {
            pen.hatch(Hue.STOP, 4, middle - length, y - height / 2, length, height);
            pen.frame(Hue.STOP, 1, middle - length, y - height / 2, length, height);
            pen.text(Hue.STOP, 0.85, true, Anchor.LEFT, middle + 0.35 * em, y, words);
        }
    }
}
