/**
 * The frame of every screen: ribbon, rail, menus, and what a screen has to be.
 *
 * <p>Start at {@link orbispace.app.view.frame.Screen}. Knows the controls; no screen.
 */
@NullMarked
package orbispace.app.view.frame;

import org.jspecify.annotations.NullMarked;
