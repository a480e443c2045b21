/**
 * Time: what follows the dry sound, in one picture, with the returns beside it.
 *
 * <p>Start at {@link orbispace.app.view.orbit.OrbitView}. Knows frame and controls, no other
 * screen.
 */
@NullMarked
package orbispace.app.view.orbit;

import org.jspecify.annotations.NullMarked;
