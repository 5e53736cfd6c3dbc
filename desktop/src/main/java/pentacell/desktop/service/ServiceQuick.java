package pentacell.desktop.service;

import java.time.LocalDate;
import java.time.ZoneId;
import pentacell.core.service.CanSearch;
import pentacell.core.service.ServiceLine;
import pentacell.desktop.frame.LoggedLines;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Service: the groups by hand, a cell that is probed, a group tested again, what
/// happened.
final class ServiceQuick {
    private ServiceQuick() {}

    static QuickSource of(ServiceModel model) {
        return new LoggedLines(
                model.desk(),
                () -> model.inHand().name(),
                "0a 3.84 3.83 …   HB01-04 3.71   retest g2 23.9Ah   note …",
                text ->
                        ServiceLine.read(
                                text,
                                model.desk().ledger().expected(),
                                model.inHand().name(),
                                LocalDate.ofInstant(model.desk().now(), ZoneId.systemDefault()),
                                probing(model)),
                changed -> {
                    model.inHand().nameProperty().subscribe(name -> changed.run());
                    model.searchedProperty().subscribe(now -> changed.run());
                });
    }

    private static ServiceLine.Probing probing(ServiceModel model) {
        return new ServiceLine.Probing(
                model.sought(),
                model.searchedProperty()
                        .get()
                        .flatMap(ServiceModel.Searched::next)
                        .map(CanSearch.Can::cell));
    }
}
