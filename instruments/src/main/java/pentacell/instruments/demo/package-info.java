/// Test runs of the demo workshop, made with the stand-ins.
@NullMarked
package pentacell.instruments.demo;

import org.jspecify.annotations.NullMarked;
