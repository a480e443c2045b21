/**
 * Sound files: WAV and its relatives, AIFF and FLAC are read, WAV is written.
 *
 * <p>Start at {@link orbispace.files.sound.SoundReader}. Knows no other room of the files.
 */
@NullMarked
package orbispace.files.sound;

import org.jspecify.annotations.NullMarked;
