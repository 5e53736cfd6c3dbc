package pentacell.workshop.logbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.lang.reflect.RecordComponent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.Chapters;
import pentacell.core.Kinds;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.cell.TestConditions;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;

/// Facts as rows of the journal, and back.
final class FactCodecTest {
    private static final CellId A = new CellId("HB03-07");

    @ParameterizedTest
    @MethodSource("pentacell.workshop.logbook.SampleFacts#everyKindOfFact")
    void everyFactIsReadBackAsItWasWritten(Fact fact) {
        FactCodec codec = new FactCodec(Chapters.ALL);
        assertEquals(fact, codec.fact(codec.kind(fact), codec.body(fact)));
    }

    /// Every record of every sealed family is in the list above, has its line in the handbook of
    /// the file, and keeps its kind.
    @Test
    void everyFamilyIsWrittenReadAndDescribedWhole() throws IOException {
        FactKinds kinds = new FactKinds(Chapters.ALL);
        Set<String> tried =
                SampleFacts.everyKindOfFact()
                        .map(kinds::of)
                        .collect(Collectors.toCollection(TreeSet::new));
        assertEquals(new TreeSet<>(kinds.all().keySet()), tried);
        String handbook = Files.readString(Path.of("../docs/file-format.md"));
        for (String kind : kinds.all().keySet())
            assertTrue(handbook.contains("`" + kind + "`"), kind + " is not in file-format.md");
        Set<String> described = new TreeSet<>();
        Pattern.compile("(?m)^\\| ((?:`[a-z-]+`(?:, )?)+) \\|")
                .matcher(handbook.substring(handbook.indexOf("Kinds and their bodies")))
                .results()
                .flatMap(line -> Arrays.stream(line.group(1).split(", ")))
                .forEach(kind -> described.add(kind.replace("`", "")));
        described.removeIf(kind -> kinds.type(kind).isPresent());
        assertEquals(Set.of(), described, "kinds that files have and the program lost");
    }

    /// The handbook names every part of a fact and, where a part is an enum, each of its constants.
    @Test
    void everyPartOfAFactIsDescribed() throws IOException {
        String handbook = Files.readString(Path.of("../docs/file-format.md"));
        List<String> missing = new ArrayList<>();
        new FactKinds(Chapters.ALL)
                .all()
                .forEach((kind, type) -> {
                    String line =
                            handbook.lines()
                                    .filter(each -> each.startsWith("| `"))
                                    .filter(each -> each.contains("`" + kind + "`"))
                                    .findFirst()
                                    .orElse("");
                    for (RecordComponent part : type.getRecordComponents()) {
                        if (!line.contains(part.getName()))
                            missing.add(kind + ": " + part.getName());
                        if (part.getType().isEnum())
                            for (Object each : part.getType().getEnumConstants())
                                if (!line.contains(((Enum<?>) each).name()))
                                    missing.add(kind + ": " + each);
                    }
                });
        assertEquals(List.of(), missing);
    }

    @Test
    void everyKindBelongsToAChapter() {
        assertEquals(
                new TreeSet<>(Kinds.ALL.values()),
                new TreeSet<>(new FactKinds(Chapters.ALL).all().keySet()));
        assertEquals(Kinds.ALL.size(), new TreeSet<>(Kinds.ALL.values()).size(), "no kind twice");
    }

    /// A chapter from outside brings the kinds of its facts; without them nothing of it is written.
    @Test
    void aChapterWithoutKindsIsRefused() {
        assertThrows(
                IllegalArgumentException.class,
                () -> new FactKinds(List.of(Cells.CHAPTER)),
                "the bare chapter, without the program's table");
    }

    @Test
    void aFactOfNoChapterIsNotWritten() {
        record Rumour(String words) implements Fact {}
        Rumour rumour = new Rumour("heard at the gate");
        FactCodec codec = new FactCodec(Chapters.ALL);
        assertThrows(IllegalArgumentException.class, () -> codec.kind(rumour));
        assertThrows(
                IllegalArgumentException.class,
                () -> codec.body(new Amendment.EntryCorrected(3, rumour)));
    }

