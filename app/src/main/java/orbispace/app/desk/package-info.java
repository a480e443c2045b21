/**
 * Everything that works on a song, put together, with the model of each screen.
 *
 * <p>Start at {@link orbispace.app.desk.Desk}, which hands each part what it needs, then at the
 * model of a screen, such as {@link orbispace.app.desk.ClearModel}. Must not depend on the scene
 * graph.
 */
@NullMarked
package orbispace.app.desk;

import org.jspecify.annotations.NullMarked;
