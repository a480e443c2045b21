/**
 * The stems of one drum kit, which share strokes: {@link orbispace.core.material.kit.KitFinder}
 * says which strokes are whose, {@link orbispace.core.material.kit.KitLines} how the stems lie in
 * time. Knows sound; knows nothing of designs.
 */
@NullMarked
package orbispace.core.material.kit;

import org.jspecify.annotations.NullMarked;
