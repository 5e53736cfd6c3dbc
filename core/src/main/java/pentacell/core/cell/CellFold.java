package pentacell.core.cell;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/// A cell while its standing facts are laid over each other, oldest first.
final class CellFold {
    private Optional<String> donor = Optional.empty();
    private Optional<String> model = Optional.empty();
    private int count = 1;
    private Optional<Place> place = Optional.empty();
    private OptionalDouble firstVolts = OptionalDouble.empty();
    private OptionalDouble volts = OptionalDouble.empty();
    private OptionalDouble lowestVolts = OptionalDouble.empty();
    private OptionalDouble acMilliohms = OptionalDouble.empty();
    private OptionalDouble dcMilliohms = OptionalDouble.empty();
    private OptionalDouble milliampHours = OptionalDouble.empty();
    // most cells have none: no set is made for them
    private Set<Blemish> blemishes = Set.of();
    private Set<PrepWork> prepared = Set.of();
    private Optional<CellFact.LabelPrinted> label = Optional.empty();
    private Optional<String> handedOver = Optional.empty();
    private Optional<CellFact.CellDecided> decision = Optional.empty();

    void add(CellFact fact) {
        switch (fact) {
            case CellFact.CellNamed named -> {
                donor = named.donor();
                model = named.model();
            }
            case CellFact.CansCounted counted -> count = counted.count();
            case CellFact.CellPlaced placed -> {
                place = Optional.of(placed.place());
                handedOver = Optional.empty();
            }
            case CellFact.VoltageRead read -> {
                // to be read again: it is no first voltage
                if (!read.isReversed()) read(read.volts());
            }
            case CellFact.ResistanceRead read -> {
                OptionalDouble milliohms = OptionalDouble.of(read.milliohms());
                switch (read.method()) {
                    case AC_1_KHZ -> acMilliohms = milliohms;
                    case DC -> dcMilliohms = milliohms;
                }
            }
            case CellFact.CapacityMeasured measured ->
                    milliampHours = OptionalDouble.of(measured.milliampHours());
            case CellFact.BlemishesSeen seen -> {
                EnumSet<Blemish> all = EnumSet.copyOf(seen.blemishes());
                all.addAll(blemishes);
                blemishes = Collections.unmodifiableSet(all);
                // a sleeve torn again needs work again
                EnumSet<PrepWork> still = EnumSet.noneOf(PrepWork.class);
                still.addAll(prepared);
                seen.blemishes().forEach(each -> each.work().ifPresent(still::remove));
                prepared = Collections.unmodifiableSet(still);
            }
            case CellFact.PrepDone done -> {
                EnumSet<PrepWork> all = EnumSet.of(done.work());
                all.addAll(prepared);
                prepared = Collections.unmodifiableSet(all);
            }
            case CellFact.LabelPrinted printed -> label = Optional.of(printed);
            case CellFact.HandedOver gone -> {
                handedOver = Optional.of(gone.to());
                place = Optional.empty();
            }
            case RunFact.CapacityCorrected corrected ->
                    milliampHours = OptionalDouble.of(corrected.milliampHours());
            // of these only the life line matters
            case RunFact run -> {}
            case CellFact.CellNoted noted -> {}
            case CellFact.CellDecided decided ->
                    decision =
                            decided.decision() == CellFact.Decision.BY_FIGURES
                                    ? Optional.empty()
                                    : Optional.of(decided);
        }
    }

    private void read(double reading) {
        volts = OptionalDouble.of(reading);
        if (firstVolts.isEmpty()) firstVolts = volts;
        // under 0 V the probes were reversed, not the cell empty
        if (reading >= 0 && reading < lowestVolts.orElse(Double.POSITIVE_INFINITY))
            lowestVolts = volts;
    }

    CellRecord cell(CellId id, List<CellRecord.LifeLineEntry> lifeLine) {
        return new CellRecord(
                id,
                donor,
                model,
                count,
                place,
                firstVolts,
                volts,
                lowestVolts,
                acMilliohms,
                dcMilliohms,
                milliampHours,
                blemishes,
                prepared,
                label,
                handedOver,
                decision,
                List.copyOf(lifeLine));
    }
}
