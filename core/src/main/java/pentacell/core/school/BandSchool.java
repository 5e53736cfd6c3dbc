package pentacell.core.school;

import java.util.List;
import java.util.function.Predicate;
import pentacell.core.cell.Chemistry;

/// A school of judging by first voltage: bands from low to high, each with its verdict.
///
/// @param name name of the school
/// @param chemistry the chemistry it is for
/// @param bands bands in rising order, the first from −∞
/// @param overVolts voltage above which a cell was overcharged, in V
public record BandSchool(String name, Chemistry chemistry, List<Band> bands, double overVolts) {
    /// The usual school for the 4.2 V class (common practice). Care below 2.5 V because copper
    /// dissolves at deep discharge and can short the cell later; readings up to 4.25 V are within a
    /// meter's error of a full cell.
    public static final BandSchool USUAL_NMC =
            new BandSchool(
                    "usual school",
                    Chemistry.NMC,
                    List.of(
                            new Band(0.0, IntakeVerdict.RECYCLE),
                            new Band(1.8, IntakeVerdict.SLOW_CHARGE_WATCHED),
                            new Band(2.5, IntakeVerdict.SLOW_CHARGE),
                            new Band(3.0, IntakeVerdict.NORMAL)),
                    4.25);

    /// The strict school for the 4.2 V class: what was ever under 2.8 V goes (common practice).
    public static final BandSchool STRICT_NMC =
            new BandSchool(
                    "strict school",
                    Chemistry.NMC,
                    List.of(
                            new Band(0.0, IntakeVerdict.RECYCLE),
                            new Band(2.8, IntakeVerdict.SLOW_CHARGE),
                            new Band(3.0, IntakeVerdict.NORMAL)),
                    4.25);

    /// The rescue school for the 4.2 V class: what is over 1.0 V gets a chance (common practice).
    public static final BandSchool RESCUE_NMC =
            new BandSchool(
                    "rescue school",
                    Chemistry.NMC,
                    List.of(
                            new Band(0.0, IntakeVerdict.RECYCLE),
                            new Band(1.0, IntakeVerdict.SLOW_CHARGE_WATCHED),
                            new Band(1.8, IntakeVerdict.SLOW_CHARGE),
                            new Band(2.8, IntakeVerdict.NORMAL)),
                    4.25);

    /// The usual school for LFP, by its lower rest and cut-off voltages (common practice).
    public static final BandSchool USUAL_LFP =
            new BandSchool(
                    "usual school, LFP",
                    Chemistry.LFP,
                    List.of(
                            new Band(0.0, IntakeVerdict.RECYCLE),
                            new Band(1.5, IntakeVerdict.SLOW_CHARGE_WATCHED),
                            new Band(2.0, IntakeVerdict.SLOW_CHARGE),
                            new Band(2.5, IntakeVerdict.NORMAL)),
                    3.65);

    /// The strict school for LFP (common practice).
    public static final BandSchool STRICT_LFP =
            new BandSchool(
                    "strict school, LFP",
                    Chemistry.LFP,
                    List.of(
                            new Band(0.0, IntakeVerdict.RECYCLE),
                            new Band(2.0, IntakeVerdict.SLOW_CHARGE),
                            new Band(2.5, IntakeVerdict.NORMAL)),
                    3.65);

    /// The rescue school for LFP (common practice).
    public static final BandSchool RESCUE_LFP =
            new BandSchool(
                    "rescue school, LFP",
                    Chemistry.LFP,
                    List.of(
                            new Band(0.0, IntakeVerdict.RECYCLE),
                            new Band(1.0, IntakeVerdict.SLOW_CHARGE_WATCHED),
                            new Band(1.5, IntakeVerdict.SLOW_CHARGE),
                            new Band(2.3, IntakeVerdict.NORMAL)),
                    3.65);

    public BandSchool {
        bands = List.copyOf(bands);
        for (int i = 1; i < bands.size(); i++)
            if (!(bands.get(i).fromVolts() > bands.get(i - 1).fromVolts()))
                throw new IllegalArgumentException("voltage bands must rise, were " + bands);
        if (name.isBlank() || name.length() > 40)
            throw new IllegalArgumentException("a school has a name of 1 to 40 characters");
        if (bands.isEmpty()
                || !(overVolts > bands.get(bands.size() - 1).fromVolts() && overVolts < 5))
            throw new IllegalArgumentException(
                    "the highest band must end above its beginning and under 5 V");
    }

    /// The schools that come with the program for a chemistry: strict, usual, rescue.
    public static List<BandSchool> shipped(Chemistry chemistry) {
        return switch (chemistry) {
            case NMC -> List.of(STRICT_NMC, USUAL_NMC, RESCUE_NMC);
            case LFP -> List.of(STRICT_LFP, USUAL_LFP, RESCUE_LFP);
        };
    }

    /// The usual school of a chemistry, which is the default: it neither throws away what mostly
    /// turns out good nor trusts copper that has been dissolved.
    public static BandSchool usual(Chemistry chemistry) {
        return switch (chemistry) {
            case NMC -> USUAL_NMC;
            case LFP -> USUAL_LFP;
        };
    }

    /// A voltage band.
    ///
    /// @param fromVolts where it begins, in V; it ends where the next begins
    /// @param verdict what a cell in it gets
    public record Band(double fromVolts, IntakeVerdict verdict) {}

    /// The band a voltage from 0 V up to [#overVolts()] lies in.
    public Band bandOf(double volts) {
        return bands.get(bandIndex(volts));
    }

    /// The index of the band a voltage lies in; the first for anything under it.
    public int bandIndex(double volts) {
        int found = 0;
        for (int i = 1; i < bands.size(); i++) if (volts >= bands.get(i).fromVolts()) found = i;
        return found;
    }

    /// The lowest voltage from which a cell still goes on to the test bench, in V.
    public double recoveryFloorVolts() {
        return lowest(IntakeVerdict::goesOn);
    }

    /// The lowest voltage from which a cell is tested as usual, in V: where a slow charge ends.
    public double normalFromVolts() {
        return lowest(verdict -> verdict == IntakeVerdict.NORMAL);
    }

    private double lowest(Predicate<IntakeVerdict> wanted) {
        return bands.stream()
                .filter(band -> wanted.test(band.verdict()))
                .mapToDouble(Band::fromVolts)
                .findFirst()
                .orElse(overVolts);
    }

    /// Whether the school tries what was deeply discharged.
    public boolean rescues() {
        return bands.stream().anyMatch(band -> band.verdict() == IntakeVerdict.SLOW_CHARGE_WATCHED);
    }

    /// The same bands under another name, to be edited.
    public BandSchool copy(String newName) {
        return new BandSchool(newName, chemistry, bands, overVolts);
    }
}
