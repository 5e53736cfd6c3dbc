package pentacell.core.prove.facts;

import java.util.OptionalDouble;

/// What went through the whole system in a run; what is not known is empty.
///
/// @param wattHoursOfPack given by the pack, in Wh
/// @param wattHoursOut arrived behind the inverter or at the load, in Wh
/// @param wattHoursBack put back from the supply, in Wh
/// @param kilometres gone with it
public record EnergyRun(
        OptionalDouble wattHoursOfPack,
        OptionalDouble wattHoursOut,
        OptionalDouble wattHoursBack,
        OptionalDouble kilometres) {}
