package pentacell.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Charger;
import pentacell.core.plan.facts.LeadAcid;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.plan.facts.Losses;
import pentacell.core.plan.facts.Need;
import pentacell.core.plan.facts.Window;

/// Needs to begin with, of usual kinds of device; every figure is to be changed.
public enum NeedPreset {
    CAMP_BOX("12 V camp box"),
    SCOOTER("24 V scooter class"),
    BICYCLE("36 V bicycle class"),
    HOUSE("48 V house store"),
    ROUTER("Backup for a router");

    private final String words;

    NeedPreset(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /// The need.
    public Need need() {
        return switch (this) {
            case CAMP_BOX ->
                    plain(
                                    10.5,
                                    15,
                                    OptionalDouble.of(12),
                                    new LoadItem("cool box", 45, 0.4, 60),
                                    new LoadItem("lamps", 12, 0.5, 12))
                            .with(need ->
                                    need.replaces(
                                            Optional.of(
                                                    new LeadAcid(
                                                            12,
                                                            33,
                                                            OptionalDouble.of(11),
                                                            Optional.empty()))));
            case SCOOTER ->
                    plain(20, 30, OptionalDouble.empty(), new LoadItem("motor", 180, 1, 350))
                            .with(need ->
                                    need.wattHoursPerKilometre(OptionalDouble.of(11))
                                            .kilometres(OptionalDouble.of(15)));
            case BICYCLE ->
                    plain(30, 42.5, OptionalDouble.empty(), new LoadItem("motor", 150, 1, 400))
                            .with(need ->
                                    need.wattHoursPerKilometre(OptionalDouble.of(9))
                                            .kilometres(OptionalDouble.of(40)));
            case HOUSE ->
                    plain(42, 58.8, OptionalDouble.of(10), new LoadItem("house", 250, 1, 2000))
                            .with(need -> need.losses(new Losses(0.88, 15)));
            case ROUTER ->
                    plain(10.8, 13, OptionalDouble.of(4), new LoadItem("router", 9, 1, 14))
                            .with(need ->
                                    need.box(Optional.of(new Box(120, 90, 80)))
                                            .charger(
                                                    Optional.of(
                                                            new Charger(
                                                                    12.6,
                                                                    1,
                                                                    OptionalDouble.empty()))));
        };
    }

    private static Need plain(double low, double high, OptionalDouble hours, LoadItem... loads) {
        return Need.of(Chemistry.NMC, new Window(low, high), List.of(loads))
                .with(need -> need.hours(hours));
    }
}