    @Test
    void aDonorFromBeforeItHadALabelIsStillRead() {
        // as file format 1 wrote it
        String body =
                """
                {"donor":{"code":"HB03","kind":"module","cellModel":"Halvorn HX26","note":"8S2P"}}\
                """;
        assertEquals(
                new DonorFact.DonorAdded(Donor.of("HB03", "module", "Halvorn HX26", "8S2P")),
                new FactCodec(Chapters.ALL).fact("donor-added", body));
    }

    /// Bodies as earlier formats wrote them are read as before.
    @Test
    void bodiesOfEarlierFormatsAreRead() {
        FactCodec codec = new FactCodec(Chapters.ALL);
        assertEquals(
                new Amendment.EntryStruck(3, "a shadow"),
                codec.fact(
                        "entry-struck",
                        "{\"sequence\":3,\"cell\":\"A-1\",\"reason\":\"a shadow\"}"));
        assertEquals(
                new CellFact.ResistanceRead(A, 56.2, CellFact.ResistanceMethod.DC),
                codec.fact(
                        "resistance-read",
                        "{\"cell\":\"%s\",\"milliohms\":56.2,\"method\":\"DC\"}"
                                .formatted(A.text())));
        assertEquals(
                new CellFact.CapacityMeasured(A, 2143, TestConditions.of(4.2, 1, 3.0)),
                codec.fact(
                        "capacity-measured",
                        "{\"cell\":\"%s\",\"milliampHours\":2143,\"conditions\":{\"chargeEndVolts\":4.2,\"dischargeAmps\":1.0,\"endVolts\":3.0}}"
                                .formatted(A.text())));
    }

    /// A fact that lost something is refused by name; what is missing never becomes 0.
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "voltage-read | {'cell':'A-1'} | voltage-read: volts is missing",
                "voltage-read | {'cell':'A-1','volts':null} | voltage-read: volts is missing",
                "voltage-read | {'cell':'A-1','volts':'3.7'} | voltage-read: volts is \"3.7\", not a number",
                "voltage-read | {'cell':'A-1','volts':1e999} | voltage-read: volts is \"Infinity\", not a number",
                "voltage-read | {'volts':3.7} | voltage-read: cell is missing",
                "voltage-read | {'cell':7,'volts':3.7} | voltage-read: cell is 7, not a text",
                "voltage-read | [3.7] | voltage-read: it is no JSON object",
                "voltage-read | {'cell':'A-1','volts' | voltage-read: what it says is not JSON",
                "voltage-read | | voltage-read: it is no JSON object",
                "resistance-read | {'cell':'A-1','milliohms':56} | resistance-read: method is missing",
                "resistance-read | {'cell':'A-1','milliohms':56,'method':'BY_EAR'} | resistance-read: method is \"BY_EAR\", which this program does not know",
                "cell-placed | {'cell':'A-1'} | cell-placed: place is missing",
                "cell-placed | {'cell':'A-1','place':'shelf'} | cell-placed: place is \"shelf\", which this program does not know",
                "tray-added | {'tray':{'name':'T1','rows':8}} | tray-added: columns is missing",
                "tray-added | {'tray':{'name':'T1','rows':8,'columns':1.5}} | tray-added: columns is 1.5, not a whole number",
                "groups-read | {'donor':'LD08','groupVolts':{'one':3.9}} | groups-read: groupVolts is \"one\", which this program does not know",
                "signs-seen | {'donor':'LD08','signs':'WET'} | signs-seen: signs is \"WET\", not a list",
                "entry-struck | {'sequence':'3','reason':'x'} | entry-struck: sequence is \"3\", not a whole number",
                "entry-corrected | {'sequence':3} | entry-corrected: replacement is missing",
                "entry-corrected | {'sequence':3,'replacement':{'kind':'voltage-read','body':{'cell':'A-1'}}} | entry-corrected: voltage-read: volts is missing",
                "weather-seen | {} | kind \"weather-seen\" is not known",
            })
    void anIncompleteFactIsRefusedByName(String kind, @Nullable String body, String message) {
        FactCodec codec = new FactCodec(Chapters.ALL);
        String json = body == null ? "" : body.replace('\'', '"');
        assertEquals(
                message,
                assertThrows(UnreadableFactException.class, () -> codec.fact(kind, json))
                        .getMessage());
    }
}
