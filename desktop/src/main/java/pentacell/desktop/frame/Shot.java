package pentacell.desktop.frame;

import java.util.function.BooleanSupplier;
import pentacell.desktop.theme.Theme;

/// A picture to take of a station for the handbook.
///
/// @param name its file name without ending
/// @param theme the dress it is taken in
/// @param prepare sets the station up; it is shown already
/// @param isReady whether what was set up is there
public record Shot(String name, Theme theme, Runnable prepare, BooleanSupplier isReady) {
    /// A picture that is ready as soon as it is laid out.
    public Shot(String name, Theme theme, Runnable prepare) {
        this(name, theme, prepare, () -> true);
    }
}
