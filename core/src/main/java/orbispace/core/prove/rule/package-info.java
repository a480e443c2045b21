/**
 * Rules about the whole field, each with its evidence and its remedies.
 *
 * <p>Start at {@link orbispace.core.prove.rule.FieldFindings}. A rule reads measures, it measures
 * nothing itself. Uses {@code stem}.
 */
@NullMarked
package orbispace.core.prove.rule;

import org.jspecify.annotations.NullMarked;
