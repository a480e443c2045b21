/**
 * What the window works on: the open project, its history, its measured results and its jobs, as
 * observable values without any view. Start at {@link orbispace.app.session.Session}.
 *
 * <p>Must not depend on the scene graph.
 */
@org.jspecify.annotations.NullMarked
package orbispace.app.session;
