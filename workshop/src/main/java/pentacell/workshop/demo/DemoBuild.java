package pentacell.workshop.demo;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Joining;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.build.facts.Spot;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.build.facts.TapReading;

/// The pack of the long night is laid out and put on trial in a rack; two leads of its plug have
/// changed places.
final class DemoBuild {
    private static final int GROUPS = 7;
    private static final int ROWS = 5;
    private static final int COLUMNS_A_GROUP = 2;
    private static final double PITCH_MILLIMETRES = 20;

    /// What the groups read in the evening and in the morning, in V.
    private static final double[] EVENING = {3.912, 3.911, 3.913, 3.912, 3.911, 3.912, 3.912};

    private static final double[] MORNING = {3.784, 3.783, 3.786, 3.785, 3.753, 3.784, 3.785};

    private DemoBuild() {}

    static void write(DemoJournal journal) {
        String pack = TarnHollow.LONG_NIGHT;
        journal.pass(Duration.ofHours(3));
        journal.logSteadily(
                "Lay out " + pack, List.of(new AssemblyFact.LayoutChosen(pack, layout())));
        journal.logSteadily(
                "Join " + pack + " in a rack",
                List.of(new AssemblyFact.JoiningChosen(pack, Joining.HOLDER)));
        for (String step : List.of("holder", "read", "try"))
            journal.logSteadily(
                    "Step done: " + step,
                    List.of(
                            new AssemblyFact.WorkTicked(
                                    pack,
                                    step,
                                    AssemblyFact.Tick.DONE,
                                    step.equals("try") ? "contacts lose 4 mV at 3 A" : "",
                                    Optional.empty())));
        journal.logSteadily(
                pack + " is on trial",
                List.of(
                        new AssemblyFact.StandingSaid(
                                pack,
                                PackStanding.TRIAL,
                                "rack in the lamp room, one night of the heaters")));
        read(journal, pack, EVENING);
        journal.pass(Duration.ofHours(9));
        read(journal, pack, MORNING);
        journal.logSteadily("Read the plug of " + pack, List.of(plug(pack)));
    }

    /// Blocks of two columns, one beside the other.
    private static Layout layout() {
        List<List<Spot>> places = new ArrayList<>();
        for (int group = 0; group < GROUPS; group++) {
            List<Spot> own = new ArrayList<>();
            for (int column = 0; column < COLUMNS_A_GROUP; column++)
                for (int row = 0; row < ROWS; row++)
                    own.add(new Spot(COLUMNS_A_GROUP * group + column, row));
            places.add(own);
        }
        return new Layout(
                new Grid(Grid.Pattern.SQUARE, PITCH_MILLIMETRES, COLUMNS_A_GROUP * GROUPS, ROWS),
                places,
                TakeOff.EDGE);
    }

    private static void read(DemoJournal journal, String pack, double[] volts) {
        for (int group = 0; group < GROUPS; group++)
            journal.logSteadily(
                    "Read group " + (group + 1),
                    List.of(new AssemblyFact.GroupVoltageRead(pack, group, volts[group])));
    }

    /// Leads 3 and 4 sit on each other's joint.
    private static AssemblyFact plug(String pack) {
        double[] joints = new double[GROUPS + 1];
        for (int group = 0; group < GROUPS; group++)
            joints[group + 1] = joints[group] + MORNING[group];
        List<TapReading> readings = new ArrayList<>();
        for (int lead = 0; lead <= GROUPS; lead++) {
            int joint = lead == 3 ? 4 : lead == 4 ? 3 : lead;
            readings.add(
                    new TapReading(lead, OptionalDouble.of(Math.rint(100 * joints[joint]) / 100)));
        }
        return new AssemblyFact.TapsRead(pack, readings);
    }
}
