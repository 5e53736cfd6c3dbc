package pentacell.core.plan.facts;

import java.util.Locale;
import java.util.Optional;

/// A part of a pack, as it is bought.
public enum Part {
    CELL("cells", "piece"),
    HOLDER("holder places, both ends", "piece"),
    STRIP("strip", "m"),
    CELL_FUSE("cell fuses", "piece"),
    BOARD("protection board", "piece"),
    BALANCE_WIRE("balance wire", "m"),
    LEAD("leads", "m"),
    LUG("lugs", "piece"),
    MAIN_FUSE("main fuse with its holder", "piece"),
    CONNECTOR("connector", "piece"),
    RING("ring insulators", "piece"),
    PAPER("insulating paper", "m²"),
    SLEEVE("sleeve", "m"),
    BOX("box", "piece"),
    CHARGER("charger", "piece");

    private final String words;
    private final String unit;

    Part(String words, String unit) {
        this.words = words;
        this.unit = unit;
    }

    /// What it is called at the bench.
    public String words() {
        return words;
    }

    /// What it is counted in.
    public String unit() {
        return unit;
    }

    /// The name used in files.
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// A part by its name in files, or by what it is called.
    public static Optional<Part> parse(String text) {
        String plain = text.strip().toLowerCase(Locale.ROOT);
        for (Part part : values())
            if (part.code().equals(plain) || part.words.equals(plain)) return Optional.of(part);
        return Optional.empty();
    }
}
