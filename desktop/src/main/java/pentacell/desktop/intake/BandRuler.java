package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.intake.Triage;
import pentacell.core.school.BandSchool;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;

/// The voltage bands of the school as a ruler, highest on top, each with the count of cells whose
/// first voltage lies in it.
final class BandRuler {
    private final Desk desk;
    private final PlotSurface surface = new PlotSurface(this::paint);

    BandRuler(Desk desk) {
        this.desk = desk;
        surface.setId("band-ruler");
        surface.getStyleClass().add("band-ruler");
        desk.ledger().stateProperty().subscribe(state -> surface.repaint());
    }

    PlotSurface node() {
        return surface;
    }

    /// A band with its count.
    ///
    /// @param limit the voltage it begins at, or ends at for the topmost, in words
    record Row(String limit, IntakeVerdict verdict, int count) {}

    /// The rows of a ruler, highest band first.
    static List<Row> rows(WorkshopState state, Chemistry chemistry) {
        BandSchool policy = Schools.of(state).bands(chemistry);
        List<BandSchool.Band> bands = policy.bands();
        int[] counts = new int[bands.size() + 1];
        for (CellRecord cell : Cells.of(state).all().values()) {
            Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
            if (cell.firstVolts().isEmpty() || CellModel.chemistryOf(model) != chemistry) continue;
            double volts = cell.firstVolts().getAsDouble();
            if (Triage.judge(volts, policy).verdict() == IntakeVerdict.REJECT)
                counts[bands.size()]++;
            else counts[policy.bandIndex(volts)]++;
        }
        List<Row> rows = new ArrayList<>();
        rows.add(
                new Row(
                        "> " + Quantity.VOLTAGE.number(policy.overVolts()),
                        IntakeVerdict.REJECT,
                        counts[bands.size()]));
        for (int i = bands.size() - 1; i >= 0; i--)
            rows.add(
                    new Row(
                            "≥ " + Quantity.VOLTAGE.number(bands.get(i).fromVolts()),
                            bands.get(i).verdict(),
                            counts[i]));
        return rows;
    }

    private void paint(Pen pen, double width, double height) {
        double y = 0;
        for (Chemistry chemistry : Chemistry.values()) {
            List<Row> rows = rows(desk.ledger().state(), chemistry);
            int total = rows.stream().mapToInt(Row::count).sum();
            if (chemistry != Chemistry.NMC && total == 0) continue;
            pen.text(
                    Hue.SECOND,
                    0.9,
                    false,
                    Anchor.LEFT,
                    0,
                    y + pen.em() * 0.8,
                    "First voltage / V, " + chemistry.words());
            y += pen.em() * 1.7;
            int most = Math.max(1, rows.stream().mapToInt(Row::count).max().orElse(1));
            for (Row row : rows) {
                // the second ruler takes only the room it needs
                if (chemistry != Chemistry.NMC && row.count() == 0) continue;
                paintRow(pen, row, most, y, width);
                y += pen.em() * 1.75;
            }
            y += pen.em() * 0.6;
        }
    }

    private static void paintRow(Pen pen, Row row, int most, double y, double width) {
        double em = pen.em();
        double barLeft = 4.6 * em;
        double barWidth = (width - barLeft - 2.6 * em) * row.count() / most;
        pen.line(Hue.RULE, 1, 0, y + em * 1.7, width, y + em * 1.7);
        pen.text(
                Hue.SECOND,
                0.9,
                false,
                Anchor.RIGHT,
                barLeft - 0.6 * em,
                y + em * 0.85,
                row.limit());
        Hue hue = row.verdict().goesOn() ? Hue.MEASURED : Hue.STOP;
        pen.fill(hue, row.count() == 0 ? 0 : 0.22, barLeft, y + 2, Math.max(2, barWidth), em * 1.5);
        pen.text(
                row.count() == 0 ? Hue.SECOND : Hue.INK,
                0.9,
                false,
                Anchor.LEFT,
                barLeft + 0.3 * em,
                y + em * 0.85,
                row.verdict().words());
        pen.text(
                row.count() == 0 ? Hue.SECOND : Hue.INK,
                1.15,
                row.count() > 0,
                Anchor.RIGHT,
                width - 2,
                y + em * 0.85,
                String.valueOf(row.count()));
    }
}
