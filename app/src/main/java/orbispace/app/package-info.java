/**
 * Where the program starts: {@link orbispace.app.Main} reads the command line and opens what it
 * names.
 */
@org.jspecify.annotations.NullMarked
package orbispace.app;
