package pentacell.workshop.logbook;

import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import pentacell.core.measure.SampleLog;

/// What the samples of a run were when it ended: how many, and a digest of them. The act that ends
/// a run keeps it and takes it into its own digest, so a curve is as much in the chain as a fact.
///
/// SHA-256 over the samples, each as four numbers of eight bytes, highest first: time in µs,
/// voltage in µV, current in µA, temperature in hundredths of a °C (−100,000 for none).
///
/// @param run name of the run
/// @param samples how many it had
/// @param digest of them, in hexadecimal digits
record CurveSeal(String run, int samples, String digest) {
    private static final Pattern LINE = Pattern.compile("(\\d{1,10}) ([0-9a-f]{64}) (.+)");

    /// The seal of a run.
    static CurveSeal of(String run, SampleLog log) {
        return of(run, log, log.size());
    }

    private static CurveSeal of(String run, SampleLog log, int samples) {
        MessageDigest digest;
        try {
            digest = MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException never) {
            throw new IllegalStateException(never);
        }
        ByteBuffer row = ByteBuffer.allocate(4 * Long.BYTES);
        for (int i = 0; i < samples; i++) {
            row.clear();
            row.putLong(SampleColumns.microseconds(log, i))
                    .putLong(SampleColumns.microvolts(log, i))
                    .putLong(SampleColumns.microamps(log, i))
                    .putLong(SampleColumns.centicelsius(log, i));
            digest.update(row.flip());
        }
        return new CurveSeal(run, samples, HexFormat.of().formatHex(digest.digest()));
    }

    /// Whether a log begins with the samples that were sealed. What came later does not matter.
    boolean holds(SampleLog log) {
        return log.size() >= samples && of(run, log, samples).equals(this);
    }

    /// As an act keeps them: a line for each run.
    static String text(List<CurveSeal> seals) {
        return seals.stream()
                .map(each -> each.samples() + " " + each.digest() + " " + each.run())
                .collect(Collectors.joining("\n"));
    }

    /// Reads what an act keeps; a line that is none is left out, for the act's own digest tells
    /// that it was changed.
    static List<CurveSeal> parse(String text) {
        List<CurveSeal> seals = new ArrayList<>();
        for (String each : text.split("\n")) {
            Matcher line = LINE.matcher(each);
            if (line.matches() && Long.parseLong(line.group(1)) <= Integer.MAX_VALUE)
                seals.add(
                        new CurveSeal(
                                line.group(3), Integer.parseInt(line.group(1)), line.group(2)));
        }
        return seals;
    }
}
