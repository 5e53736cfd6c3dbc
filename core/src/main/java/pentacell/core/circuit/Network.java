package pentacell.core.circuit;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntPredicate;
import org.ejml.data.DMatrixRMaj;
import org.ejml.data.DMatrixSparseCSC;
import org.ejml.data.DMatrixSparseTriplet;
import org.ejml.interfaces.linsol.LinearSolverSparse;
import org.ejml.ops.DConvertMatrixStruct;
import org.ejml.sparse.FillReducing;
import org.ejml.sparse.csc.factory.LinearSolverFactory_DSCC;

/// The cells and conductors of a pack at one moment: every current and every voltage.
///
/// By Kirchhoff's laws: a cell is its rest voltage behind its resistance, a conductor a resistance.
/// With the negative terminal at 0 V the other nodes' voltages solve G·v = i, where G holds the
/// conductances and i what cells drive and the load takes. G is symmetric and positive definite, so
/// a sparse Cholesky decomposition solves it, with its nodes in an order that keeps neighbours
/// together (Cuthill & McKee 1969, from memory).
public final class Network {
    /// What a conductor of no resistance counts as, in Ω.
    private static final double LEAST_OHMS = 1e-9;

    private final List<Cell> cells;
    private final List<Wire> wires;
    private final Map<String, Integer> numbers = new HashMap<>();
    private final String positive;
    private final String negative;

    private Network(List<Cell> cells, List<Wire> wires, String positive, String negative) {
        this.cells = cells;
        this.wires = wires;
        this.positive = positive;
        this.negative = negative;
    }

    /// A cell between two nodes.
    ///
    /// @param volts at rest, in V
    /// @param ohms above 0
    public record Cell(String id, String positive, String negative, double volts, double ohms) {
        public Cell {
            if (!(ohms > 0 && ohms <= 1e6))
                throw new IllegalArgumentException(
                        "cell %s has above 0 Ω, was %s".formatted(id, ohms));
            if (!(Math.abs(volts) <= 100))
                throw new IllegalArgumentException(
                        "cell %s rests at −100 to 100 V, was %s".formatted(id, volts));
        }
    }

    /// A conductor between two nodes.
    ///
    /// @param ohms 0 or more
    /// @param ampsAllowed what it may carry for long, when known
    public record Wire(String id, String from, String to, double ohms, OptionalDouble ampsAllowed) {
        public Wire {
            if (!(ohms >= 0 && ohms <= 1e9))
                throw new IllegalArgumentException(
                        "conductor %s has 0 Ω or more, was %s".formatted(id, ohms));
        }
    }

    /// What flows.
    ///
    /// @param terminalVolts between the terminals, in V
    /// @param cellAmps of each cell in its order, discharging positive, in A
    /// @param wireAmps of each conductor in its order, from → to positive, in A
    /// @param nodeVolts against the negative terminal, in V
    /// @param worstShare largest current of a cell ÷ the mean of those beside it; NaN where no
    ///   current flows through its group
    public record Flow(
            double terminalVolts,
            List<Double> cellAmps,
            List<Double> wireAmps,
            Map<String, Double> nodeVolts,
            double worstShare) {
        public Flow {
            cellAmps = List.copyOf(cellAmps);
            wireAmps = List.copyOf(wireAmps);
            nodeVolts = Map.copyOf(nodeVolts);
        }
    }

    /// Solves a network.
    ///
    /// @param amps taken out at the terminals; below 0 for a charge
    /// @throws IllegalArgumentException when a terminal hangs on nothing, a part is joined to no
    ///   cell or not to the terminals, or a conductor of 0 Ω shorts a cell; said for a person
    public static Flow solve(
            List<Cell> cells, List<Wire> wires, String positive, String negative, double amps) {
        Network network = new Network(cells, wires, positive, negative);
        network.number();
        network.check();
        return network.solve(amps);
    }

    private void number() {
        for (Cell cell : cells) {
            numbers.putIfAbsent(cell.positive(), numbers.size());
            numbers.putIfAbsent(cell.negative(), numbers.size());
        }
        for (Wire wire : wires) {
            numbers.putIfAbsent(wire.from(), numbers.size());
            numbers.putIfAbsent(wire.to(), numbers.size());
        }
    }

    private int node(String name) {
        Integer number = numbers.get(name);
        if (number == null) throw new IllegalArgumentException("no node " + name);
        return number;
    }

