/// A station that is no part of the program: who has borrowed a meter. It shows that a station is
/// added by its own classes and a line in each of the lists, and by nothing else.
@NullMarked
package pentacell.desktop.loan;

import org.jspecify.annotations.NullMarked;
