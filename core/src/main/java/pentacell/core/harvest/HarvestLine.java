package pentacell.core.harvest;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.donor.WarningSign;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.Piece;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Limit;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;

/// A line as it is said over a donor: `LD08 3.98 3.52 3.97` (its groups from the pack's negative),
/// `2:3.53` (one group again), `p11.4` (whole pack), `o0` (output), `swollen` and other signs,
/// `12min`.
///
/// Bare numbers go to the groups that were not read yet; when all were, they begin again at group
/// 1.
public final class HarvestLine {
    private static final Pattern GROUP = Pattern.compile("(\\d{1,3})[:=](.+)");
    private static final Pattern PACK = Pattern.compile("[pP]=?([+\\-−]?[\\d.,]+)[vV]?");
    private static final Pattern OUTPUT = Pattern.compile("[oO]=?([+\\-−]?[\\d.,]+)[vV]?");
    private static final Pattern MINUTES = Pattern.compile("(\\d{1,4})min");

    private final String text;
    private final List<Token> tokens;
    private final Optional<DonorRecord> donor;

    private HarvestLine(String text, List<Token> tokens, Optional<DonorRecord> donor) {
        this.text = text.strip();
        this.tokens = tokens;
        this.donor = donor;
    }

    /// What a piece is logged as.
    private enum Kind {
        DONOR,
        GROUP,
        PACK,
        OUTPUT,
        SIGN,
        MINUTES,
        NOT_UNDERSTOOD
    }

    /// A piece of the line.
    ///
    /// @param number group number or minutes; 0 where there is none
    /// @param volts reading in V; NaN where there is none
    /// @param oddity what is odd about it, in a sentence; empty when nothing is
    private record Token(
            String text,
            Kind kind,
            int number,
            double volts,
            Optional<WarningSign> sign,
            String oddity) {
        static Token refused(String text, String why) {
            return new Token(text, Kind.NOT_UNDERSTOOD, 0, Double.NaN, Optional.empty(), why);
        }

        static Token reading(String text, Kind kind, int group, double volts, String oddity) {
            return new Token(text, kind, group, volts, Optional.empty(), oddity);
        }

        Piece piece() {
            Piece.Look look = oddity.isEmpty() ? Piece.Look.PLAIN : Piece.Look.ODD;
            String reading = Quantity.VOLTAGE.text(volts);
            return switch (kind) {
                case DONOR -> new Piece(text, "donor", look);
                case GROUP -> new Piece(reading, "group " + number, look);
                case PACK -> new Piece(reading, "whole pack", look);
                case OUTPUT -> new Piece(reading, "output", look);
                case SIGN -> new Piece(sign.map(WarningSign::words).orElse(text), "sign", look);
                case MINUTES -> new Piece(number + " min", "spent", look);
                case NOT_UNDERSTOOD -> Piece.refused(text);
            };
        }
    }

    /// Reads a line; never fails, what is not understood becomes a piece that says why.
    ///
    /// @param inHand code of the donor that a line without one is about
    public static Line<LineAct> read(String text, WorkshopState state, Optional<String> inHand) {
        return text.isBlank() ? Line.blank() : understood(text, state, inHand).line();
    }

    private static HarvestLine understood(
            String text, WorkshopState state, Optional<String> inHand) {
        String[] words = text.strip().split("[\\s;]+");
        List<Token> tokens = new ArrayList<>();
        Optional<DonorRecord> donor = inHand.flatMap(Donors.of(state)::record);
        int begin = 0;
        if (words.length > 0) {
            Optional<DonorRecord> named =
                    Donors.of(state)
                            .record(words[0])
                            .or(() -> Donors.of(state).record(words[0].toUpperCase(Locale.ROOT)));
            if (named.isPresent()) {
                donor = named;
                tokens.add(Token.reading(words[0], Kind.DONOR, 0, Double.NaN, ""));
                begin = 1;
            }
        }
        int series =
                donor.flatMap(known -> known.donor().arrangement())
                        .map(arrangement -> arrangement.series())
                        .orElse(0);
        int bare = 0;
        for (int i = begin; i < words.length; i++)
            if (NumberText.parse(words[i].replaceFirst("[vV]$", "")).isPresent()) bare++;
        int next = firstGroup(donor, series, bare);
        for (int i = begin; i < words.length; i++) {
            Token token = token(words[i], next, series);
            boolean isBare = token.kind() == Kind.GROUP && words[i].indexOf(':') < 0;
            if (isBare && words[i].indexOf('=') < 0) next++;
            tokens.add(token);
        }
        return new HarvestLine(text, tokens, donor);
    }

    private static int firstGroup(Optional<DonorRecord> donor, int series, int bareNumbers) {
        if (donor.isEmpty()) return 1;
        int read = donor.get().groupVolts().size();
        // a pack of unknown series grows by single readings; several begin anew
        if (series == 0) return bareNumbers == 1 ? read + 1 : 1;
        for (int group = 1; group <= series; group++)
            if (!donor.get().groupVolts().containsKey(group))
                return group - 1 + bareNumbers > series ? 1 : group;
        return 1;
    }

