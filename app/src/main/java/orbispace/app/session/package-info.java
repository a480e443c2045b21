/**
 * The open song: its design and history, where it is kept, what is chosen, its log, and the jobs
 * that work on it.
 *
 * <p>Start at {@link orbispace.app.session.Editor}. What begins and ends with a song is an {@link
 * orbispace.app.session.OfSong}. Must not depend on the scene graph, nor on what measures or plays.
 */
@NullMarked
package orbispace.app.session;

import org.jspecify.annotations.NullMarked;
