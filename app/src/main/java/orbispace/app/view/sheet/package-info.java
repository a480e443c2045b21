/**
 * Hand-over: the recall sheet, prints, lanes and the log.
 *
 * <p>Start at {@link orbispace.app.view.sheet.SheetView}. Knows frame and controls, no other
 * screen.
 */
@NullMarked
package orbispace.app.view.sheet;

import org.jspecify.annotations.NullMarked;
