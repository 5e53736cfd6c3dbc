package pentacell.core.harvest;

import static pentacell.core.harvest.TeardownStep.caution;
import static pentacell.core.harvest.TeardownStep.danger;
import static pentacell.core.harvest.TeardownStep.plain;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.caution.Caution;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Place;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Construction;
import pentacell.core.donor.Donor;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.Shelf;
import pentacell.core.unit.Quantity;

/// How a donor is taken apart, in an order that takes the voltage down early (common practice).
public final class Teardown {
    /// Usual limit of extra-low voltage for dry contact, in V of direct current (IEC 61140, IEC
    /// 60364-4-41, from memory).
    static final double TOUCH_VOLTS = 60;

    private Teardown() {}

    /// The steps for a donor, by how it is put together. One of pouch cells is not opened.
    ///
    /// @param packVolts its voltage now or full, in V, when known
    public static List<TeardownStep> steps(Donor donor, OptionalDouble packVolts) {
        Construction construction = donor.construction().orElse(Construction.GLUED_SHELL);
        if (!donor.hasCans()) return List.of(opening(construction));
        List<TeardownStep> steps = new ArrayList<>();
        steps.add(tools(construction));
        steps.add(opening(construction));
        steps.add(plain("fasteners", "Keep screws, holders and bars in one bag with the code"));
        steps.add(
                danger(
                        "leads",
                        "Cut or unplug the balance leads first, one at a time; insulate each",
                        "Two leads in one cut are a short circuit through the cutters."));
        steps.add(links(construction, packVolts));
        steps.add(
                danger(
                        "groups",
                        "Cut the series links so that each piece is one group",
                        "The cutters bridge neighbouring tabs: cover what is not being cut."));
        steps.add(
                danger(
                        "cells",
                        "Part the groups into single cells; roll glue off, do not pry",
                        "A tool through the thin end of a can, or glue that takes the sleeve along: the can under it is live. On some cells the thin end is the positive one, so meter every cell."));
        steps.add(
                caution(
                        "nickel",
                        "Peel the nickel strips with pliers, rolling; trim what stays",
                        "Stubs cut sleeves and fingers; wear glasses when grinding."));
        steps.add(plain("parts", "Put board, leads, strips and holders aside; log what is kept"));
        return List.copyOf(steps);
    }

    private static TeardownStep tools(Construction construction) {
        String tools =
                switch (construction) {
                    case GLUED_SHELL, POUCH_CELLS -> "plastic wedges, a thin blade stopped at 3 mm";
                    case SCREWED_HOUSING -> "screwdrivers with security bits, plastic wedges";
                    case VEHICLE_MODULE -> "insulated sockets and cutters, gloves";
                    case BOLTED_MODULE -> "insulated sockets, caps for open bars";
                };
        return plain(
                "tools",
                "Lay out "
                        + tools
                        + ", flush cutters, tape, sand and a steel box; take rings and watch off");
    }

    private static TeardownStep opening(Construction construction) {
        return switch (construction) {
            case GLUED_SHELL ->
                    danger(
                            "open",
                            "Press the shell along its seam until it gives, open with wedges",
                            "A blade that goes in deeper than the shell opens a cell.");
            case SCREWED_HOUSING ->
                    caution(
                            "open",
                            "Undo the screws, lift the core out with its contact block",
                            "The contacts carry the full voltage: cover them before lifting.");
            case VEHICLE_MODULE ->
                    danger(
                            "open",
                            "Open the case, pull the main fuse or plug first",
                            "Long strings: never touch two bars at once, cover all but the one you work on.");
            case POUCH_CELLS ->
                    danger(
                            "open",
                            "Leave it whole: tape its leads and hand it in",
                            Caution.POUCH_CELLS.words());
            case BOLTED_MODULE ->
                    danger(
                            "open",
                            "Take the cover off, cap every bar you are not working on",
                            "A dropped spanner across two bars welds itself on.");
        };
    }

    private static TeardownStep links(Construction construction, OptionalDouble packVolts) {
        String where =
                construction == Construction.BOLTED_MODULE
                        ? "Unbolt the middle bar first, then halve what is left"
                        : "Cut the middle series link first, then halve what is left, so that the voltage falls early";
        double volts = packVolts.orElse(Double.NaN);
        return volts > TOUCH_VOLTS
                ? danger(
                        "links",
                        where,
                        "%s across the string is over the usual touch limit of %s: this is work for a licensed person."
                                .formatted(
                                        Quantity.VOLTAGE.text(volts),
                                        Quantity.VOLTAGE.text(TOUCH_VOLTS)))
                : danger(
                        "links",
                        where,
                        "A short here carries hundreds of amps: one cut, then tape, then the next.");
    }

    /// The highest voltage a donor can have: its series count × the charge limit.
    public static OptionalDouble fullVolts(Donor donor, Optional<Chemistry> chemistry) {
        return donor.arrangement()
                .map(each ->
                        OptionalDouble.of(
                                each.series() * chemistry.orElse(Chemistry.NMC).chargeLimitVolts()))
                .orElse(OptionalDouble.empty());
    }

    /// Ids for cells of a donor that are not named yet: `HB06-01` …, going on where it left off.
    ///
    /// @param count how many
    public static List<CellId> newIds(WorkshopState state, String donor, int count) {
        List<CellId> ids = new ArrayList<>();
        for (int number = 1; ids.size() < count && number < 10_000; number++) {
            CellId id = new CellId("%s-%02d".formatted(donor, number));
            if (Cells.of(state).cell(id).isEmpty()) ids.add(id);
        }
        return List.copyOf(ids);
    }

    /// How many cells of a donor are not named yet, by its arrangement; 0 when that is not known.
    public static int cellsLeft(WorkshopState state, Donor donor) {
        List<CellRecord> named = Cells.of(state).ofDonor(donor.code());
        return donor.arrangement()
                .map(Arrangement::cells)
                .map(all -> Math.max(0, all - named.size()))
                .orElse(0);
    }

    /// The facts that give cells of a donor their name, a place while there are any, and what is
    /// wrong with their cans.
    ///
    /// @param ids as many as the outcome has cells
    public static List<CellFact> named(
            WorkshopState state, Donor donor, List<CellId> ids, Outcome outcome) {
        List<Place> places = Shelf.free(state, ids.size());
        Optional<String> model =
                Optional.of(donor.cellModel()).filter(Catalogue.of(state).models()::containsKey);
        List<CellFact> facts = new ArrayList<>();
        for (int i = 0; i < ids.size(); i++) {
            CellId id = ids.get(i);
            facts.add(new CellFact.CellNamed(id, Optional.of(donor.code()), model));
            if (i < places.size()) facts.add(new CellFact.CellPlaced(id, places.get(i)));
            if (!outcome.blemishes().get(i).isEmpty())
                facts.add(new CellFact.BlemishesSeen(id, outcome.blemishes().get(i)));
        }
        return List.copyOf(facts);
    }
}
