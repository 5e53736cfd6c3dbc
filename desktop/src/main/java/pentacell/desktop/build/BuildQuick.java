package pentacell.desktop.build;

import pentacell.core.build.BuildLine;
import pentacell.core.build.JudgedLayout;
import pentacell.desktop.frame.LoggedLines;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Build: a cell, a group, a lead or the whole pack with its volts; or a cell
/// alone as it goes into the holder, to be told its place; `out` behind it as it leaves.
final class BuildQuick {
    private BuildQuick() {}

    static QuickSource of(BuildModel model) {
        return new LoggedLines(
                model.desk(),
                () -> model.packProperty().get(),
                "HB03-07   HB03-07 3.68   g3 3.712   tap 3 12.51   pack 29.2",
                text ->
                        BuildLine.read(
                                text,
                                model.desk().ledger().expected(),
                                model.packProperty().get(),
                                model.shownProperty().get().map(JudgedLayout::layout)),
                changed -> {
                    model.packProperty().subscribe(name -> changed.run());
                    model.builtProperty().subscribe(now -> changed.run());
                    model.shownProperty().subscribe(now -> changed.run());
                });
    }
}
