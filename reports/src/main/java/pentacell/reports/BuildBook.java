package pentacell.reports;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.pdfbox.pdmodel.PDDocument;
import pentacell.core.build.BuildFindingWords;
import pentacell.core.build.BuildStep;
import pentacell.core.build.Face;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.PackCurrents;
import pentacell.core.build.PackCurrents.Flowing;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.TapCheck;
import pentacell.core.build.TapVerdict;
import pentacell.core.build.facts.MeterPoint;
import pentacell.core.build.facts.Ticked;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Planned;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;

/// The book of a pack: what it is and why, both faces, what flows, steps with their dates, the plug
/// with its readings, every cell with its figures.
///
/// @param built the pack
/// @param arrangement its layout, when one was chosen
/// @param why what it was planned for, a sentence each
/// @param cells every cell with its history
/// @param date the day, in words
public record BuildBook(
        PackToBuild built,
        Optional<JudgedLayout> arrangement,
        List<String> why,
        List<CellLine> cells,
        String date,
        ZoneId zone) {
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH);
    private static final float TEXT = FlowingPages.TEXT;
    private static final float LINE = FlowingPages.LINE;
    private static final int MOST_CONDUCTORS = 12;

    public BuildBook {
        why = List.copyOf(why);
        cells = List.copyOf(cells);
    }

    /// A cell as it stands in the book.
    ///
    /// @param group from 1
    /// @param history where it came from and what befell it, short
    public record CellLine(
            CellId id,
            int group,
            String place,
            OptionalDouble milliampHours,
            OptionalDouble milliohms,
            OptionalDouble volts,
            String history) {}

    /// The book of a pack as it stands.
    ///
    /// @param state the workshop, for the history of its cells
    /// @param date the day, in words
    public static BuildBook of(
            PackToBuild built,
            Optional<JudgedLayout> arrangement,
            WorkshopState state,
            String date,
            ZoneId zone) {
        List<CellLine> cells = new ArrayList<>();
        for (int group = 0; group < built.groups().size(); group++) {
            int can = 0;
            for (PackToBuild.Unit unit : built.groups().get(group)) {
                Optional<CellRecord> cell = Cells.of(state).cell(unit.id());
                cells.add(
                        new CellLine(
                                unit.id(),
                                group + 1,
                                arrangement.isPresent()
                                        ? arrangement.get().layout().places().get(group).get(can)
                                                + ""
                                        : "–",
                                cell.map(CellRecord::milliampHours).orElse(OptionalDouble.empty()),
                                cell.map(CellRecord::milliohms).orElse(OptionalDouble.empty()),
                                unit.volts(),
                                cell.map(BuildBook::history).orElse("")));
                can += unit.cans();
            }
        }
        return new BuildBook(
                built,
                arrangement,
                built.planned().map(BuildBook::why).orElse(List.of()),
                cells,
                date,
                zone);
    }

    private static List<String> why(Planned planned) {
        Need need = planned.need();
        List<String> why = new ArrayList<>();
        why.add(
                "For a device that runs from %s to %s, %s steady and %s at its peak."
                        .formatted(
                                Quantity.VOLTAGE.text(need.window().lowTripVolts(), 1),
                                Quantity.VOLTAGE.text(need.window().highTripVolts(), 1),
                                Quantity.POWER.text(need.steadyFromPack()),
                                Quantity.POWER.text(need.peakFromPack())));
        if (need.hours().isPresent())
            why.add(
                    "Wanted for %s; planned as %s."
                            .formatted(
                                    Quantity.HOURS.text(need.hours().getAsDouble()),
                                    planned.chosen()
                                            .map(Chosen::arrangement)
                                            .orElse("nothing yet")));
        return why;
    }

    private static String history(CellRecord cell) {
        List<String> words = new ArrayList<>();
        cell.donor().ifPresent(donor -> words.add("from " + donor));
        cell.model().ifPresent(words::add);
        words.add(Count.of(cell.lifeLine().size(), "entry", "entries"));
        return String.join(", ", words);
    }

    /// As PDF.
    public byte[] pdf(Paper paper) throws IOException {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.getDocumentInformation().setTitle("Build book of " + name());
            try (FlowingPages pages =
                    new FlowingPages(document, paper, "Build book: " + name(), date)) {
                head(pages);
                if (arrangement.isPresent()) {
                    faces(pages, arrangement.get());
                    if (arrangement.get().currents().isPresent())
                        currents(pages, arrangement.get().currents().get());
                }
                steps(pages);
                taps(pages);
                cells(pages);
            }
            document.save(out);
            return out.toByteArray();
        }
    }

    private String name() {
        return built.pack().name();
    }

    private void head(FlowingPages pages) throws IOException {
        pages.title("Build book: " + name());
        pages.paragraph(
                pages.regular(),
                11,
                Sheet.MARGIN,
                "%s · %s · %s · %s · %s"
                        .formatted(
                                built.pack().rules().arrangement(),
                                built.chemistry().words(),
                                built.assembly().standing().words(),
                                built.assembly().joining().words(),
                                date));
        pages.down(6);
        for (String sentence : why) pages.paragraph(pages.regular(), 10, Sheet.MARGIN, sentence);
    }

    private void faces(FlowingPages pages, JudgedLayout now) throws IOException {
        pages.heading("Both faces");
        double width = FaceDrawing.width(now);
        double height = FaceDrawing.height(now);
        boolean isWide = width > height;
        float gap = 16;
        double room = isWide ? pages.roomAcross() : (pages.roomAcross() - gap) / 2;
        double scale = Math.min(room / width, 250 / height);
        float tall = (float) (height * scale);
        for (Face face : Face.values()) {
            boolean isBeside = !isWide && face == Face.BOTTOM;
            if (!isBeside) pages.room(tall + 30);
            float left = isBeside ? (float) (Sheet.MARGIN + room + gap) : Sheet.MARGIN;
            pages.sheet()
                    .text(
                            pages.bold(),
                            TEXT,
                            left,
                            pages.y(),
                            face == Face.TOP ? "Top" : "Bottom, as it lies turned over");
            new FaceDrawing(
                            new PdfPlate(pages.sheet(), pages.regular(), pages.bold()),
                            now,
                            built.format(),
                            face,
                            scale,
                            left,
                            pages.y() + 6)
                    .draw();
            if (isWide || isBeside) pages.down(tall + 24);
        }
        if (now.layout().grid().layers() > 1)
            for (Face face : Face.values())
                pages.paragraph(
                        pages.regular(),
                        TEXT,
                        Sheet.MARGIN,
                        Sentence.begin(face.words()) + ": " + FaceDrawing.overFolds(now, face));
        pages.paragraph(
                pages.regular(),
                TEXT,
                Sheet.MARGIN,
                "Ring: positive end. Flat: negative end. Numbers in cans are groups, numbers in circles the joints of the string; thicker strips have more layers.");
    }

    private void currents(FlowingPages pages, PackCurrents now) throws IOException {
        pages.heading("What flows");
        pages.paragraph(
                pages.regular(),
                10,
                Sheet.MARGIN,
                "At %s the conductors lose %s, the hardest-worked can carries %s times its share."
                        .formatted(
                                Quantity.CURRENT.text(now.amps()),
                                Quantity.POWER.text(now.conductorWatts(), 2),
                                Quantity.RATIO.text(now.worstShare(), 2)));
        Columns columns = new Columns(pages, 0, 110, 170, 310, 380, 450);
        columns.head("conductor", "face", "from", "A", "allowed / A", "mV");
        List<Flowing> busiest = now.busiestFirst();
        for (Flowing each : busiest.subList(0, Math.min(MOST_CONDUCTORS, busiest.size())))
            columns.row(
                    each.link().kind().words(),
                    each.link().face().words(),
                    each.link().from().toString(),
                    Quantity.CURRENT.number(Math.abs(each.amps())),
                    Quantity.CURRENT.number(each.allowedAmps()),
                    Quantity.MILLIVOLTS.number(1000 * Math.abs(each.volts()), 1));
    }

    private void steps(FlowingPages pages) throws IOException {
        pages.heading("Steps");
        for (BuildStep step : built.steps(arrangement)) {
            Optional<Ticked> done = Optional.ofNullable(built.assembly().ticked().get(step.code()));
            pages.room(2 * LINE);
            pages.sheet().box(Sheet.MARGIN, pages.y() - 8, 8, done.isPresent());
            List<String> words = new ArrayList<>(List.of(step.title()));
            done.ifPresent(ticked -> {
                words.add(DAY.format(ticked.at().atZone(zone)));
                if (!ticked.remark().isEmpty()) words.add(ticked.remark());
                ticked.photo().ifPresent(photo -> words.add("picture " + photo));
            });
            pages.paragraph(
                    done.isPresent() ? pages.regular() : pages.bold(),
                    TEXT,
                    Sheet.MARGIN + 14,
                    String.join(" · ", words));
            if (done.isPresent()) continue;
            pages.paragraph(pages.regular(), TEXT, Sheet.MARGIN + 14, step.how());
            if (step.hazard().isPresent())
                pages.paragraph(pages.bold(), TEXT, Sheet.MARGIN + 14, "! " + step.hazard().get());
            if (!step.materials().isEmpty())
                pages.paragraph(
                        pages.regular(),
                        TEXT,
                        Sheet.MARGIN + 14,
                        String.join(" · ", step.materials()));
        }
    }

    private void taps(FlowingPages pages) throws IOException {
        pages.heading("Balance plug");
        List<Double> expected = built.expectedTaps();
        Columns columns = new Columns(pages, 0, 60, 200, 290);
        columns.head("lead", "belongs on", "should read / V", "reads / V");
        List<OptionalDouble> readings = new ArrayList<>();
        for (int lead = 0; lead <= built.groups().size(); lead++) {
            OptionalDouble read =
                    built.assembly().taps().getOrDefault(lead, OptionalDouble.empty());
            readings.add(read);
            columns.row(
                    String.valueOf(lead),
                    lead == 0 ? "the pack's negative" : "positive of group " + lead,
                    expected.isEmpty() ? "" : Quantity.VOLTAGE.number(expected.get(lead)),
                    read.isPresent() ? Quantity.VOLTAGE.number(read.getAsDouble()) : "");
        }
        if (built.assembly().taps().size() == readings.size()) {
            TapVerdict verdict = TapCheck.of(readings, built.chemistry());
            pages.paragraph(
                    pages.bold(),
                    TEXT,
                    Sheet.MARGIN,
                    verdict.isSafeToPlugIn()
                            ? "Every lead is where it belongs."
                            : "Not to be plugged in: "
                                    + BuildFindingWords.sentence(verdict.faults().getFirst())
                                    + ".");
        }
        for (MeterPoint point : MeterPoint.values()) {
            Double volts = built.assembly().whole().get(point);
            if (volts != null)
                pages.paragraph(
                        pages.regular(),
                        TEXT,
                        Sheet.MARGIN,
                        "Read at the %s: %s."
                                .formatted(point.words(), Quantity.VOLTAGE.text(volts, 2)));
        }
    }

    private void cells(FlowingPages pages) throws IOException {
        pages.heading("Cells");
        Columns columns = new Columns(pages, 0, 70, 105, 190, 235, 280, 320);
        columns.head("cell", "group", "place", "mAh", "mΩ", "V", "history");
        for (CellLine cell : cells)
            columns.row(
                    cell.id().text(),
                    String.valueOf(cell.group()),
                    cell.place(),
                    Columns.number(Quantity.CAPACITY, cell.milliampHours()),
                    Columns.number(Quantity.RESISTANCE, cell.milliohms()),
                    Columns.number(Quantity.VOLTAGE, cell.volts()),
                    cell.history());
    }
}
