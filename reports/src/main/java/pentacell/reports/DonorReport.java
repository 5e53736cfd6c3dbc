package pentacell.reports;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.PDDocument;
import pentacell.core.cell.Catalogue;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.donor.WarningSign;
import pentacell.core.harvest.Diagnose;
import pentacell.core.harvest.Diagnosis;
import pentacell.core.harvest.HarvestYield;
import pentacell.core.harvest.HarvestYield.By;
import pentacell.core.harvest.PackReadings;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;

/// The report of the donors: what each lot gave and cost, and of every donor what it was, what its
/// groups read, what that says, and what came out of it.
///
/// @param lots what lots gave
/// @param donors what each donor gave, with how it stands in the workshop
/// @param date the day, in words
public record DonorReport(List<HarvestYield> lots, List<OfDonor> donors, String date) {
    public DonorReport {
        lots = List.copyOf(lots);
        donors = List.copyOf(donors);
    }

    /// A donor with its judgement and its yield.
    public record OfDonor(
            DonorRecord record, Optional<Diagnosis> diagnosis, Optional<HarvestYield> yield) {}

    /// The donors of a workshop.
    ///
    /// @param date the day, in words
    public static DonorReport of(WorkshopState state, JudgedStock judged, String date) {
        Map<String, HarvestYield> byDonor =
                HarvestYield.of(state, judged, By.DONOR).stream()
                        .collect(
                                Collectors.toMap(
                                        HarvestYield::name, Function.identity(), (a, b) -> a));
        List<OfDonor> donors = new ArrayList<>();
        for (DonorRecord record : Donors.of(state).records().values())
            donors.add(
                    new OfDonor(
                            record,
                            PackReadings.of(
                                            record,
                                            Catalogue.of(state).model(record.donor().cellModel()))
                                    .map(readings -> Diagnose.pack(readings, Schools.of(state))),
                            Optional.ofNullable(byDonor.get(record.donor().code()))));
        return new DonorReport(HarvestYield.of(state, judged, By.LOT), donors, date);
    }

    /// As PDF.
    public byte[] pdf(Paper paper) throws IOException {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.getDocumentInformation().setTitle("Donors");
            try (FlowingPages pages = new FlowingPages(document, paper, "Donors", date)) {
                pages.title("Donors");
                pages.paragraph(pages.regular(), 11, Sheet.MARGIN, date);
                lots(pages);
                for (OfDonor each : donors) donor(pages, each);
            }
            document.save(out);
            return out.toByteArray();
        }
    }

    private void lots(FlowingPages pages) throws IOException {
        pages.heading("What lots gave");
        Columns columns = new Columns(pages, 0, 90, 145, 190, 235, 290, 365, 425, 480);
        columns.head(
                "lot", "donors", "cells", "good", "Wh", "cost", "a cell", "a good one", "a Wh");
        for (HarvestYield lot : lots)
            columns.row(
                    lot.name(),
                    String.valueOf(lot.donors()),
                    String.valueOf(lot.cells()),
                    String.valueOf(lot.good()),
                    Quantity.ENERGY.number(lot.goodWattHours(), 0),
                    (amount(lot.cost(), 2) + " " + lot.currency()).strip(),
                    amount(lot.pricePerCell(), 2),
                    amount(lot.pricePerGoodCell(), 2),
                    amount(lot.pricePerGoodWattHour(), 3));
    }

    private static String amount(OptionalDouble value, int digits) {
        return value.isEmpty() ? "–" : Quantity.COUNT.number(value.getAsDouble(), digits);
    }

    private static void donor(FlowingPages pages, OfDonor each) throws IOException {
        Donor donor = each.record().donor();
        pages.heading(
                words(
                        donor.code(),
                        donor.kind(),
                        donor.arrangement().map(Object::toString).orElse(""),
                        donor.cellModel()));
        for (String line :
                List.of(
                        groups(each.record()),
                        each.diagnosis().map(DonorReport::judged).orElse(""),
                        gave(each),
                        parts(each.record()),
                        donor.note()))
            if (!line.isBlank())
                pages.paragraph(pages.regular(), FlowingPages.TEXT, Sheet.MARGIN, line);
    }

    private static String words(String... parts) {
        return List.of(parts).stream()
                .filter(part -> !part.isBlank())
                .collect(Collectors.joining(" · "));
    }

    private static String groups(DonorRecord record) {
        String groups =
                record.groupVolts().values().stream()
                        .map(Quantity.VOLTAGE::number)
                        .collect(Collectors.joining(", "));
        return words(
                groups.isEmpty() ? "Groups not read" : "Groups read " + groups + " V",
                record.packVolts().isPresent()
                        ? "pack " + Quantity.VOLTAGE.text(record.packVolts().getAsDouble(), 2)
                        : "",
                record.signs().stream()
                        .sorted()
                        .map(WarningSign::words)
                        .collect(Collectors.joining(", ")));
    }

    private static String judged(Diagnosis diagnosis) {
        return diagnosis.sentence() + " " + Sentence.whole(diagnosis.advice().words());
    }

    private static String gave(OfDonor each) {
        if (each.yield().isEmpty() || each.yield().get().cells() == 0) return "";
        HarvestYield yield = each.yield().get();
        int out = yield.cells() - yield.good() - yield.undecided();
        List<String> said = new ArrayList<>();
        if (yield.good() > 0)
            said.add(
                    "%d good, %s"
                            .formatted(
                                    yield.good(), Quantity.ENERGY.text(yield.goodWattHours(), 0)));
        if (yield.undecided() > 0) said.add(yield.undecided() + " not decided yet");
        if (out > 0) said.add(out + " out");
        if (yield.cost().isPresent())
            said.add("cost %s %s".formatted(amount(yield.cost(), 2), yield.currency()));
        if (yield.minutes() > 0) said.add(Quantity.MINUTES.text(yield.minutes()) + " of work");
        return "%s: %s."
                .formatted(Count.of(yield.cells(), "cell", "cells"), String.join("; ", said));
    }

    private static String parts(DonorRecord record) {
        return record.parts().isEmpty()
                ? ""
                : "Saved: "
                        + record.parts().entrySet().stream()
                                .map(part -> part.getValue() + " × " + part.getKey())
                                .collect(Collectors.joining(", "))
                        + ".";
    }
}
