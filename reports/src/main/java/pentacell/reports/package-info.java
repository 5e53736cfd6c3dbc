/// Paper. [pentacell.reports.PickListPdf] is the list a hand walks with; the page and its
/// typesetting stay inside.
@NullMarked
package pentacell.reports;

import org.jspecify.annotations.NullMarked;
