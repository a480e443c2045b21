/**
 * The hand that draws: palette, scales, hatches, and the pictures of the field. Start at {@link
 * orbispace.app.draw.Pen}.
 *
 * <p>Painters take values and draw on a canvas; they hold no state of the program.
 */
@org.jspecify.annotations.NullMarked
package orbispace.app.draw;
