/**
 * The command line, in the core's terms. Start at {@link orbispace.app.command.OrbispaceCommand}.
 *
 * <p>Must not depend on the views; opening the window is handed in.
 */
@org.jspecify.annotations.NullMarked
package orbispace.app.command;
