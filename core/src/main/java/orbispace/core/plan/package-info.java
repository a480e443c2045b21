/**
 * The field over the whole song: {@link orbispace.core.plan.PlanTemplate} lays ready-made plans
 * over the sections, {@link orbispace.core.plan.Hold} keeps every return as audible while the
 * arrangement changes, {@link orbispace.core.plan.Automation} says the plan and the throws as lanes
 * of breakpoints. Knows designs, rendering and hearing; knows nothing of files or windows.
 */
@NullMarked
package orbispace.core.plan;

import org.jspecify.annotations.NullMarked;
