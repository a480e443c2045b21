/**
 * The inspector of a return: its chain as a path of cards.
 *
 * <p>Start at {@link orbispace.app.view.chain.ReturnInspector}. Knows frame and controls, no
 * screen.
 */
@NullMarked
package orbispace.app.view.chain;

import org.jspecify.annotations.NullMarked;
