package pentacell.core.plan;

/// What is looked at before a pack is built, in the order it is.
public enum Check {
    HIGH_TRIP("Full against the device"),
    LOW_TRIP("Left inside"),
    STEADY_CURRENT("Current of a cell, steady"),
    PEAK_CURRENT("Current of a cell, peak"),
    SURGE("Starting surge"),
    HOURS("Hours"),
    KILOMETRES("Distance"),
    BOX("Box"),
    CELLS("Cells there are"),
    BOARD_SERIES("Board: groups"),
    BOARD_CHEMISTRY("Board: chemistry"),
    BOARD_BALANCE("Board: balance leads"),
    BOARD_CONTINUOUS("Board: steady current"),
    BOARD_PEAK("Board: peak current"),
    BOARD_EVENING("Board: balancing"),
    BOARD_PROBE("Board: temperature"),
    BOARD_PORT("Board: charge port"),
    CHARGER_VOLTS("Charger: voltage"),
    CHARGER_AMPS("Charger: current"),
    CHARGER_SUPPLY("Charger: its supply"),
    CHARGE_HOURS("Charge time"),
    STRIP("Strip from group to group"),
    LEADS("Leads"),
    LEAD_DROP("Drop in the leads"),
    MAIN_FUSE("Main fuse"),
    CELL_FUSE("Cell fuse"),
    CONNECTOR("Connector"),
    TOUCH_VOLTAGE("Touch voltage"),
    COLD("Cold");

    private final String words;

    Check(String words) {
        this.words = words;
    }

    /// What it is called at the bench.
    public String words() {
        return words;
    }
}
