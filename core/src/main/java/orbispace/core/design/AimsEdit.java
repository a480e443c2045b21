package orbispace.core.design;

/**
 * A change of what is wanted of the field.
 *
 * @param aims as they are after the change
 * @param subject what changes, in words
 */
public record AimsEdit(Aims aims, String subject) implements Edit {
    @Override
    public Design applyTo(Design design) {
        return design.withAims(aims);
    }
}
