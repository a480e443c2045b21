/**
 * First fields for a song, worked out from what its material says: {@link
 * orbispace.core.draft.Drafter} makes three of them, {@link orbispace.core.draft.StateLevels} sets
 * their levels so that each return is noticed as much as it should be. Knows designs and rendering;
 * knows nothing of files or windows.
 */
@NullMarked
package orbispace.core.draft;

import org.jspecify.annotations.NullMarked;
