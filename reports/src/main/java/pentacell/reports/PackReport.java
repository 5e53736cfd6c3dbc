package pentacell.reports;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.pdfbox.pdmodel.PDDocument;
import pentacell.core.build.PackToBuild;
import pentacell.core.prove.LoadTest;
import pentacell.core.prove.PackVerdict;
import pentacell.core.prove.ProveCheck;
import pentacell.core.prove.ProveWords;
import pentacell.core.prove.ProvedPack;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.prove.SystemRun;
import pentacell.core.prove.facts.AloneRun;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;

/// The report of a pack: whether it is fit and by what, what it gave in its tests, what each of its
/// groups did, where its energy goes. For who uses the pack, or builds the next one.
///
/// @param pack with all that was measured of it
/// @param verdict on it
/// @param date the day, in words
public record PackReport(ProvedPack pack, PackVerdict verdict, String date, ZoneId zone) {
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final float FAN = 210;
    private static final float MISSING = 110;
    private static final String CAUTION =
            "A salvaged pack has no certificate. Building, vehicle and grid rules are local: ask a licensed electrician. Not for medical use, flight, or anything lives hang on.";

    /// The report of a pack of a workshop; empty when it is not matched, or one of its cells is not
    /// known.
    ///
    /// @param date the day, in words
    public static Optional<PackReport> of(
            WorkshopState state, JudgedStock judged, String name, String date, ZoneId zone) {
        return ProvedPack.of(state, judged, name)
                .map(pack -> new PackReport(pack, PackVerdict.of(pack), date, zone));
    }

