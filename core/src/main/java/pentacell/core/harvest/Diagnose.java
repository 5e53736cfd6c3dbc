package pentacell.core.harvest;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.donor.WarningSign;
import pentacell.core.harvest.Sureness.Confirmation;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.school.BandSchool;
import pentacell.core.school.RepairSchool;
import pentacell.core.school.Schools;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// Judges a pack by the readings of its groups.
///
/// The order of the questions matters: wrong readings first, since nothing can be said by them;
/// then what is dangerous (overcharged), then what explains the most (all low, dead, one low), then
/// drift, and only when the groups are good the board.
public final class Diagnose {
    /// An output under this share of the string gives nothing.
    private static final double NO_OUTPUT_SHARE = 0.5;

    /// A charger refuses a pack that is about full, and rightly.
    private static final double ABOUT_FULL_SHARE = 0.9;

    /// What a meter is off on the flat curve of LFP, in V.
    private static final double METER_VOLTS = 0.01;

    private final PackReadings readings;
    private final BandSchool bands;
    private final Schools schools;
    private final RepairSchool repair;
    private final GroupLevels levels;
    private final Confirmation sum;

    private Diagnose(PackReadings readings, Schools schools) {
        this.readings = readings;
        this.schools = schools;
        bands = schools.bands(readings.chemistry());
        repair = schools.repair();
        levels = new GroupLevels(readings, repair);
        sum = readings.packVolts().isPresent() ? Confirmation.CONFIRMED : Confirmation.UNCHECKED;
    }

    /// Judges a pack.
    public static Diagnosis pack(PackReadings readings, Schools schools) {
        return new Diagnose(readings, schools).diagnosis();
    }

    /// Judges a pack by a table of readings, in any order.
    ///
    /// @param withVolts makes the readings of the pack from those of its groups
    /// @throws IllegalArgumentException when the table is empty
    public static Diagnosis table(
            List<TableReading> table,
            Function<List<Double>, PackReadings> withVolts,
            Schools schools) {
        Optional<ReadingErrors.Found> error = ReadingErrors.inTable(table);
        if (error.isPresent()) return readingError(error.get());
        Map<Integer, Double> last = new TreeMap<>();
        table.forEach(line -> last.put(line.group(), line.volts()));
        return pack(withVolts.apply(List.copyOf(last.values())), schools);
    }

    private static Diagnosis readingError(ReadingErrors.Found error) {
        return new Diagnosis(
                Signature.READING_ERROR,
                error.groups(),
                Advice.READ_AGAIN,
                Sureness.LIKELY,
                List.of(error.reason()));
    }

    private Diagnosis diagnosis() {
        Optional<ReadingErrors.Found> error = ReadingErrors.find(readings);
        if (error.isPresent()) return readingError(error.get());
        List<Integer> over = levels.over(bands.overVolts());
        if (!over.isEmpty()) return overcharged(over);
        // far down a difference of voltage is hardly any charge: low together before one low
        boolean deep = levels.greatest() < bands.normalFromVolts();
        List<Integer> dead = levels.dead();
        if (deep && (dead.isEmpty() || levels.sankTogether())) return allLow();
        // where most are empty it is the full one that stands out
        boolean mostAreEmpty = !deep && levels.expectedVolts() < bands.normalFromVolts();
        List<Integer> low = mostAreEmpty ? List.of() : levels.low();
        if (dead.size() > 1 || dead.size() == readings.groupVolts().size()) return dead(dead);
        // a pack that has drifted apart throughout has no single low group
        if (!low.isEmpty()) return levels.standApart(low) ? low(low) : driftedOrGood();
        return readings.outputVolts().isPresent() && isOutputMissing()
                ? boardDead(Sureness.of(2, sum))
                : driftedOrGood();
    }

    private Diagnosis overcharged(List<Integer> over) {
        List<Reason> reasons = new ArrayList<>();
        for (int group : over)
            reasons.add(
                    new Reason(
                            Rule.GROUP_OVERCHARGED,
                            readings.volts(group),
                            bands.overVolts(),
                            "Group " + group));
        addDead(levels.dead(), reasons);
        addDrift(over, reasons);
        int left = addGroupsLeft(over, reasons);
        double margin = 1 + (levels.greatest() - bands.overVolts()) / 0.1;
        return end(
                Signature.OVERCHARGED_GROUP,
                over,
                left > 0 ? Advice.HARVEST : Advice.SCRAP,
                Sureness.of(margin, sum),
                reasons);
    }

