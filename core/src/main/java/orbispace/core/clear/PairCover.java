package orbispace.core.clear;

import orbispace.core.hearing.Cover;

/**
 * What one return does to one source.
 *
 * @param source id of the source
 * @param returnId letter of the return, or empty for all returns together
 * @param cover the measures
 */
public record PairCover(String source, String returnId, Cover cover) {}
