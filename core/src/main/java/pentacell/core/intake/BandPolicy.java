package pentacell.core.intake;

import java.util.List;
import pentacell.core.cell.Chemistry;

/// A school of judging by first voltage: bands from low to high, each with its verdict.
///
/// @param name name of the school
/// @param chemistry the chemistry it is for
/// @param bands bands in rising order, the first from −∞
/// @param overVolts voltage above which a cell was overcharged, in V
public record BandPolicy(String name, Chemistry chemistry, List<Band> bands, double overVolts) {
    /// The usual school for the 4.2 V class (common practice). Care below 2.5 V because copper
    /// dissolves at deep discharge and can short the cell later; readings up to 4.25 V are within a
    /// meter's error of a full cell.
    public static final BandPolicy USUAL_NMC =
            new BandPolicy(
                    "usual school",
                    Chemistry.NMC,
                    List.of(
                            new Band(0.0, IntakeVerdict.RECYCLE),
                            new Band(1.8, IntakeVerdict.SLOW_CHARGE_WATCHED),
                            new Band(2.5, IntakeVerdict.SLOW_CHARGE),
                            new Band(3.0, IntakeVerdict.NORMAL)),
                    4.25);

    /// The usual school for LFP, by its lower rest and cut-off voltages (common practice).
    public static final BandPolicy USUAL_LFP =
            new BandPolicy(
                    "usual school, LFP",
                    Chemistry.LFP,
                    List.of(
                            new Band(0.0, IntakeVerdict.RECYCLE),
                            new Band(1.5, IntakeVerdict.SLOW_CHARGE_WATCHED),
                            new Band(2.0, IntakeVerdict.SLOW_CHARGE),
                            new Band(2.5, IntakeVerdict.NORMAL)),
                    3.70);

    public BandPolicy {
        bands = List.copyOf(bands);
        for (int i = 1; i < bands.size(); i++)
            if (!(bands.get(i).fromVolts() > bands.get(i - 1).fromVolts()))
                throw new IllegalArgumentException("voltage bands must rise, were " + bands);
        if (bands.isEmpty() || !(overVolts > bands.get(bands.size() - 1).fromVolts()))
            throw new IllegalArgumentException("the highest band must end above its beginning");
    }

    /// The usual school of a chemistry.
    public static BandPolicy usual(Chemistry chemistry) {
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
    Band bandOf(double volts) {
        Band found = bands.get(0);
        for (Band band : bands) if (volts >= band.fromVolts()) found = band;
        return found;
    }
}
