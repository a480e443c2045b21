/**
 * Playing the field through the sound card, or a silent output that keeps time like one.
 *
 * <p>Start at {@link orbispace.app.listen.Transport}; {@link orbispace.app.listen.Player} has the
 * thread that plays.
 */
@NullMarked
package orbispace.app.listen;

import org.jspecify.annotations.NullMarked;
