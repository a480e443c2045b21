package orbispace.core.prove.stem;

import orbispace.core.material.LineUp;

/**
 * Two sources that hold the same sound.
 *
 * @param first id of one
 * @param second id of the other
 * @param lineUp how the second lies against the first
 */
public record SharedSound(String first, String second, LineUp lineUp) {}
