/**
 * What was done and when: entries and snapshots.
 *
 * <p>Start at {@link orbispace.core.prove.log.Logbook}. Knows designs only.
 */
@NullMarked
package orbispace.core.prove.log;

import org.jspecify.annotations.NullMarked;
