/**
 * The window: its screens side by side, and the keys that go between them.
 *
 * <p>Start at {@link orbispace.app.view.MainWindow}, the one view that knows the whole {@link
 * orbispace.app.desk.Desk}.
 */
@NullMarked
package orbispace.app.view;

import org.jspecify.annotations.NullMarked;
