package pentacell.instruments.simulated;

/// What a slot of a stand-in is in truth.
///
/// @param gain what it shows of a current, 1 when it is right
/// @param contactOhms resistance of its contacts, seen as the cell's, in Ω
/// @param noiseVolts standard deviation of its voltage, in V
/// @param noiseAmps standard deviation of its current, in A
public record SlotTruth(double gain, double contactOhms, double noiseVolts, double noiseAmps) {
    /// A good slot.
    public static final SlotTruth GOOD = new SlotTruth(1, 0, 0.0001, 0.0002);
}
