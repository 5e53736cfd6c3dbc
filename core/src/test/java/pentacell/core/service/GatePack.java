package pentacell.core.service;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import pentacell.core.Journal;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.TestConditions;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Selection;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// The pack that service is tried on.
public final class GatePack {
    private GatePack() {}

    public static final String PACK = "Gate";
    public static final int SERIES = 3;
    static final int ROWS = 4;
    static final int COLUMNS = 3;
    static final double OHMS = 0.05;

    static CellId cell(int group, int can) {
        return new CellId("G%d-%02d".formatted(group + 1, can + 1));
    }

    /// Three groups of twelve, laid out in blocks, and four cells beside.
    public static Journal pack() {
        Journal journal = new Journal().model("Quill Q22", Chemistry.NMC, 2200);
        List<List<CellId>> groups = new ArrayList<>();
        List<List<Spot>> places = new ArrayList<>();
        for (int group = 0; group < SERIES; group++) {
            List<CellId> own = new ArrayList<>();
            List<Spot> spots = new ArrayList<>();
            for (int can = 0; can < ROWS * COLUMNS; can++) {
                own.add(cell(group, can));
                spots.add(new Spot(COLUMNS * group + can / ROWS, can % ROWS));
                measured(journal, cell(group, can), 2000);
            }
            groups.add(own);
            places.add(spots);
        }
        for (int i = 0; i < 4; i++) {
            CellId spare = new CellId("S-" + i);
            measured(journal, spare, 2000 + 10 * i);
            // read at rest again after its test
            journal.log(new CellFact.VoltageRead(spare, 3.7));
        }
        return journal
                .log(
                        new PackFact.GroupsMatched(
                                PACK,
                                MatchRules.of(SERIES, ROWS * COLUMNS, Selection.ALL),
                                groups,
                                Map.of()))
                .log(
                        new AssemblyFact.LayoutChosen(
                                PACK,
                                new Layout(
                                        new Grid(Grid.Pattern.SQUARE, 20, SERIES * COLUMNS, ROWS),
                                        places,
                                        TakeOff.EDGE)));
    }

    private static void measured(Journal journal, CellId id, double milliampHours) {
        journal.cell(id.text(), "Quill Q22", "", 3.7)
                .log(
                        new CellFact.CapacityMeasured(id, milliampHours, TestConditions.NOT_STATED),
                        new CellFact.ResistanceRead(
                                id, 1000 * OHMS, CellFact.ResistanceMethod.AC_1_KHZ));
    }

    static ServicedPack judged(Journal journal) {
        WorkshopState state = journal.state();
        return ServicedPack.of(state, JudgedStock.of(state), PACK).orElseThrow();
    }
}
