/**
 * Turns a design into sound, whole and cached by stage, or block by block for listening.
 *
 * <p>Start at {@link orbispace.core.render.Renderer}. Must not depend on {@code clear} or on who
 * listens.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.render;
