/**
 * The numbers of a return by name: how each is read, typed, stepped and bounded.
 *
 * <p>Start at {@link orbispace.app.knob.ReturnEdits}. Knows no other room of the application.
 */
@NullMarked
package orbispace.app.knob;

import org.jspecify.annotations.NullMarked;