    private Diagnosis allLow() {
        List<Reason> reasons = new ArrayList<>();
        reasons.add(Reason.of(Rule.ALL_GROUPS_LOW, levels.greatest(), bands.normalFromVolts()));
        addAlike(List.of(), reasons);
        List<Integer> all = where(group -> true);
        if (bands.rescues() && levels.sankTogether())
            reasons.add(Reason.noted(Rule.DEEP_PACK_IS_PROVED, ""));
        double margin = bands.normalFromVolts() / levels.greatest();
        return repairable(
                Signature.ALL_LOW, all, all, Sureness.of(1 + 3 * (margin - 1), sum), reasons);
    }

    private Diagnosis dead(List<Integer> dead) {
        List<Reason> reasons = new ArrayList<>();
        addDead(dead, reasons);
        int left = addGroupsLeft(dead, reasons);
        double worst = dead.stream().mapToDouble(readings::volts).max().orElse(0);
        return end(
                Signature.DEAD_GROUPS,
                dead,
                2 * left >= readings.groupVolts().size() ? Advice.HARVEST : Advice.SCRAP,
                Sureness.of(2 - worst / repair.deadVolts(), sum),
                reasons);
    }

    private Diagnosis low(List<Integer> low) {
        double limit = GroupLevels.lowVolts(readings.chemistry(), repair);
        double expected = levels.expectedVolts();
        List<Reason> reasons = new ArrayList<>();
        double deepest = 0;
        for (int group : low) {
            double under = expected - readings.volts(group);
            deepest = Math.max(deepest, under);
            reasons.add(new Reason(Rule.GROUP_LOW, under, limit, "Group " + group));
        }
        addAlike(low, reasons);
        addCharger("since the others are full before the low one", reasons);
        addGroupsLeft(low, reasons);
        return repairable(
                Signature.LOW_GROUP, low, low, Sureness.of(deepest / limit, sum), reasons);
    }

    private Diagnosis driftedOrGood() {
        double alike = GroupLevels.alikeVolts(readings.chemistry());
        double spread = levels.spread(List.of());
        boolean drifts = readings.signs().contains(WarningSign.NO_BALANCE_LEADS);
        // without balance leads drift is what is to be expected, and less of it tells
        double limit = drifts ? alike / 2 : alike;
        List<Reason> reasons = new ArrayList<>();
        if (!levels.areAlike(List.of(), limit)) {
            addDrift(List.of(), reasons);
            List<Integer> under = levels.under();
            return repairable(
                    Signature.DRIFTED, under, under, Sureness.of(spread / limit, sum), reasons);
        }
        double mean = readings.sum() / readings.groupVolts().size();
        double doubt = readings.chemistry() == Chemistry.LFP ? METER_VOLTS : 0;
        double charge = RestCurve.of(readings.chemistry()).share(mean + doubt);
        if (readings.signs().contains(WarningSign.CHARGER_REFUSES) && charge < ABOUT_FULL_SHARE)
            return boardDead(Sureness.POSSIBLE);
        addAlike(List.of(), reasons);
        return end(
                Signature.HEALTHY,
                List.of(),
                Advice.USE,
                Sureness.of(1 + 2 * (1 - spread / limit), sum),
                reasons);
    }

    private Diagnosis boardDead(Sureness sureness) {
        List<Reason> reasons = new ArrayList<>();
        readings.outputVolts()
                .ifPresent(output ->
                        reasons.add(
                                new Reason(
                                        Rule.NO_OUTPUT,
                                        output,
                                        readings.sum(),
                                        "the board lets nothing through, the cells are likely good")));
        addCharger("though its groups are good and not full", reasons);
        reasons.add(Reason.noted(Rule.WAKE_BOARD_FIRST, ""));
        addAlike(List.of(), reasons);
        return end(Signature.BOARD_DEAD, List.of(), Advice.HARVEST, sureness, reasons);
    }

    private boolean isOutputMissing() {
        return Math.abs(readings.outputVolts().orElse(0)) < NO_OUTPUT_SHARE * readings.sum();
    }

