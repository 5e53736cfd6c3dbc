package pentacell.core.service;

import java.util.OptionalInt;
import pentacell.core.service.facts.Trouble;

/// Something unusual about a group in a history. [ServiceFindingWords] has the words.
public sealed interface Finding {
    /// The group, from 0.
    int group();

    /// 0 to 1: how far the effect exceeds what is still normal.
    double sure();

    /// A share of the capacity is gone.
    ///
    /// @param cells how many do not take part
    /// @param parallel cells in the group
    /// @param capacityShare what is left, 0 to 1
    /// @param strayMillivolts how far it is below the others at the lowest; NaN where that says
    ///   nothing
    record CellsOff(
            int group,
            int cells,
            int parallel,
            double capacityShare,
            double strayMillivolts,
            ShownBy shownBy,
            double sure)
            implements Finding {}

    /// What shows that a group holds less.
    enum ShownBy {
        /// How its voltage runs against the others.
        ITS_RUN,
        /// It falls below all that the others ever show.
        FALLING_BELOW_ALL,
        /// It is the first to be full and the first to be low.
        BEING_FIRST_AT_BOTH_ENDS
    }

    /// It loses charge by itself.
    ///
    /// @param ampHoursADay in Ah, above 0
    /// @param daysToTenPercent days in which a tenth of the charge that is used is lost
    /// @param from what tells how much
    record SelfDischarge(
            int group, double ampHoursADay, double daysToTenPercent, LossFrom from, double sure)
            implements Finding {
        /// In mA.
        public double milliamps() {
            return 1000 * ampHoursADay / 24;
        }
    }

    /// What tells how much a group loses.
    enum LossFrom {
        /// How its voltage drifts from the others.
        VOLTAGE,
        /// How much earlier each day it shows what the others show, by the counted charge.
        COUNTED_CHARGE,
        /// Its voltage, on the flat run of LFP in a log that does not tell the charge.
        FLAT_VOLTAGE
    }

    /// It gains on the others, which feed something that it does not.
    ///
    /// @param ampHoursADay in Ah, above 0
    record Gain(int group, double ampHoursADay, double sure) implements Finding {
        /// In mA.
        public double milliamps() {
            return 1000 * ampHoursADay / 24;
        }
    }

    /// Neighbours lose alike: something is fed from them alone.
    ///
    /// @param throughGroup the last of them, from 0
    /// @param milliamps each loses
    record Tap(int group, int throughGroup, double milliamps, double sure) implements Finding {}

    /// It drops more than the others under load.
    ///
    /// @param milliohms more
    record MoreResistance(int group, double milliohms, double sure) implements Finding {}

    /// It is read wrongly.
    ///
    /// @param offsetMillivolts too high, or below 0 too low
    record Misread(int group, double offsetMillivolts, double sure) implements Finding {}

    /// Its cause, as it is named in files and set aside.
    default Trouble cause() {
        return switch (this) {
            case CellsOff off -> Trouble.CELLS_OFF;
            case SelfDischarge loss -> Trouble.SELF_DISCHARGE;
            case Gain gain -> Trouble.UNEVEN_LOAD;
            case Tap tap -> Trouble.UNEVEN_LOAD;
            case MoreResistance more -> Trouble.RESISTANCE;
            case Misread misread -> Trouble.MISREAD;
        };
    }

    /// How many cells do not take part, where that is the cause.
    default OptionalInt cellsOff() {
        return this instanceof CellsOff off ? OptionalInt.of(off.cells()) : OptionalInt.empty();
    }
}
