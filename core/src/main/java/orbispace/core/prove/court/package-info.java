/**
 * Holds drafts against the program's own findings before anyone sees them: {@link
 * orbispace.core.prove.court.Court} sets levels, clears the lead, takes remedies, and says of every
 * return what was asked, what was reached and why not; {@link orbispace.core.prove.court.BestDraft}
 * says which of several serves the material best. Nothing else of the proofs depends on it.
 */
@NullMarked
package orbispace.core.prove.court;

import org.jspecify.annotations.NullMarked;
