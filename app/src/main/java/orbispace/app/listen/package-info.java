/**
 * Playing the field through the sound card, or a silent output that keeps time like one. Start at
 * {@link orbispace.app.listen.Player}.
 */
@org.jspecify.annotations.NullMarked
package orbispace.app.listen;
