package pentacell.core.harvest;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import pentacell.core.Chapters;
import pentacell.core.Journal;
import pentacell.core.cell.CellFact.CapacityMeasured;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.TestConditions;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact.DonorAdded;
import pentacell.core.donor.DonorFact.MinutesSpent;
import pentacell.core.donor.Lot;
import pentacell.core.donor.Price;
import pentacell.core.donor.PurchaseFact.LotAdded;
import pentacell.core.harvest.HarvestYield.By;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

final class HarvestYieldTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 1);

    @Test
    void costIsSharedEvenlyWhereNoShareIsStated() {
        WorkshopState state = workshop();
        HarvestYield lot = only(state, By.LOT, "K1");
        assertEquals(30, lot.cost().orElseThrow(), 1e-9);
        assertEquals(3, lot.donors());
        assertEquals(12, only(state, By.DONOR, "B01").cost().orElseThrow(), 1e-9);
        assertEquals(9, only(state, By.DONOR, "A01").cost().orElseThrow(), 1e-9);
    }

    @Test
    void everyPriceIsByItsOwnCount() {
        WorkshopState state = workshop();
        HarvestYield kind = only(state, By.KIND, "dock");
        assertEquals(3, kind.cells());
        assertEquals(2, kind.good());
        assertEquals(18, kind.cost().orElseThrow(), 1e-9);
        assertEquals(6, kind.pricePerCell().orElseThrow(), 1e-9);
        assertEquals(9, kind.pricePerGoodCell().orElseThrow(), 1e-9);
        // 2 × 2.0 Ah × 3.6 V
        assertEquals(14.4, kind.goodWattHours(), 1e-9);
        assertEquals(18 / 14.4, kind.pricePerGoodWattHour().orElseThrow(), 1e-9);
        // 20 minutes on the donor and two thirds of the lot's 30
        assertEquals(40 / 3.0, kind.minutesPerCell().orElseThrow(), 1e-9);
    }

    @Test
    void nothingIsDividedByNothing() {
        HarvestYield tool = only(workshop(), By.DONOR, "B01");
        assertTrue(tool.pricePerCell().isEmpty() && tool.pricePerGoodWattHour().isEmpty());
        assertTrue(tool.minutesPerCell().isEmpty());
        assertEquals(
                List.of(), HarvestYield.of(Chapters.empty(), judged(Chapters.empty()), By.LOT));
    }

    @Test
    void currenciesAreNeverAdded() {
        Journal journal = new Journal();
        journal.log(new LotAdded(lot("K1", "EUR")), new LotAdded(lot("K2", "CHF")));
        journal.log(new DonorAdded(donor("A01", "dock", "K1", OptionalDouble.empty())));
        journal.log(new DonorAdded(donor("A02", "dock", "K2", OptionalDouble.empty())));
        List<HarvestYield> kinds =
                HarvestYield.of(journal.state(), judged(journal.state()), By.KIND);
        assertEquals(List.of("EUR", "CHF"), kinds.stream().map(HarvestYield::currency).toList());
    }

    private static WorkshopState workshop() {
        Journal journal = new Journal().model("Quill Q22", Chemistry.NMC, 2100).tray("T1", 2, 5);
        journal.log(new LotAdded(lot("K1", "EUR")));
        journal.log(new DonorAdded(donor("A01", "dock", "K1", OptionalDouble.empty())));
        journal.log(new DonorAdded(donor("A02", "dock", "K1", OptionalDouble.empty())));
        journal.log(new DonorAdded(donor("B01", "tool", "K1", OptionalDouble.of(12))));
        journal.log(new MinutesSpent("A01", 20));
        journal.cell("A01-01", "Quill Q22", "T1-A01", 3.7);
        journal.cell("A01-02", "Quill Q22", "T1-A02", 3.7);
        journal.cell("A01-03", "Quill Q22", "T1-A03", 0.4);
        for (String id : List.of("A01-01", "A01-02"))
            journal.log(new CapacityMeasured(new CellId(id), 2000, TestConditions.NOT_STATED));
        return journal.state();
    }

    private static Lot lot(String code, String currency) {
        return new Lot(code, "market", DAY, new Price(25, currency), 5, 3, 30);
    }

    private static Donor donor(String code, String kind, String lot, OptionalDouble share) {
        return new Donor(
                code,
                kind,
                "Quill Q22",
                "",
                Optional.of(lot),
                Optional.of(new Arrangement(3, 1)),
                Optional.empty(),
                Optional.empty(),
                share);
    }

    private static JudgedStock judged(WorkshopState state) {
        return JudgedStock.of(state);
    }

    private static HarvestYield only(WorkshopState state, By by, String name) {
        return HarvestYield.of(state, judged(state), by).stream()
                .filter(each -> each.name().equals(name))
                .findFirst()
                .orElseThrow();
    }
}
