/**
 * The window and its screens, built in code over {@link orbispace.app.session.Session}. Start at
 * {@link orbispace.app.view.MainWindow}.
 */
@org.jspecify.annotations.NullMarked
package orbispace.app.view;
