package pentacell.desktop.harvest;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.donor.Lot;
import pentacell.core.donor.Purchases;
import pentacell.core.journal.Origin;
import pentacell.core.unit.Count;
import pentacell.desktop.donor.DonorForm;
import pentacell.desktop.frame.Card;
import pentacell.desktop.frame.Command;
import pentacell.desktop.frame.CurrentSelection;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Due;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Found;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.kit.Lazy;
import pentacell.desktop.theme.Theme;
import pentacell.workshop.exchange.ReadingsCsv;

/// Harvest: donors as string sketches, what their readings show, repair or teardown, and what it
/// all cost.
public final class HarvestStation implements Station {
    static final String REPAIR = "Repair or harvest";
    static final String TEARDOWN = "Teardown";
    static final String YIELD = "Yield and cost";

    private final Desk desk;
    private final FileAsk files;
    private final HarvestModel model;
    private final Lazy<HarvestView> view;

    public HarvestStation(Desk desk, FileAsk files) {
        this.desk = desk;
        this.files = files;
        model = new HarvestModel(desk);
        view = new Lazy<>(() -> new HarvestView(desk, files, model, commands()));
    }

    @Override
    public List<Command> commands() {
        return List.of(
                new Command("Add lot", () -> view.get().openForm(() -> LotForm.create(desk))),
                new Command("Add donor", () -> view.get().openForm(() -> DonorForm.create(desk))),
                new Command("Edit donor", this::editDonor),
                new Command("Edit lot", this::editLot),
                new Command("Import readings", this::importReadings),
                new Command("Name cells", () -> view.get().nameCells()),
                new Command(YIELD, () -> showPane(YIELD)));
    }

    private void editDonor() {
        model.donor()
                .ifPresentOrElse(
                        record -> view.get().openForm(() -> DonorForm.edit(desk, record.donor())),
                        () -> desk.notices().say("Choose the donor first, then edit it."));
    }

    /// The lot marked under *Yield and cost*, else that of the donor in hand.
    private void editLot() {
        view.get()
                .markedLot()
                .or(() -> model.donor().flatMap(record -> record.donor().lot()))
                .ifPresentOrElse(
                        this::editLot,
                        () ->
                                desk.notices()
                                        .say(
                                                "Choose a donor of the lot first, or mark the lot under Yield and cost."));
    }

    private void editLot(String code) {
        Lot lot = Purchases.of(desk.ledger().state()).lots().get(code);
        if (lot == null) desk.notices().say("Lot " + code + " was never logged: Add lot.");
        else view.get().openForm(() -> LotForm.edit(desk, lot));
    }

    @Override
    public void showPane(String name) {
        view.get().showPane(name);
    }

    private void importReadings() {
        Optional<DonorRecord> record = model.donor();
        if (record.isEmpty()) {
            desk.notices().say("Choose the donor first, then import the readings of its groups.");
            return;
        }
        Optional<Path> file = files.which("Import readings", "Tables of readings", "*.csv");
        if (file.isEmpty()) return;
        String code = record.get().donor().code();
        desk.work().lane("files").run(() -> ReadingsCsv.read(file.get()), read -> take(code, read));
    }

    private void take(String code, ReadingsCsv read) {
        if (!read.problems().isEmpty()) {
            desk.notices()
                    .say(
                            read.problems().get(0).text()
                                    + (read.problems().size() > 1
                                            ? " (and %d more)".formatted(read.problems().size() - 1)
                                            : "")
                                    + " Nothing was imported.");
            return;
        }
        TreeMap<Integer, Double> volts =
                new TreeMap<>(
                        read.readings().stream()
                                .collect(
                                        Collectors.toMap(
                                                each -> each.group(),
                                                each -> each.volts(),
                                                (first, second) -> second)));
        model.log(
                "Import readings of " + code,
                List.of(Origin.IMPORTED.mark(new DonorFact.GroupsRead(code, volts))),
                () ->
                        desk.notices()
                                .say(
                                        Count.of(volts.size(), "group", "groups")
                                                + " of "
                                                + code
                                                + " read."));
    }

    @Override
    public List<String> panes() {
        return List.of(REPAIR, TEARDOWN, YIELD);
    }

    @Override
    public List<Due> due() {
        return HarvestDue.of(desk.ledger().state(), desk.now());
    }

    @Override
    public List<Found> find(String wanted, int most) {
        Stream<Found> donors =
                Donors.of(desk.ledger().state()).described().values().stream()
                        .filter(donor -> fits(donor.code() + " " + donor.kind(), wanted))
                        .map(donor ->
                                new Found(
                                        donor.code() + "  " + donor.kind(),
                                        Found.Where.AT_STATION,
                                        () -> desk.selection().selectDonor(donor.code())));
        Stream<Found> lots =
                Purchases.of(desk.ledger().state()).lots().values().stream()
                        .filter(lot -> fits(lot.code() + " " + lot.source() + " lot", wanted))
                        .map(lot ->
                                new Found(
                                        lot.code() + "  lot, " + lot.source(),
                                        Found.Where.AT_STATION,
                                        () -> editLot(lot.code())));
        return Stream.concat(donors, lots).limit(most).toList();
    }

    private static boolean fits(String words, String wanted) {
        return words.toLowerCase(Locale.ROOT).contains(wanted);
    }

    @Override
    public Optional<Card> card() {
        return Optional.of(
                new Card(CurrentSelection.OfDonor.class::isInstance, () -> new DonorCard(desk)));
    }

    @Override
    public List<Shot> shots() {
        return List.of(
                new Shot("harvest-paper", Theme.PAPER, () -> pose("LD08", REPAIR)),
                new Shot("teardown-paper", Theme.PAPER, () -> pose("HB06", TEARDOWN)),
                new Shot("yield-paper", Theme.PAPER, () -> showPane(YIELD)));
    }

    private void pose(String donor, String pane) {
        desk.selection().selectDonor(donor);
        showPane(pane);
    }

    @Override
    public int number() {
        return 1;
    }

    @Override
    public String name() {
        return "Harvest";
    }

    @Override
    public Node view() {
        return view.get().node();
    }

    @Override
    public ObservableValue<Number> waiting() {
        return desk.ledger()
                .stateProperty()
                .map(state ->
                        (int)
                                Donors.of(state).records().values().stream()
                                        .filter(record -> model.stage(record).waits())
                                        .count());
    }

    @Override
    public Optional<QuickBar> line() {
        return Optional.of(view.get().quickLine());
    }

    @Override
    public void enter() {
        if (model.donor().isEmpty())
            Donors.of(desk.ledger().state()).records().values().stream()
                    .filter(record -> model.stage(record).waits())
                    .findFirst()
                    .or(() ->
                            Donors.of(desk.ledger().state()).records().values().stream()
                                    .findFirst())
                    .ifPresent(record -> desk.selection().selectDonor(record.donor().code()));
        else model.donor().ifPresent(record -> desk.selection().selectDonor(record.donor().code()));
        view.get().quickLine().focusField();
    }
}