    private void check() {
        if (cells.isEmpty()) throw new IllegalArgumentException("there is no cell");
        for (Map.Entry<String, String> terminal :
                Map.of("positive", positive, "negative", negative).entrySet())
            if (!numbers.containsKey(terminal.getValue()))
                throw new IllegalArgumentException(
                        "the %s terminal, node %s, hangs on nothing"
                                .formatted(terminal.getKey(), terminal.getValue()));
        if (positive.equals(negative))
            throw new IllegalArgumentException(
                    "both terminals are on node %s: a short".formatted(positive));
        Joined all = new Joined(numbers.size());
        Joined shorts = new Joined(numbers.size());
        for (Cell cell : cells) all.join(node(cell.positive()), node(cell.negative()));
        for (Wire wire : wires) {
            all.join(node(wire.from()), node(wire.to()));
            if (wire.ohms() == 0) shorts.join(node(wire.from()), node(wire.to()));
        }
        for (Cell cell : cells) {
            if (cell.positive().equals(cell.negative())
                    || shorts.areJoined(node(cell.positive()), node(cell.negative())))
                throw new IllegalArgumentException(
                        "cell %s is shorted: 0 Ω lie between its ends".formatted(cell.id()));
        }
        if (shorts.areJoined(node(positive), node(negative)))
            throw new IllegalArgumentException("0 Ω lie between the terminals");
        requireOnePiece(all);
    }

    private void requireOnePiece(Joined all) {
        int root = node(negative);
        boolean[] hasCell = new boolean[numbers.size()];
        for (Cell cell : cells) hasCell[all.of(node(cell.positive()))] = true;
        numbers.entrySet().stream()
                .sorted(Map.Entry.comparingByValue())
                .filter(entry -> !hasCell[all.of(entry.getValue())])
                .findFirst()
                .ifPresent(entry -> {
                    throw new IllegalArgumentException(
                            "node %s is joined to no cell".formatted(entry.getKey()));
                });
        numbers.entrySet().stream()
                .sorted(Map.Entry.comparingByValue())
                .filter(entry -> !all.areJoined(root, entry.getValue()))
                .findFirst()
                .ifPresent(entry -> {
                    throw new IllegalArgumentException(
                            "node %s is not joined to the negative terminal"
                                    .formatted(entry.getKey()));
                });
    }

    private Flow solve(double amps) {
        int nodes = numbers.size();
        int[] rank = inOrder(nodes);
        int ground = rank[node(negative)];
        // the grounded node is left out; those behind it move up by one
        int unknown = nodes - 1;
        DMatrixSparseTriplet triplet = new DMatrixSparseTriplet(unknown, unknown, 8 * nodes);
        DMatrixRMaj driven = new DMatrixRMaj(unknown, 1);
        double[] diagonal = new double[unknown];
        Map<Long, Double> beside = new HashMap<>();
        for (Cell cell : cells) {
            int from = row(rank[node(cell.positive())], ground);
            int to = row(rank[node(cell.negative())], ground);
            double conductance = 1 / cell.ohms();
            stamp(diagonal, beside, from, to, conductance);
            if (from >= 0) driven.add(from, 0, cell.volts() * conductance);
            if (to >= 0) driven.add(to, 0, -cell.volts() * conductance);
        }
        for (Wire wire : wires)
            stamp(
                    diagonal,
                    beside,
                    row(rank[node(wire.from())], ground),
                    row(rank[node(wire.to())], ground),
                    1 / Math.max(LEAST_OHMS, wire.ohms()));
        driven.add(row(rank[node(positive)], ground), 0, -amps);
        for (int i = 0; i < unknown; i++) triplet.addItem(i, i, diagonal[i]);
        beside.forEach((key, value) -> {
            int i = (int) (key >> 32);
            int j = key.intValue();
            triplet.addItem(i, j, value);
            triplet.addItem(j, i, value);
        });
        DMatrixRMaj solved = new DMatrixRMaj(unknown, 1);
        LinearSolverSparse<DMatrixSparseCSC, DMatrixRMaj> solver =
                LinearSolverFactory_DSCC.cholesky(FillReducing.NONE);
        if (!solver.setA(DConvertMatrixStruct.convert(triplet, (DMatrixSparseCSC) null)))
            throw new IllegalArgumentException("the network has no solution");
        solver.solve(driven, solved);
        double[] volts = new double[nodes];
        for (int node = 0; node < nodes; node++) {
            int row = row(rank[node], ground);
            volts[node] = row < 0 ? 0 : solved.get(row, 0);
        }
        return flow(volts);
    }

    private static int row(int rank, int ground) {
        return rank == ground ? -1 : rank < ground ? rank : rank - 1;
    }

    private static void stamp(
            double[] diagonal, Map<Long, Double> beside, int from, int to, double conductance) {
        if (from == to) return;
        if (from >= 0) diagonal[from] += conductance;
        if (to >= 0) diagonal[to] += conductance;
        if (from >= 0 && to >= 0)
            beside.merge(
                    ((long) Math.max(from, to) << 32) | Math.min(from, to),
                    -conductance,
                    Double::sum);
    }

