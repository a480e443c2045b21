/**
 * Findings: what is wrong or worth knowing about the material and the field, with evidence and with
 * remedies that can be pressed. Start at {@link orbispace.core.prove.Finding}; its rooms are {@code
 * rule}, {@code stem}, {@code compare} and {@code log}.
 */
@NullMarked
package orbispace.core.prove;

import org.jspecify.annotations.NullMarked;
