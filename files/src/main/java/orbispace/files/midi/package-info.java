/**
 * Standard MIDI Files: tempo and form are read, the automation is written, as breakpoints too.
 *
 * <p>Start at {@link orbispace.files.midi.MidiTempo}. Uses the chunks of {@code sound}.
 */
@NullMarked
package orbispace.files.midi;

import org.jspecify.annotations.NullMarked;
