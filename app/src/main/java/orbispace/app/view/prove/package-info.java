/**
 * What the work changed, and whether one hears it.
 *
 * <p>Start at {@link orbispace.app.view.prove.ProveView}. Knows frame and controls, no other
 * screen.
 */
@NullMarked
package orbispace.app.view.prove;

import org.jspecify.annotations.NullMarked;
