/**
 * Counts what drafts are worth on songs that nobody drafted by hand: {@link
 * orbispace.bench.draft.DraftTruth} prints the table of {@code docs/methods.md}. Songs are made by
 * code from a seed.
 */
@NullMarked
package orbispace.bench.draft;

import org.jspecify.annotations.NullMarked;
