/**
 * The field over the sections of the song, and thrown words.
 *
 * <p>Start at {@link orbispace.app.view.plan.PlanView}. Knows frame and controls, no other screen.
 */
@NullMarked
package orbispace.app.view.plan;

import org.jspecify.annotations.NullMarked;
