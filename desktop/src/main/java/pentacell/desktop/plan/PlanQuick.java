package pentacell.desktop.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.plan.NeedLine;
import pentacell.core.plan.facts.Need;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Plan: a need in one line.
final class PlanQuick implements QuickSource {
    private final PlanModel model;

    PlanQuick(PlanModel model) {
        this.model = model;
    }

    @Override
    public String inHand() {
        return model.packProperty().get();
    }

    @Override
    public String example() {
        return "60w peak 150w 8h 20-30v   or 12wh/km 40km";
    }

    @Override
    public Reading read(String text) {
        if (text.isBlank()) return new Reading(List.of(), "", State.INCOMPLETE, "");
        NeedLine line = NeedLine.read(text);
        List<Chip> chips = new ArrayList<>();
        line.chemistry().ifPresent(chemistry -> chips.add(plain(chemistry.words(), "cells")));
        if (line.highTripVolts().isPresent())
            chips.add(
                    plain(
                            Quantity.VOLTAGE.number(line.lowTripVolts().orElse(0), 1)
                                    + "–"
                                    + Quantity.VOLTAGE.text(line.highTripVolts().getAsDouble(), 1),
                            "device"));
        add(chips, line.steadyWatts(), Quantity.POWER, "steady");
        add(chips, line.peakWatts(), Quantity.POWER, "peak");
        add(chips, line.idleWatts(), Quantity.POWER, "idle");
        if (line.efficiency().isPresent())
            chips.add(
                    plain(
                            Quantity.PERCENT.text(100 * line.efficiency().getAsDouble(), 0),
                            "efficiency"));
        add(chips, line.hours(), Quantity.HOURS, "wanted");
        add(chips, line.kilometres(), Quantity.DISTANCE, "wanted");
        if (line.wattHoursPerKilometre().isPresent())
            chips.add(
                    plain(
                            Quantity.ENERGY.text(line.wattHoursPerKilometre().getAsDouble()),
                            "a kilometre"));
        String problem = line.problems().isEmpty() ? "" : line.problems().get(0);
        return new Reading(
                chips,
                problem,
                line.problems().isEmpty() ? State.COMPLETE : State.INCOMPLETE,
                problem);
    }

    private static void add(
            List<Chip> chips, OptionalDouble value, Quantity quantity, String kind) {
        if (value.isPresent()) chips.add(plain(quantity.text(value.getAsDouble()), kind));
    }

    private static Chip plain(String text, String kind) {
        return new Chip(text, kind, Look.PLAIN);
    }

    @Override
    public Entered enter(String text) {
        try {
            Need need = NeedLine.read(text).need(model.needProperty().get(), Chemistry.NMC);
            String pack = model.packProperty().get();
            return new Entered.Line(
                    text, (onLogged, onFailed) -> model.state(pack, need, onLogged, onFailed));
        } catch (IllegalArgumentException wrong) {
            return new Entered.Refused(String.valueOf(wrong.getMessage()));
        }
    }

    @Override
    public void onChange(Runnable changed) {
        model.packProperty().subscribe(name -> changed.run());
    }
}
