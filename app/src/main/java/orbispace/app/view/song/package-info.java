/**
 * The materials: stems, tempo and form.
 *
 * <p>Start at {@link orbispace.app.view.song.SongView}. Knows frame and controls, no other screen.
 */
@NullMarked
package orbispace.app.view.song;

import org.jspecify.annotations.NullMarked;
