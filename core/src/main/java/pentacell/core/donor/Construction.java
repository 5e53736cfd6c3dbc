package pentacell.core.donor;

/// How a donor is put together, which decides how it is opened.
public enum Construction {
    /// Laptop and tablet packs: a flat plastic shell, glued or clicked.
    GLUED_SHELL("glued plastic shell"),
    /// Tool packs: a screwed housing with a contact block.
    SCREWED_HOUSING("screwed tool housing"),
    /// Light-vehicle modules: long strings in holders, nickel on both faces.
    VEHICLE_MODULE("light-vehicle module"),
    /// Storage and lamp modules: cells or blocks with bolted bars.
    BOLTED_MODULE("bolted module"),
    /// Thin devices: foil bags instead of cans, which is not this trade.
    POUCH_CELLS("pouch cells");

    private final String words;

    Construction(String words) {
        this.words = words;
    }

    /// The construction in words.
    public String words() {
        return words;
    }
}
