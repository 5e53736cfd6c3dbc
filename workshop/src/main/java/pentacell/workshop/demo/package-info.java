/// The demo workshop: Tarn Hollow, a volunteer-run hill observatory, its donors, cells and mishaps.
/// All of it is made up.
@NullMarked
package pentacell.workshop.demo;

import org.jspecify.annotations.NullMarked;
