/// Plan: from what a pack must power to its groups and cells, its checks, its box and its parts.
@NullMarked
package pentacell.desktop.plan;

import org.jspecify.annotations.NullMarked;
