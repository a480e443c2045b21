/**
 * What a stem that is brought is: {@link orbispace.core.intake.StemName} reads its name, {@link
 * orbispace.core.intake.StemGuess} decides between name and sound, {@link
 * orbispace.core.intake.GroupProposal} says which belong together. Knows designs and material;
 * knows nothing of files or windows.
 */
@NullMarked
package orbispace.core.intake;

import org.jspecify.annotations.NullMarked;
