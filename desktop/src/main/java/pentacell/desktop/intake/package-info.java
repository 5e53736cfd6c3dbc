/// The Intake station: tray, band ruler, yields, quick line, and the import of cell tables.
@NullMarked
package pentacell.desktop.intake;

import org.jspecify.annotations.NullMarked;
