/**
 * Songs without a window: checking, clearing, planning, printing and handing over, for the command
 * line and the desk alike; plain values, nothing observable.
 *
 * <p>Start at {@link orbispace.app.song.NewSong} or {@link orbispace.app.song.HandOver}. Knows no
 * other room of the application.
 */
@NullMarked
package orbispace.app.song;

import org.jspecify.annotations.NullMarked;
