package pentacell.reports;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import pentacell.core.build.PackToBuild;
import pentacell.core.prove.LoadTest;
import pentacell.core.unit.Quantity;

/// The plate that a pack carries.
///
/// @param name of the pack
/// @param lines what stands under it, the most important first
/// @param warning what stands at its foot
public record NamePlate(String name, List<String> lines, String warning) {
    private static final float POINTS_A_MILLIMETRE = 72f / 25.4f;
    private static final String SALVAGED =
            "Salvaged cells. Charge only as stated above, and not unwatched.";
    private static final float LEAST_TYPE = 3.5f;

    public NamePlate {
        lines = List.copyOf(lines);
    }

    /// What the plate of a pack says.
    ///
    /// @param measured its last load test; what its cells let expect where there is none
    /// @param builder who built it; empty for nobody named
    /// @param wording a line of one's own; empty for none
    /// @param date the day, in words
    public static NamePlate of(
            PackToBuild pack,
            Optional<LoadTest> measured,
            String builder,
            String wording,
            String date) {
        List<String> lines = new ArrayList<>(figures(pack, measured));
        lines.add(builder.isBlank() ? date : date + " · " + builder.strip());
        if (!wording.isBlank()) lines.add(wording.strip());
        return new NamePlate(pack.pack().name(), lines, SALVAGED);
    }

    /// The figures of a pack as its plate has them, the most important first.
    ///
    /// @param measured its last load test; what its cells let expect where there is none
    static List<String> figures(PackToBuild pack, Optional<LoadTest> measured) {
        int series = pack.groups().size();
        double nominal = series * pack.chemistry().nominalVolts();
        String full = Quantity.VOLTAGE.text(series * pack.chemistry().chargeLimitVolts(), 1);
        OptionalDouble charger = pack.chargerAmps();
        List<String> lines = new ArrayList<>();
        lines.add(
                "%s · %s · %s · %s"
                        .formatted(
                                pack.pack().rules().arrangement(),
                                Quantity.VOLTAGE.text(nominal, 1),
                                Quantity.CHARGE.text(
                                        measured.map(LoadTest::ampHours)
                                                .orElseGet(pack::leastAmpHours),
                                        1),
                                Quantity.ENERGY.text(
                                                measured.map(LoadTest::wattHours)
                                                        .orElseGet(() ->
                                                                nominal * pack.leastAmpHours()),
                                                0)
                                        + (measured.isPresent() ? " measured" : "")));
        lines.add(
                "%s · full %s, empty %s"
                        .formatted(
                                pack.chemistry().words(),
                                full,
                                Quantity.VOLTAGE.text(pack.wires().emptyVolts(), 1)));
        lines.add(
                "steady %s, fuse %s, charge to %s%s"
                        .formatted(
                                Quantity.CURRENT.text(pack.wires().steadyAmps(), 1),
                                Quantity.CURRENT.text(pack.wires().mainFuseAmps(), 0),
                                full,
                                charger.isPresent()
                                        ? " at up to "
                                                + Quantity.CURRENT.text(charger.getAsDouble(), 1)
                                        : ""));
        return lines;
    }

    /// How large it is.
    public enum Size {
        LARGE(105, 74),
        MEDIUM(90, 50),
        SMALL(62, 29);

        private final int widthMillimetres;
        private final int heightMillimetres;

        Size(int widthMillimetres, int heightMillimetres) {
            this.widthMillimetres = widthMillimetres;
            this.heightMillimetres = heightMillimetres;
        }

        /// In words.
        public String words() {
            return widthMillimetres + " × " + heightMillimetres + " mm";
        }
    }

    /// As PDF, in its own size.
    public byte[] pdf(Size size) throws IOException {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.getDocumentInformation().setTitle("Name plate of " + name);
            PDFont regular = Fonts.regular(document);
            PDFont bold = Fonts.bold(document);
            float width = size.widthMillimetres * POINTS_A_MILLIMETRE;
            float height = size.heightMillimetres * POINTS_A_MILLIMETRE;
            try (Sheet sheet = new Sheet(document, new PDRectangle(width, height))) {
                float border = 0.05f * height + 3;
                new PdfPlate(sheet, regular, bold)
                        .frame(1, border / 2, border / 2, width - border, height - border);
                float room = width - 2 * border - 4;
                float left = border + 2;
                float head = height * 0.13f;
                sheet.textWithin(bold, head, 5, left, border + head * 0.85f, room, name);
                // what is left of the height is shared by the lines and the warning
                float from = border + head * 1.15f;
                float step = (height - border - from) / (lines.size() + 1);
                float type =
                        typeWithin(
                                sheet, regular, bold, Math.min(step * 0.78f, head * 0.75f), room);
                for (int i = 0; i < lines.size(); i++)
                    sheet.textWithin(
                            i == 0 ? bold : regular,
                            type,
                            3,
                            left,
                            from + (i + 0.8f) * step,
                            room,
                            lines.get(i));
                sheet.rule(left, left + room, from + lines.size() * step + 0.08f * step, 0.6f);
                sheet.textWithin(
                        bold, type, 3, left, from + (lines.size() + 0.8f) * step, room, warning);
            }
            document.save(out);
            return out.toByteArray();
        }
    }

    /// The type in which every line and the warning fit, no smaller than can be read.
    private float typeWithin(Sheet sheet, PDFont regular, PDFont bold, float wanted, float room)
            throws IOException {
        float widest = sheet.widthOf(bold, wanted, warning);
        for (int i = 0; i < lines.size(); i++)
            widest = Math.max(widest, sheet.widthOf(i == 0 ? bold : regular, wanted, lines.get(i)));
        return Math.max(LEAST_TYPE, wanted * Math.min(1, room / widest));
    }
}
