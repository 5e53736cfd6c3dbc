package pentacell.core.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.circuit.Network;
import pentacell.core.conductor.Conductor;

/// What flows through every can and every piece of conductor of a laid-out pack.
///
/// Where a piece would carry more than it may, layers are stacked on it and all is solved again:
/// where groups meet at a corner, the pieces there grow into steps.
///
/// @param amps taken out at the leads; below 0 for a charge
/// @param links every piece with what flows, in the order of [Link]s
/// @param cans the cans of each group in their order
/// @param terminalVolts at the ends of the leads, in V
/// @param restVolts of the string, in V
/// @param worstShare largest current of a can ÷ the mean of its group
public record PackCurrents(
        double amps,
        List<Flowing> links,
        List<List<Can>> cans,
        double terminalVolts,
        double restVolts,
        double worstShare) {
    /// More are not stacked; then the piece stays marked.
    public static final int MOST_LAYERS = 8;

    private static final int MOST_ROUNDS = 6;
    private static final String NEGATIVE = "negative lead";
    private static final String POSITIVE = "positive lead";

    public PackCurrents {
        links = List.copyOf(links);
        cans = cans.stream().map(List::copyOf).toList();
    }

    /// A can as the network sees it.
    ///
    /// @param volts at rest, in V
    /// @param ohms above 0
    public record Source(double volts, double ohms) {}

    /// A can with what flows through it.
    ///
    /// @param amps discharging positive, in A
    /// @param share its current ÷ the mean of its group; NaN without one
    public record Can(Spot spot, double amps, double share) {}

    /// A piece with what flows through it.
    ///
    /// @param amps from its first can to its second, in A
    /// @param volts lost along it, in V
    /// @param allowedAmps what it may carry for long
    public record Flowing(Link link, double amps, double volts, double allowedAmps) {
        /// Heat in it, in W.
        public double watts() {
            return Math.abs(amps * volts);
        }

        /// What it carries as a part of what it may.
        public double usedShare() {
            return Math.abs(amps) / allowedAmps;
        }

        /// Whether it carries more than it may.
        public boolean isHot() {
            return usedShare() > 1 + 1e-9;
        }
    }

    /// Solves a pack.
    ///
    /// @param sources the cans of each group in their order
    /// @param amps taken out; below 0 for a charge
    /// @param celsius of the conductors
    /// @throws IllegalArgumentException when a group does not hang together
    public static PackCurrents of(
            Layout layout,
            WiringParts parts,
            List<List<Source>> sources,
            double amps,
            double celsius) {
        List<Link> links = new ArrayList<>(PackLinks.of(layout, parts));
        for (int round = 0; round < MOST_ROUNDS; round++) {
            PackCurrents solved = solve(layout, links, parts, sources, amps, celsius);
            boolean isMended = false;
            for (int i = 0; i < links.size(); i++) {
                Link link = links.get(i);
                int layers = layersFor(solved.links().get(i));
                if (layers <= link.conductor().layers()) continue;
                links.set(i, stacked(link, layers));
                isMended = true;
            }
            if (!isMended) return solved;
        }
        return solve(layout, links, parts, sources, amps, celsius);
    }

    private static int layersFor(Flowing flowing) {
        Link link = flowing.link();
        boolean isStrip = link.kind() == Link.Kind.PARALLEL || link.kind() == Link.Kind.SERIES;
        if (!isStrip) return 1;
        double one = flowing.allowedAmps() / link.conductor().layers();
        return (int) Math.clamp(Math.ceil(Math.abs(flowing.amps()) / one - 1e-9), 1, MOST_LAYERS);
    }

    private static Link stacked(Link link, int layers) {
        Conductor one = link.conductor();
        return new Link(
                link.id(),
                link.kind(),
                link.face(),
                link.joint(),
                link.from(),
                link.to(),
                new Conductor(one.material(), one.section(), one.lengthMetres(), layers));
    }

    /// The cells and conductors of a pack as a network.
    ///
    /// @param positive node of the positive lead's end
    /// @param negative node of the negative lead's end
    public record Circuit(
            List<Network.Cell> cells, List<Network.Wire> wires, String positive, String negative) {
        public Circuit {
            cells = List.copyOf(cells);
            wires = List.copyOf(wires);
        }
    }

    /// The network that a solved pack is, with as many layers as it took.
    ///
    /// @param ids what the can of a group is called, by its place
    /// @param celsius of the conductors
    public Circuit circuit(
            Layout layout,
            WiringParts parts,
            List<List<Source>> sources,
            UnaryOperator<String> ids,
            double celsius) {
        return circuit(
                layout, links.stream().map(Flowing::link).toList(), parts, sources, ids, celsius);
    }

    private static Circuit circuit(
            Layout layout,
            List<Link> links,
            WiringParts parts,
            List<List<Source>> sources,
            UnaryOperator<String> ids,
            double celsius) {
        List<Network.Cell> cells = new ArrayList<>();
        for (int group = 0; group < layout.places().size(); group++) {
            List<Spot> places = layout.places().get(group);
            if (places.size() != sources.get(group).size())
                throw new IllegalArgumentException(
                        "group %d has %d places for %d cans"
                                .formatted(group + 1, places.size(), sources.get(group).size()));
            for (int can = 0; can < places.size(); can++) {
                Source source = sources.get(group).get(can);
                Face positive = Layout.isUp(group) ? Face.TOP : Face.BOTTOM;
                Face negative = Layout.isUp(group) ? Face.BOTTOM : Face.TOP;
                cells.add(
                        new Network.Cell(
                                ids.apply(places.get(can).toString()),
                                node(positive, places.get(can)),
                                node(negative, places.get(can)),
                                source.volts(),
                                source.ohms() + parts.cellFuseOhms()));
            }
        }
        return new Circuit(
                cells,
                links.stream().map(link -> wire(link, celsius)).toList(),
                POSITIVE,
                NEGATIVE);
    }

    private static PackCurrents solve(
            Layout layout,
            List<Link> links,
            WiringParts parts,
            List<List<Source>> sources,
            double amps,
            double celsius) {
        Circuit circuit = circuit(layout, links, parts, sources, UnaryOperator.identity(), celsius);
        Network.Flow flow =
                Network.solve(
                        circuit.cells(),
                        circuit.wires(),
                        circuit.positive(),
                        circuit.negative(),
                        amps);
        List<Flowing> flowing = new ArrayList<>();
        for (int i = 0; i < links.size(); i++) {
            Link link = links.get(i);
            double through = flow.wireAmps().get(i);
            flowing.add(
                    new Flowing(
                            link,
                            through,
                            through * link.conductor().ohms(celsius),
                            link.conductor().allowed().amps()));
        }
        List<List<Can>> cans = new ArrayList<>();
        int at = 0;
        double rest = 0;
        for (int group = 0; group < sources.size(); group++) {
            List<Spot> places = layout.places().get(group);
            List<Double> each = flow.cellAmps().subList(at, at + places.size());
            double mean = each.stream().mapToDouble(Double::doubleValue).average().orElse(0);
            List<Can> row = new ArrayList<>();
            for (int can = 0; can < places.size(); can++)
                row.add(
                        new Can(
                                places.get(can),
                                each.get(can),
                                mean == 0 ? Double.NaN : each.get(can) / mean));
            cans.add(row);
            at += places.size();
            rest += sources.get(group).stream().mapToDouble(Source::volts).average().orElse(0);
        }
        return new PackCurrents(amps, flowing, cans, flow.terminalVolts(), rest, worst(cans));
    }

    private static double worst(List<List<Can>> cans) {
        return cans.stream()
                .flatMap(List::stream)
                .mapToDouble(Can::share)
                .filter(share -> !Double.isNaN(share))
                .max()
                .orElse(Double.NaN);
    }

    private static String node(Face face, Spot spot) {
        return face.words() + " " + spot.column() + "." + spot.row();
    }

    private static Network.Wire wire(Link link, double celsius) {
        String to =
                link.kind() != Link.Kind.LEAD
                        ? node(link.face(), link.to())
                        : link.joint() == 0 ? NEGATIVE : POSITIVE;
        return new Network.Wire(
                link.id(),
                node(link.face(), link.from()),
                to,
                link.conductor().ohms(celsius),
                OptionalDouble.of(link.conductor().allowed().amps()));
    }

    /// Heat in all conductors, in W.
    public double conductorWatts() {
        return links.stream().mapToDouble(Flowing::watts).sum();
    }

    /// Heat in strips and bars, without the leads, in W.
    public double stripWatts() {
        return links.stream()
                .filter(each -> each.link().kind() != Link.Kind.LEAD)
                .mapToDouble(Flowing::watts)
                .sum();
    }

    /// All pieces, those that come nearest to what they may carry, or pass it, first.
    public List<Flowing> busiestFirst() {
        return links.stream()
                .sorted(Comparator.comparingDouble(Flowing::usedShare).reversed())
                .toList();
    }

    /// The pieces that carry more than they may, the worst first.
    public List<Flowing> hot() {
        return busiestFirst().stream().takeWhile(Flowing::isHot).toList();
    }

    /// Strip used, in m, every layer counted.
    public double stripMetres() {
        return links.stream()
                .map(Flowing::link)
                .filter(link ->
                        link.kind() == Link.Kind.PARALLEL || link.kind() == Link.Kind.SERIES)
                .mapToDouble(link -> link.conductor().lengthMetres() * link.conductor().layers())
                .sum();
    }
}