    private Flow flow(double[] volts) {
        List<Double> cellAmps = new ArrayList<>();
        for (Cell cell : cells)
            cellAmps.add(
                    (cell.volts() - volts[node(cell.positive())] + volts[node(cell.negative())])
                            / cell.ohms());
        List<Double> wireAmps = new ArrayList<>();
        for (Wire wire : wires)
            wireAmps.add(
                    (volts[node(wire.from())] - volts[node(wire.to())])
                            / Math.max(LEAST_OHMS, wire.ohms()));
        Map<String, Double> nodeVolts = new HashMap<>();
        numbers.forEach((name, number) -> nodeVolts.put(name, volts[number]));
        return new Flow(volts[node(positive)], cellAmps, wireAmps, nodeVolts, worstShare(cellAmps));
    }

    /// Cells stand beside each other when conductors join both their ends.
    private double worstShare(List<Double> cellAmps) {
        Joined bars = new Joined(numbers.size());
        for (Wire wire : wires) bars.join(node(wire.from()), node(wire.to()));
        Map<List<Integer>, List<Double>> groups = new HashMap<>();
        for (int i = 0; i < cells.size(); i++)
            groups.computeIfAbsent(
                            List.of(
                                    bars.of(node(cells.get(i).positive())),
                                    bars.of(node(cells.get(i).negative()))),
                            ends -> new ArrayList<>())
                    .add(cellAmps.get(i));
        double worst = Double.NaN;
        for (List<Double> group : groups.values()) {
            double mean = group.stream().mapToDouble(each -> each).average().orElse(0);
            if (Math.abs(mean) < 1e-9) continue;
            for (double each : group) if (!(worst >= each / mean)) worst = each / mean;
        }
        return worst;
    }

    /// Each node's place in an order in which neighbours lie close: breadth first from a node far
    /// out, those with fewer neighbours before, then turned round.
    private int[] inOrder(int nodes) {
        List<Set<Integer>> neighbours = new ArrayList<>();
        for (int i = 0; i < nodes; i++) neighbours.add(new TreeSet<>());
        for (Cell cell : cells) meet(neighbours, node(cell.positive()), node(cell.negative()));
        for (Wire wire : wires) meet(neighbours, node(wire.from()), node(wire.to()));
        int far = last(walk(neighbours, 0));
        int[] order = walk(neighbours, last(walk(neighbours, far)));
        int[] rank = new int[nodes];
        for (int i = 0; i < nodes; i++) rank[order[i]] = nodes - 1 - i;
        return rank;
    }

    private static void meet(List<Set<Integer>> neighbours, int one, int other) {
        if (one == other) return;
        neighbours.get(one).add(other);
        neighbours.get(other).add(one);
    }

    private static int last(int[] order) {
        return order[order.length - 1];
    }

    private static int[] walk(List<Set<Integer>> neighbours, int from) {
        int[] order = new int[neighbours.size()];
        boolean[] isSeen = new boolean[order.length];
        ArrayDeque<Integer> queue = new ArrayDeque<>(List.of(from));
        isSeen[from] = true;
        int at = 0;
        IntPredicate isNew = node -> !isSeen[node];
        while (!queue.isEmpty()) {
            int node = queue.remove();
            order[at++] = node;
            neighbours.get(node).stream()
                    .filter(isNew::test)
                    .sorted((one, other) ->
                            Integer.compare(
                                    neighbours.get(one).size(), neighbours.get(other).size()))
                    .forEach(next -> {
                        isSeen[next] = true;
                        queue.add(next);
                    });
        }
        return order;
    }

    /// Which nodes hang together.
    private static final class Joined {
        private final int[] parent;

        Joined(int nodes) {
            parent = new int[nodes];
            Arrays.setAll(parent, i -> i);
        }

        int of(int node) {
            int root = node;
            while (parent[root] != root) root = parent[root];
            for (int at = node; parent[at] != root; ) {
                int next = parent[at];
                parent[at] = root;
                at = next;
            }
            return root;
        }

        void join(int one, int other) {
            parent[of(one)] = of(other);
        }

        boolean areJoined(int one, int other) {
            return of(one) == of(other);
        }
    }

    /// The conductors by what they lose, most first.
    public static List<Hot> hottest(List<Wire> wires, Flow flow) {
        List<Hot> hottest = new ArrayList<>();
        for (int i = 0; i < wires.size(); i++) {
            double amps = flow.wireAmps().get(i);
            hottest.add(
                    new Hot(
                            wires.get(i).id(),
                            amps,
                            amps * amps * wires.get(i).ohms(),
                            wires.get(i).ampsAllowed()));
        }
        hottest.sort((one, other) -> Double.compare(other.watts(), one.watts()));
        return hottest;
    }

    /// A conductor and what it loses.
    public record Hot(String id, double amps, double watts, OptionalDouble ampsAllowed) {
        /// How much more it carries than it may; empty when that is not known.
        public Optional<Boolean> isOver() {
            return ampsAllowed.isPresent()
                    ? Optional.of(Math.abs(amps) > ampsAllowed.getAsDouble())
                    : Optional.empty();
        }
    }
}
