/**
 * Findings: what is wrong or worth knowing about the material and the field, with evidence and with
 * remedies that can be pressed. Start at {@link orbispace.core.prove.StemFindings}. A rule reads
 * measures, it measures nothing itself.
 */
@NullMarked
package orbispace.core.prove;

import org.jspecify.annotations.NullMarked;