    private static Token token(String word, int nextGroup, int series) {
        Matcher group = GROUP.matcher(word);
        if (group.matches())
            return reading(
                    word, group.group(2), Kind.GROUP, Integer.parseInt(group.group(1)), series);
        Matcher pack = PACK.matcher(word);
        if (pack.matches()) return reading(word, pack.group(1), Kind.PACK, 0, series);
        Matcher output = OUTPUT.matcher(word);
        if (output.matches()) return reading(word, output.group(1), Kind.OUTPUT, 0, series);
        Matcher minutes = MINUTES.matcher(word);
        if (minutes.matches() && Integer.parseInt(minutes.group(1)) > 0)
            return Token.reading(
                    word, Kind.MINUTES, Integer.parseInt(minutes.group(1)), Double.NaN, "");
        for (WarningSign sign : WarningSign.values())
            if (sign.word().equalsIgnoreCase(word))
                return new Token(word, Kind.SIGN, 0, Double.NaN, Optional.of(sign), "");
        return reading(word, word, Kind.GROUP, nextGroup, series);
    }

    private static Token reading(String word, String digits, Kind kind, int group, int series) {
        OptionalDouble number = NumberText.parse(digits.replaceFirst("[vV]$", ""));
        if (number.isEmpty())
            return Token.refused(
                    word,
                    "\""
                            + word
                            + "\" "
                            + NumberText.whyNot(digits)
                            + "; expected the voltages of the groups, p for the pack, o for the output, or a sign such as swollen.");
        double volts = number.getAsDouble();
        if (!Limit.DONOR_VOLTAGE.holds(volts))
            return Token.refused(
                    word, "\"%s\" cannot be: %s.".formatted(word, Limit.DONOR_VOLTAGE.sentence()));
        if (kind == Kind.GROUP && (group < 1 || group > 200))
            return Token.refused(word, "\"" + word + "\": groups count from 1 to 200.");
        if (kind == Kind.GROUP && series > 0 && group > series)
            return Token.refused(
                    word,
                    "\"%s\" would be group %d, but the pack has %d groups. 1:%s reads group 1 again."
                            .formatted(word, group, series, word));
        String oddity =
                kind == Kind.GROUP && volts < 0
                        ? "Under 0 V: are the probes reversed?"
                        : kind == Kind.GROUP && volts > 5
                                ? "Over 5 V: read across two groups?"
                                : "";
        return Token.reading(word, kind, group, volts, oddity);
    }

    private Line<LineAct> line() {
        List<Piece> pieces = tokens.stream().map(Token::piece).toList();
        if (donor.isEmpty())
            return new Line.Incomplete<>(pieces, "Which donor? Begin the line with its code.");
        Optional<String> refusal =
                tokens.stream()
                        .filter(token -> token.kind() == Kind.NOT_UNDERSTOOD)
                        .map(Token::oddity)
                        .findFirst();
        if (refusal.isPresent()) return new Line.Incomplete<>(pieces, refusal.get());
        String remark =
                tokens.stream()
                        .map(Token::oddity)
                        .filter(oddity -> !oddity.isEmpty())
                        .findFirst()
                        .orElse("");
        return new Line.Complete<>(pieces, remark, act(donor.get().donor().code()));
    }

    private LineAct act(String code) {
        List<DonorFact> facts = facts(code);
        if (facts.isEmpty()) return LineAct.takes(new LineAct.Subject.OfDonor(code));
        boolean isNamed = tokens.getFirst().kind() == Kind.DONOR;
        return LineAct.logs("Read " + code, isNamed ? text : code + " " + text, facts).about(code);
    }

    /// What the line says, as facts of its donor; none when only the donor is named.
    private List<DonorFact> facts(String code) {
        List<DonorFact> facts = new ArrayList<>();
        TreeMap<Integer, Double> groups = new TreeMap<>();
        Set<WarningSign> signs = EnumSet.noneOf(WarningSign.class);
        for (Token token : tokens) {
            switch (token.kind()) {
                case GROUP -> groups.put(token.number(), token.volts());
                case PACK -> facts.add(new DonorFact.PackVoltageRead(code, token.volts()));
                case OUTPUT -> facts.add(new DonorFact.OutputVoltageRead(code, token.volts()));
                case SIGN -> token.sign().ifPresent(signs::add);
                case MINUTES -> facts.add(new DonorFact.MinutesSpent(code, token.number()));
                case DONOR, NOT_UNDERSTOOD -> {}
            }
        }
        if (!groups.isEmpty()) facts.add(0, new DonorFact.GroupsRead(code, groups));
        if (!signs.isEmpty()) facts.add(new DonorFact.SignsSeen(code, signs));
        return List.copyOf(facts);
    }
}
