package pentacell.core.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.BooleanSupplier;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;

/// Finds layouts in which series neighbours touch along whole sides.
///
/// Groups lie behind each other in bands that run there and back: every height of a band, every
/// number of bands, square and nested, with straight and with stepped borders. Those that can be
/// built are narrowed by their bridges, and the best are solved.
public final class LayoutSearch {
    /// So many are solved and shown.
    public static final int MOST_SHOWN = 8;

    private static final int MOST_SOLVED = 14;

    /// Longer ones are hardly a pack.
    private static final double MOST_SLIM = 8;

    /// How much slimness counts: a quarter more for every time it is longer than wide.
    static final double SLIM_WEIGHT = 0.25;

    private static final int FEW_CANS = 8;
    private static final int MOST_BANDS = 12;
    private static final int MOST_LAID = 60;

    private LayoutSearch() {}

    /// The best layouts, best first: those that can be built, with the least loss in conductors and
    /// the most even cans.
    ///
    /// @param stop asked between two; what was found so far is given
    public static List<JudgedLayout> of(
            LayoutWish wish, JudgedLayout.Electric electric, BooleanSupplier stop) {
        List<Draft> drafts = drafts(wish);
        drafts.sort(Comparator.comparingDouble(Draft::squeeze));
        List<JudgedLayout> solved = new ArrayList<>();
        for (Draft draft : drafts) {
            if (solved.size() == MOST_SOLVED || stop.getAsBoolean()) break;
            solved.add(JudgedLayout.of(draft.layout(), draft.words(), wish, electric));
        }
        solved.sort(BEST_FIRST);
        return List.copyOf(solved.subList(0, Math.min(MOST_SHOWN, solved.size())));
    }

    /// Those that can be built first; then what counts in use: heat in strips and bars, made worse
    /// by as much as the hardest worked can is over its share, by what carries too much, and by
    /// places that stay empty. Leads are the same for all.
    public static final Comparator<JudgedLayout> BEST_FIRST =
            Comparator.comparing((JudgedLayout each) -> !each.canBeBuilt())
                    .thenComparingDouble(LayoutSearch::burden)
                    .thenComparingInt(each -> each.remarks().size());

    private static double emptyShare(Layout layout) {
        int cans = layout.groupSizes().stream().mapToInt(Integer::intValue).sum();
        return (double) layout.blanks().size() / cans;
    }

    /// A square is easiest to house.
    private static double slimness(JudgedLayout each) {
        double a = each.lengthMillimetres();
        double b = each.widthMillimetres();
        return 1 + SLIM_WEIGHT * (Math.max(a, b) / Math.min(a, b) - 1);
    }

    private static double burden(JudgedLayout each) {
        return each.currents()
                .map(now ->
                        now.stripWatts()
                                * (Double.isNaN(now.worstShare()) ? 1 : now.worstShare())
                                * (1 + now.hot().size())
                                * (1 + 2 * emptyShare(each.layout()))
                                * slimness(each))
                .orElse(Double.POSITIVE_INFINITY);
    }

    /// @param squeeze about how much is lost: bridges between groups and columns within them
    private record Draft(Layout layout, String words, double squeeze) {}

    /// Those of the fewest layers that go into the box.
    private static List<Draft> drafts(LayoutWish wish) {
        int most = wish.box().isPresent() ? LayoutWish.MOST_LAYERS : 1;
        List<Draft> drafts = new ArrayList<>();
        for (int layers = 1; layers <= most && drafts.isEmpty(); layers++)
            drafts = drafts(wish, layers);
        return drafts;
    }

    private static List<Draft> drafts(LayoutWish wish, int layers) {
        List<Bands> ways = ways(wish, layers);
        // cans are laid one by one only where something can come of it
        ways.sort(Comparator.comparingDouble(way -> way.squeeze(wish)));
        List<Draft> drafts = new ArrayList<>();
        Set<Layout> known = new HashSet<>();
        for (Bands way : ways) {
            if (drafts.size() == MOST_LAID) break;
            way.layout(wish)
                    .filter(layout -> isWanted(layout, wish) && known.add(layout))
                    .ifPresent(layout ->
                            drafts.add(
                                    new Draft(
                                            layout,
                                            way.words(OptionalInt.of(layout.blanks().size())),
                                            way.squeeze(wish))));
        }
        return drafts;
    }

    private static List<Bands> ways(LayoutWish wish, int layers) {
        List<Bands> ways = new ArrayList<>();
        int cans = wish.cans();
        for (Grid.Pattern pattern : Grid.Pattern.values())
            for (int bands = 1; bands <= Math.min(wish.groupSizes().size(), MOST_BANDS); bands++)
                for (int height = 1; height <= Math.max(1, cans / bands); height++)
                    if (wish.patterns().contains(pattern)
                            && isWorthLaying(pattern, height * bands, layers, wish))
                        for (Bands.Fill fill : Bands.Fill.values())
                            ways.add(new Bands(pattern, height, bands, fill, layers));
        return ways;
    }

    /// Whether about so many rows can come to anything: told before cans are laid one by one.
    private static boolean isWorthLaying(
            Grid.Pattern pattern, int rows, int layers, LayoutWish wish) {
        if (layers > 1 && pattern == Grid.Pattern.NESTED) return false;
        int columns = (wish.cans() + rows * layers - 1) / (rows * layers);
        Grid about =
                new Grid(pattern, wish.pitchMillimetres(), columns * layers, rows).folded(layers);
        if (wish.box().isPresent()) return wish.holds(about);
        double slim = (double) Math.max(columns, rows) / Math.min(columns, rows);
        return slim <= 2 * MOST_SLIM || wish.cans() <= FEW_CANS;
    }

    private static boolean isWanted(Layout layout, LayoutWish wish) {
        double length = LayoutCheck.length(layout, wish);
        double width = LayoutCheck.width(layout, wish);
        double slim = Math.max(length, width) / Math.min(length, width);
        boolean isShort = wish.cans() <= FEW_CANS;
        if (wish.box().isEmpty() && slim > MOST_SLIM && !isShort) return false;
        return wish.holds(layout.grid())
                && LayoutCheck.hangsTogether(layout)
                && LayoutCheck.unitsInPieces(layout, wish).isEmpty()
                && endsAsWished(layout, wish);
    }

    private static boolean endsAsWished(Layout layout, LayoutWish wish) {
        if (wish.ends() == LayoutWish.Ends.ANYWHERE || layout.places().size() < 2) return true;
        int last = layout.places().size() - 1;
        double middle = (layout.grid().columns() - 1) / 2.0;
        double first = meanColumn(PackLinks.outerEdge(layout, 0)) - middle;
        double end = meanColumn(PackLinks.outerEdge(layout, last + 1)) - middle;
        boolean isSame = first * end > 0;
        return isSame == (wish.ends() == LayoutWish.Ends.SAME);
    }

    private static double meanColumn(List<Spot> spots) {
        return spots.stream().mapToInt(Spot::column).average().orElse(0);
    }
}
