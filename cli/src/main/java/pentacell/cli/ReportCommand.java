package pentacell.cli;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.PickLine;
import pentacell.core.build.PickWalk;
import pentacell.core.donor.Donors;
import pentacell.core.prove.ProvedPack;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.ShelfLists;
import pentacell.reports.BuildBook;
import pentacell.reports.CellLabel;
import pentacell.reports.DonorReport;
import pentacell.reports.FacesPaper;
import pentacell.reports.LabelLayout;
import pentacell.reports.LabelPdf;
import pentacell.reports.NamePlate;
import pentacell.reports.PackReport;
import pentacell.reports.Paper;
import pentacell.reports.PickListPdf;
import pentacell.workshop.exchange.OutputFile;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/// Paper of a workshop, without a window.
@Command(
        name = "report",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description =
                "Writes paper of a workshop: labels, its donors, or what belongs to one of its packs.",
        footer = {
            "",
            "labels: of the cells that want one. donors: what each gave and cost. Of a pack: pick-list, build-book, name-plate, pack (its report), template (both faces in their own size), faces (SVG).",
            "",
            "Examples:",
            "  ./pentacell report bench.pentacell --what build-book --pack \"Long night 24 V\" --out book.pdf",
            "  ./pentacell report bench.pentacell --what labels --out labels.pdf"
        })
final class ReportCommand implements Callable<Integer> {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "the workshop")
    private Path file = Path.of("");

    @Option(
            names = "--what",
            required = true,
            paramLabel = "PAPER",
            description =
                    "labels, donors, pick-list, build-book, name-plate, pack, template or faces")
    private String what = "";

    @Option(
            names = "--pack",
            paramLabel = "NAME",
            description = "the pack; not needed where there is one only")
    private @Nullable String pack;

    @Option(names = "--out", required = true, paramLabel = "OUT", description = "where to write it")
    private Path out = Path.of("");

    @Option(
            names = "--paper",
            defaultValue = "A4",
            paramLabel = "A4|LETTER",
            description = "size of sheets (default A4)")
    private Paper paper = Paper.A4;

    @Option(
            names = "--builder",
            defaultValue = "",
            paramLabel = "WHO",
            description = "who stands on the name plate")
    private String builder = "";

    /// What can be printed.
    private enum What {
        LABELS,
        DONORS,
        PICK_LIST,
        BUILD_BOOK,
        NAME_PLATE,
        PACK,
        TEMPLATE,
        FACES;

        String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        static Optional<What> of(String word) {
            return Stream.of(values()).filter(each -> each.word().equals(word)).findFirst();
        }

        boolean isOfALayout() {
            return this == TEMPLATE || this == FACES;
        }
    }

    @Override
    public Integer call() throws Exception {
        What wanted =
                What.of(what)
                        .orElseThrow(() ->
                                Usage.wrong(
                                        spec,
                                        "--what is %s, was %s"
                                                .formatted(
                                                        Stream.of(What.values())
                                                                .map(What::word)
                                                                .collect(Collectors.joining(", ")),
                                                        what)));
        PrintWriter errors = spec.commandLine().getErr();
        Optional<WorkshopState> state = WorkshopPack.state(file, errors);
        if (state.isEmpty()) return Exit.UNREADABLE_INPUT;
        Optional<byte[]> bytes =
                switch (wanted) {
                    case LABELS -> labels(state.get(), errors);
                    case DONORS -> donors(state.get(), errors);
                    default -> ofPack(wanted, state.get(), errors);
                };
        if (bytes.isEmpty()) return Exit.UNREADABLE_INPUT;
        if (!Result.isStandardOutput(out)) OutputFile.write(out, bytes.get());
        else {
            System.out.write(bytes.get());
            System.out.flush();
        }
        return Exit.DONE;
    }

    private static LocalDate today() {
        return LocalDate.now(ZoneId.systemDefault());
    }

    private Optional<byte[]> labels(WorkshopState state, PrintWriter errors) throws IOException {
        List<CellLabel> labels =
                ShelfLists.toLabel(state).stream()
                        .map(cell -> CellLabel.of(cell, today().toString()))
                        .toList();
        if (labels.isEmpty()) {
            errors.println(file + ": no cell wants a label.");
            return Optional.empty();
        }
        return Optional.of(LabelPdf.bytes(labels, LabelLayout.shipped().get(0), 0));
    }

    private Optional<byte[]> donors(WorkshopState state, PrintWriter errors) throws IOException {
        if (Donors.of(state).records().isEmpty()) {
            errors.println(file + " has no donor yet.");
            return Optional.empty();
        }
        return Optional.of(
                DonorReport.of(state, JudgedStock.of(state), today().toString()).pdf(paper));
    }

    private Optional<byte[]> ofPack(What wanted, WorkshopState state, PrintWriter errors)
            throws Exception {
        Optional<String> name = WorkshopPack.name(state, Optional.ofNullable(pack), file, errors);
        if (name.isEmpty()) return Optional.empty();
        Optional<PackToBuild> known =
                WorkshopPack.built(state, file, name.get(), PackToBuild.Asked.NOTHING, errors);
        if (known.isEmpty()) return Optional.empty();
        PackToBuild built = known.get();
        Optional<JudgedLayout> layout = built.laidOut();
        if (wanted.isOfALayout() && layout.isEmpty()) {
            errors.println("%s: take a layout for it first, at Build".formatted(name.get()));
            return Optional.empty();
        }
        return Optional.of(
                switch (wanted) {
                    case BUILD_BOOK ->
                            BuildBook.of(
                                            built,
                                            layout,
                                            state,
                                            today().toString(),
                                            ZoneId.systemDefault())
                                    .pdf(paper);
                    case NAME_PLATE ->
                            NamePlate.of(
                                            built,
                                            ProvedPack.measured(state, built),
                                            builder,
                                            "",
                                            today().toString())
                                    .pdf(NamePlate.Size.LARGE);
                    case PACK ->
                            PackReport.of(
                                            state,
                                            JudgedStock.of(state),
                                            name.get(),
                                            today().toString(),
                                            ZoneId.systemDefault())
                                    .orElseThrow()
                                    .pdf(paper);
                    case TEMPLATE -> faces(built, layout.orElseThrow()).pdf(paper);
                    case FACES ->
                            faces(built, layout.orElseThrow())
                                    .svg()
                                    .getBytes(StandardCharsets.UTF_8);
                    case PICK_LIST -> pickList(built, state);
                    case LABELS, DONORS ->
                            throw new IllegalStateException(what + " are of no pack");
                });
    }

    private static FacesPaper faces(PackToBuild built, JudgedLayout layout) {
        return new FacesPaper(built.pack().name(), layout, built.format());
    }

    private byte[] pickList(PackToBuild built, WorkshopState state) throws IOException {
        PickWalk.Order order = PickWalk.Order.BY_PLACE;
        List<PickLine> walk = PickWalk.of(built.pack(), state, order);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        PickListPdf.write(
                bytes,
                new PickListPdf.Heading(
                        built.pack().name(),
                        built.pack().rules().arrangement(),
                        order,
                        today().toString()),
                walk,
                paper);
        return bytes.toByteArray();
    }
}
