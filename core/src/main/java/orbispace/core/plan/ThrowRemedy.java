package orbispace.core.plan;

import orbispace.core.design.Edit;

/**
 * A change that lets the phrase after a throw through, measured.
 *
 * @param words what it does
 * @param edit the change
 * @param kept share of that phrase's loudness that is left afterwards
 * @param repeats how many repeats are left, a tail counting as one
 */
public record ThrowRemedy(String words, Edit edit, double kept, int repeats) {}
