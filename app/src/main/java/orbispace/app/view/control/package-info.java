/**
 * Fields, buttons and small drawings that every screen uses.
 *
 * <p>Start at {@link orbispace.app.view.control.NumberField}. Knows no screen and not the frame.
 */
@NullMarked
package orbispace.app.view.control;

import org.jspecify.annotations.NullMarked;
