package pentacell.desktop.match;

import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import pentacell.core.match.MatchByHand;
import pentacell.core.match.MatchFigures;
import pentacell.core.pack.Selection;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.FigureRow;

/// What the match comes to, the loudest numbers of the station.
final class FiguresRow {
    private final FigureRow row = new FigureRow();
    private final Label usable = row.loudest("figure-usable", "Usable / mAh");
    private final Label spread = row.figure("figure-spread", "Spread / mAh");
    private final Label share = row.figure("figure-spread-share", "Spread / %");
    private final Label resistance = row.figure("figure-resistance-spread", "Group R spread / %");
    private final Label irSpread = row.figure("figure-ir-spread", "IR spread / mΩ");
    private final Label left = row.figure("figure-left-over", "Left over");
    private final Label byHand = row.figure("figure-by-hand", "By hand / mAh");

    Node node() {
        return row.node();
    }

    void show(Optional<Shown> shown) {
        if (shown.isEmpty()) {
            for (Label each : new Label[] {usable, spread, share, resistance, irSpread, left})
                each.setText("–");
            return;
        }
        MatchFigures figures = shown.get().figures();
        usable.setText(Quantity.CAPACITY.number(figures.usableMilliampHours()));
        spread.setText(Quantity.CAPACITY.number(figures.spreadMilliampHours()));
        share.setText(Quantity.PERCENT.number(figures.spreadPercent(), 2));
        resistance.setText(hundredths(figures.resistanceSpreadPercent()));
        irSpread.setText(
                Quantity.RESISTANCE.number(figures.worstIrSpreadMilliohms().orElse(Double.NaN)));
        left.setText(String.valueOf(shown.get().shelf().size()));
    }

    /// What dealing from bins would give, beside it: in what the match was to be best at.
    void showByHand(Optional<Shown> shown, Optional<MatchFigures> dealt) {
        boolean isForSpread =
                shown.filter(each -> each.pack().rules().selection() == Selection.TIGHTEST)
                        .isPresent();
        row.caption(byHand, isForSpread ? "Spread by hand / mAh" : "By hand / mAh");
        byHand.setText(
                dealt.map(figures ->
                                Quantity.CAPACITY.number(
                                        isForSpread
                                                ? figures.spreadMilliampHours()
                                                : figures.usableMilliampHours()))
                        .orElse("–"));
        byHand.setTooltip(
                new Tooltip(
                        "%s when the strongest of these cells are dealt from bins of %s, one into each group in turn. Limits inside groups are not looked at."
                                .formatted(
                                        isForSpread
                                                ? "How far apart groups come out"
                                                : "The smallest group",
                                        Quantity.CAPACITY.text(MatchByHand.BIN_MILLIAMP_HOURS))));
    }

    private static String hundredths(OptionalDouble value) {
        return Quantity.PERCENT.number(value.orElse(Double.NaN), 2);
    }
}
