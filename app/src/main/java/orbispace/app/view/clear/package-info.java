/**
 * Room for the dry: what covers a source, and the remedies.
 *
 * <p>Start at {@link orbispace.app.view.clear.ClearView}. Knows frame and controls, no other
 * screen.
 */
@NullMarked
package orbispace.app.view.clear;

import org.jspecify.annotations.NullMarked;
