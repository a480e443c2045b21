package orbispace.core.prove;

import orbispace.core.design.Edit;

/**
 * Something that can be done about a finding.
 *
 * @param label what pressing it does, such as "shift by -1234 samples"
 * @param edit the change
 */
public record Remedy(String label, Edit edit) {}
