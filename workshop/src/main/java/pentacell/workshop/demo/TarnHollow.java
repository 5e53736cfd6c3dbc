package pentacell.workshop.demo;

import java.util.List;
import pentacell.core.Chapters;
import pentacell.core.cell.CellModel;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;
import pentacell.workshop.logbook.Logbook.Draft;

/// The story of the demo workshop, the same every time: 25 donors, 20 of them opened, 181 cells in
/// all stages of the work, the mishaps of the trade, and 38 cells of a pack that is in use.
public final class TarnHollow {
    /// The pack that runs the site through a long night.
    public static final String LONG_NIGHT = "Long night 24 V";

    /// The pack of the dome shutter's motor.
    public static final String DOME = "Dome shutter 12 V";

    /// The pack of the red lamps along the dome path, in use since two years.
    public static final String RED_LAMPS = "Red lamps 12 V";

    /// The chapters of the story in its order, one line each: a new one goes at the end.
    public static final List<DemoChapter> CHAPTERS =
            List.of(
                    DemoShelf::write,
                    DemoHarvest::write,
                    DemoCells::write,
                    DemoMishaps::write,
                    DemoPacks::write,
                    DemoUnopened::write,
                    DemoPlans::write,
                    DemoBuild::write,
                    DemoProve::write,
                    DemoService::write);

    private TarnHollow() {}

    /// The whole journal of the demo workshop.
    public static List<Draft> journal() {
        return journal(Chapters.ALL, CHAPTERS);
    }

    /// The journal of other chapters of the story.
    ///
    /// @param chapters what can be logged in it
    public static List<Draft> journal(List<Chapter<?>> chapters, List<DemoChapter> story) {
        DemoJournal journal = new DemoJournal(chapters);
        journal.letStandInsCount();
        story.forEach(chapter -> chapter.write(journal));
        return journal.drafts();
    }

    /// The demo's models, to begin a catalogue of one's own with.
    public static List<CellModel> models() {
        return List.of(
                HarvestedPack.HX26,
                HarvestedPack.Q22,
                HarvestedPack.T30,
                HarvestedPack.BF26,
                HarvestedPack.HX34);
    }

    /// The state the journal comes to.
    public static WorkshopState state(List<Draft> journal) {
        return DemoJournal.state(Chapters.ALL, journal);
    }
}
