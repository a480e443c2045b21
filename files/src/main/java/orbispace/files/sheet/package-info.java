/**
 * The recall sheet: what it says, how it lies on a page, and its four forms.
 *
 * <p>Start at {@link orbispace.files.sheet.RecallSheet}. Knows no other room of the files.
 */
@NullMarked
package orbispace.files.sheet;

import org.jspecify.annotations.NullMarked;
