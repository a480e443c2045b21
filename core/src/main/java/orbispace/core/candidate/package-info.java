/**
 * Candidates for one return, all set to the same share of what is heard, so that they can be told
 * apart by what they are and not by how loud they are.
 *
 * <p>Start at {@link orbispace.core.candidate.EqualShare}.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.candidate;