    /// A finding that charging may put right: by the school, and unless something speaks against
    /// it.
    private Diagnosis repairable(
            Signature signature,
            List<Integer> groups,
            List<Integer> toCharge,
            Sureness sureness,
            List<Reason> reasons) {
        List<Reason> against = Repair.against(readings, signature, toCharge, schools);
        reasons.addAll(against);
        boolean onlySchool =
                against.stream().allMatch(reason -> reason.rule() == Rule.SCHOOL_HARVESTS);
        boolean nothingLeft =
                !onlySchool
                        && where(group -> readings.volts(group) >= bands.recoveryFloorVolts())
                                .isEmpty();
        Advice advice =
                against.isEmpty() ? Advice.REPAIR : nothingLeft ? Advice.SCRAP : Advice.HARVEST;
        return end(signature, groups, advice, sureness, reasons);
    }

    private Diagnosis end(
            Signature signature,
            List<Integer> groups,
            Advice advice,
            Sureness sureness,
            List<Reason> reasons) {
        List<Reason> all = new ArrayList<>(reasons);
        all.add(
                readings.packVolts().isPresent()
                        ? new Reason(
                                Rule.SUM_AGREES,
                                readings.sum(),
                                readings.packVolts().getAsDouble(),
                                Quantity.VOLTAGE.text(
                                        ReadingErrors.tolerance(readings.packVolts().getAsDouble()),
                                        2))
                        : Reason.of(Rule.SUM_UNCHECKED, readings.sum(), Double.NaN));
        // a swollen or wet pack is not put back into use, whatever it reads
        Optional<Reason> sign = Repair.forbiddingSign(readings);
        if (sign.isPresent() && !all.contains(sign.get())) all.add(sign.get());
        Advice safe = advice == Advice.USE && sign.isPresent() ? Advice.HARVEST : advice;
        return new Diagnosis(signature, groups, safe, sureness, all);
    }

    private void addAlike(List<Integer> without, List<Reason> reasons) {
        if (readings.groupVolts().size() - without.size() < 2) return;
        double spread = levels.spread(without);
        double alike = GroupLevels.alikeVolts(readings.chemistry());
        String which = without.isEmpty() ? "The groups" : "The others";
        if (levels.areAlike(without, alike))
            reasons.add(new Reason(Rule.GROUPS_ALIKE, spread, alike, which));
        else
            reasons.add(
                    new Reason(
                            Rule.GROUPS_DRIFTED,
                            spread,
                            alike,
                            without.isEmpty()
                                    ? "so far down that is little charge"
                                    : "the others are not alike either"));
    }

    private void addDead(List<Integer> dead, List<Reason> reasons) {
        for (int group : dead)
            reasons.add(
                    new Reason(
                            Rule.GROUP_DEAD,
                            readings.volts(group),
                            repair.deadVolts(),
                            "Group " + group));
    }

    private void addDrift(List<Integer> without, List<Reason> reasons) {
        double spread = levels.spread(without);
        double alike = GroupLevels.alikeVolts(readings.chemistry());
        boolean noLeads = readings.signs().contains(WarningSign.NO_BALANCE_LEADS);
        if (without.isEmpty() && spread > 0)
            reasons.add(
                    new Reason(
                            Rule.GROUPS_DRIFTED,
                            spread,
                            noLeads ? alike / 2 : alike,
                            noLeads
                                    ? "charged without balance leads"
                                    : "its balancing does not keep up, or is missing"));
        else if (noLeads) reasons.add(Reason.noted(Rule.DRIFTS_AGAIN, ""));
    }

    private void addCharger(String note, List<Reason> reasons) {
        if (readings.signs().contains(WarningSign.CHARGER_REFUSES))
            reasons.add(Reason.noted(Rule.CHARGER_REFUSES, note));
    }

    private int addGroupsLeft(List<Integer> bad, List<Reason> reasons) {
        List<Integer> good =
                where(group ->
                        !bad.contains(group)
                                && readings.volts(group) >= bands.recoveryFloorVolts());
        if (!good.isEmpty())
            reasons.add(
                    new Reason(
                            Rule.GROUPS_LEFT,
                            good.size(),
                            readings.groupVolts().size(),
                            Count.groups(good)));
        return good.size();
    }

    private List<Integer> where(java.util.function.IntPredicate group) {
        return java.util.stream.IntStream.rangeClosed(1, readings.groupVolts().size())
                .filter(group)
                .boxed()
                .toList();
    }
}
