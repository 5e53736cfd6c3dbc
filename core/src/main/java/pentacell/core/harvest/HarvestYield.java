package pentacell.core.harvest;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.donor.Lot;
import pentacell.core.donor.Purchases;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// What a lot, a kind of donor or a donor has given and what it cost so far.
///
/// @param name what it is about
/// @param currency of the cost; empty when no price is known
/// @param donors how many donors
/// @param opened how many of them have cells
/// @param cells cells named
/// @param good cells judged fit
/// @param undecided cells not judged yet
/// @param cost money spent; empty when not known
/// @param minutes time spent
/// @param goodWattHours energy of the good cells, in Wh, at their chemistry's nominal voltage
public record HarvestYield(
        String name,
        String currency,
        int donors,
        int opened,
        int cells,
        int good,
        int undecided,
        OptionalDouble cost,
        double minutes,
        double goodWattHours) {

    /// By what donors are taken together.
    public enum By {
        LOT,
        KIND,
        DONOR
    }

    /// Cost of each cell; empty without cells or cost.
    public OptionalDouble pricePerCell() {
        return per(cells);
    }

    /// Cost of each good cell.
    public OptionalDouble pricePerGoodCell() {
        return per(good);
    }

    /// Cost of each good Wh.
    public OptionalDouble pricePerGoodWattHour() {
        return per(goodWattHours);
    }

    /// Minutes of work for each cell.
    public OptionalDouble minutesPerCell() {
        return cells == 0 || minutes == 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(minutes / cells);
    }

    private OptionalDouble per(double count) {
        return count > 0 && cost.isPresent()
                ? OptionalDouble.of(cost.getAsDouble() / count)
                : OptionalDouble.empty();
    }

    /// The yield of a workshop. Donors of one kind bought in different currencies stand apart.
    public static List<HarvestYield> of(WorkshopState state, JudgedStock judged, By by) {
        Map<String, Integer> donorsOfLot = new LinkedHashMap<>();
        Map<String, Double> shared = new LinkedHashMap<>();
        for (Donor donor : Donors.of(state).described().values())
            donor.lot()
                    .ifPresent(code -> {
                        if (donor.priceShare().isEmpty()) donorsOfLot.merge(code, 1, Integer::sum);
                        else shared.merge(code, donor.priceShare().getAsDouble(), Double::sum);
                    });
        Function<Donor, OptionalDouble> cost = donor -> cost(state, donor, donorsOfLot, shared);
        Map<List<String>, Sum> sums = new LinkedHashMap<>();
        for (DonorRecord record : Donors.of(state).records().values()) {
            Donor donor = record.donor();
            Optional<Lot> lot = donor.lot().map(Purchases.of(state).lots()::get);
            String currency = lot.map(known -> known.price().currency()).orElse("");
            String name =
                    switch (by) {
                        case LOT -> donor.lot().orElse("no lot");
                        case KIND -> donor.kind().isBlank() ? "no kind" : donor.kind();
                        case DONOR -> donor.code();
                    };
            sums.computeIfAbsent(List.of(name, currency), key -> new Sum())
                    .add(state, judged, record, cost.apply(donor), lot);
        }
        List<HarvestYield> yields = new ArrayList<>();
        sums.forEach((key, sum) -> yields.add(sum.end(key.get(0), key.get(1))));
        return yields;
    }

    /// A donor's own share, or an even part of what the shares of others leave; a lot's packs that
    /// have no code yet have their part too.
    private static OptionalDouble cost(
            WorkshopState state,
            Donor donor,
            Map<String, Integer> evenDonors,
            Map<String, Double> shared) {
        if (donor.lot().isEmpty()) return donor.priceShare();
        String code = donor.lot().get();
        Lot lot = Purchases.of(state).lots().get(code);
        if (donor.priceShare().isPresent() || lot == null) return donor.priceShare();
        int ownShares =
                (int)
                        Donors.of(state).described().values().stream()
                                .filter(other -> other.lot().equals(donor.lot()))
                                .filter(other -> other.priceShare().isPresent())
                                .count();
        int even = Math.max(evenDonors.getOrDefault(code, 1), lot.packs() - ownShares);
        return OptionalDouble.of(Math.max(0, lot.cost() - shared.getOrDefault(code, 0.0)) / even);
    }

    private static final class Sum {
        private int donors;
        private int opened;
        private int cells;
        private int good;
        private int undecided;
        private double cost;
        private boolean anyCost;
        private double minutes;
        private double wattHours;

        void add(
                WorkshopState state,
                JudgedStock judged,
                DonorRecord record,
                OptionalDouble donorCost,
                Optional<Lot> lot) {
            donors++;
            List<CellRecord> own = Cells.of(state).ofDonor(record.donor().code());
            if (!own.isEmpty()) opened++;
            cells += own.size();
            if (donorCost.isPresent()) {
                cost += donorCost.getAsDouble();
                anyCost = true;
            }
            minutes +=
                    record.minutes()
                            + lot.map(each -> each.minutes() / (double) each.packs()).orElse(0.0);
            for (CellRecord cell : own) {
                switch (judged.standing(cell.id())) {
                    case FIT, RESCUED -> {
                        good++;
                        wattHours += wattHours(cell, Catalogue.of(state).modelOf(cell));
                    }
                    case UNKNOWN, UNDER_TEST -> undecided++;
                    case OUT -> {}
                }
            }
        }

        private static double wattHours(CellRecord cell, Optional<CellModel> model) {
            return cell.milliampHours().orElse(0)
                    / 1000
                    * CellModel.chemistryOf(model).nominalVolts();
        }

        HarvestYield end(String name, String currency) {
            return new HarvestYield(
                    name,
                    currency,
                    donors,
                    opened,
                    cells,
                    good,
                    undecided,
                    anyCost ? OptionalDouble.of(cost) : OptionalDouble.empty(),
                    minutes,
                    wattHours);
        }
    }
}
