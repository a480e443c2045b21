/**
 * What is measured of the open song in the background, as observable values.
 *
 * <p>Start at {@link orbispace.app.measuring.Measurements}. Must not depend on the scene graph, nor
 * on the desk.
 */
@NullMarked
package orbispace.app.measuring;

import org.jspecify.annotations.NullMarked;