    /// As PDF.
    public byte[] pdf(Paper paper) throws IOException {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.getDocumentInformation().setTitle("Report of " + name());
            try (FlowingPages pages =
                    new FlowingPages(document, paper, "Report: " + name(), date)) {
                head(pages);
                verdict(pages);
                tests(pages);
                groups(pages);
                system(pages);
                pages.down(8);
                pages.paragraph(pages.bold(), FlowingPages.TEXT, Sheet.MARGIN, CAUTION);
            }
            document.save(out);
            return out.toByteArray();
        }
    }

    private PackToBuild built() {
        return pack.built();
    }

    private String name() {
        return built().pack().name();
    }

    private void head(FlowingPages pages) throws IOException {
        pages.title("Report: " + name());
        pages.paragraph(
                pages.regular(),
                11,
                Sheet.MARGIN,
                "%s · %s · %s · %s · %s"
                        .formatted(
                                built().pack().rules().arrangement(),
                                built().chemistry().words(),
                                Count.of(built().cells(), "cell", "cells"),
                                built().assembly().standing().words(),
                                date));
        for (String line : NamePlate.figures(built(), measured()))
            pages.paragraph(pages.regular(), 10, Sheet.MARGIN, line);
    }

    private Optional<LoadTest> measured() {
        return pack.lastWhole().map(Tested::test);
    }

    private void verdict(FlowingPages pages) throws IOException {
        pages.heading(Sentence.begin(verdict.level().words()));
        Columns columns = new Columns(pages, 0, 60, 170);
        columns.head("", "looked at", "figure and limit");
        for (ProveCheck check : verdict.checks()) {
            String mark =
                    switch (check.level()) {
                        case FIT -> "good";
                        case LIMITS -> "limits it";
                        case NOT_YET -> "not yet";
                    };
            columns.row(mark, ProveWords.subject(check), ProveWords.sentence(check));
        }
    }

    private void tests(FlowingPages pages) throws IOException {
        if (pack.tests().isEmpty()) return;
        pages.heading("Load tests");
        Columns columns = new Columns(pages, 0, 150, 220, 265, 310, 350, 410, 465);
        columns.head("test", "on", "Ah", "Wh", "A", "of expected", "ended by", "apart / mV");
        for (Tested tested : pack.tests()) {
            LoadTest test = tested.test();
            OptionalDouble share = tested.againstExpected();
            columns.row(
                    tested.name(),
                    DAY.format(tested.at().atZone(zone)),
                    Quantity.CHARGE.number(test.ampHours()),
                    Quantity.ENERGY.number(test.wattHours(), 0),
                    Quantity.CURRENT.number(test.meanAmps()),
                    share.isPresent()
                            ? Quantity.PERCENT.text(100 * share.getAsDouble(), 0)
                            : test.reachedEnd() ? "–" : "broken off",
                    "group " + (test.endedByGroup() + 1),
                    Columns.number(Quantity.MILLIVOLTS, test.restSpreadMillivolts()));
        }
        Tested last = pack.tests().get(pack.tests().size() - 1);
        pages.paragraph(pages.regular(), FlowingPages.TEXT, Sheet.MARGIN, ProveWords.outcome(last));
        if (last.shortfall().isPresent())
            pages.paragraph(
                    pages.regular(),
                    FlowingPages.TEXT,
                    Sheet.MARGIN,
                    ProveWords.remedy(last.shortfall().get()));
        pictures(pages, last);
    }

    private void pictures(FlowingPages pages, Tested last) throws IOException {
        if (last.fan().ampHours().size() < 2) return;
        pages.heading("The groups over the charge given: " + last.name());
        picture(pages, FAN, last, TestPictures::fan);
        pages.heading("What each group is missing against the best");
        picture(pages, MISSING, last, TestPictures::missing);
    }

    private interface Picture {
        void draw(TestPictures pictures, double top, double height) throws IOException;
    }

    private static void picture(FlowingPages pages, float height, Tested of, Picture picture)
            throws IOException {
        pages.room(height + 14);
        Plate plate = new PdfPlate(pages.sheet(), pages.regular(), pages.bold());
        picture.draw(
                new TestPictures(plate, of, Sheet.MARGIN, pages.roomAcross()),
                pages.y() + 4,
                height);
        pages.down(height + 14);
    }

    private void groups(FlowingPages pages) throws IOException {
        pages.heading("Groups");
        Columns columns = new Columns(pages, 0, 45, 90, 150, 210, 275, 330, 385);
        columns.head(
                "group",
                "cells",
                "Ah by cells",
                "Ah alone",
                "Ah missing",
                "V at end",
                "mΩ",
                "what stands out");
        List<LoadTest.Group> tested =
                measured()
                        .map(LoadTest::groups)
                        .filter(all -> all.size() == built().groups().size())
                        .orElse(List.of());
        for (int group = 0; group < built().groups().size(); group++) {
            List<PackToBuild.Unit> units = built().groups().get(group);
            Optional<LoadTest.Group> did =
                    tested.isEmpty() ? Optional.empty() : Optional.of(tested.get(group));
            Optional<AloneRun> alone = Optional.ofNullable(pack.said().alone().get(group));
            columns.row(
                    String.valueOf(group + 1),
                    String.valueOf(units.size()),
                    Quantity.CHARGE.number(
                            units.stream().mapToDouble(PackToBuild.Unit::ampHours).sum()),
                    Columns.number(
                            Quantity.CHARGE,
                            alone.map(run -> OptionalDouble.of(run.ampHours()))
                                    .orElse(OptionalDouble.empty())),
                    did.map(each -> Quantity.CHARGE.number(each.missingAmpHours())).orElse("–"),
                    did.map(each -> Quantity.VOLTAGE.number(each.endVolts())).orElse("–"),
                    did.map(each -> Columns.number(Quantity.RESISTANCE, each.milliohms()))
                            .orElse("–"),
                    did.map(ProveWords::cause).orElse(""));
        }
    }

    private void system(FlowingPages pages) throws IOException {
        String lost = pack.said().system().map(SystemRun::of).map(ProveWords::lost).orElse("");
        String trip = ProveWords.trip(pack);
        if (lost.isEmpty() && trip.isEmpty()) return;
        pages.heading("In the system");
        for (String line : List.of(lost, trip))
            if (!line.isEmpty()) pages.paragraph(pages.regular(), 10, Sheet.MARGIN, line);
    }
}
