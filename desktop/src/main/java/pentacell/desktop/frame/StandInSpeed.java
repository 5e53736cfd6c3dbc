package pentacell.desktop.frame;

/// How many times faster than the world's the clocks of stand-ins run; it is remembered.
public final class StandInSpeed {
    private static final String SETTING = "stand-in-speed";
    private static final int USUAL = 600;

    private StandInSpeed() {}

    /// As it was set, else the usual one.
    public static int of(Settings settings) {
        try {
            return settings.get(SETTING).map(Integer::parseInt).orElse(USUAL);
        } catch (NumberFormatException odd) {
            return USUAL;
        }
    }

    /// Sets it.
    public static void set(Settings settings, int times) {
        settings.put(SETTING, String.valueOf(times));
    }
}
