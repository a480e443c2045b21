/**
 * Room between dry sources, solved for all of them together: pans, widths, and cuts paired with
 * lifts, so that who leads comes through and left and right stay balanced.
 *
 * <p>Start at {@link orbispace.core.clear.room.DryRoom}.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.clear.room;
