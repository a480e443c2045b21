package orbispace.core.design;

import java.util.Optional;

/**
 * A change of what all wet, or the returns of a purpose, pass. Returns whose purpose was only
 * guessed are then for it, so that what is set does not come and go with a guess.
 *
 * @param purpose whose; empty for all wet
 * @param bus as it is after the change
 * @param what changes, in words
 */
public record WetEdit(Optional<Purpose> purpose, WetBus bus, String what) implements Edit {
    @Override
    public Design applyTo(Design design) {
        Aims aims = design.aims();
        for (Return r : design.returns()) {
            Purpose is = Purposes.of(design, r);
            if (purpose.isPresent() && is == purpose.get()) {
                aims = aims.purposed(r.id(), is);
            }
        }
        return design.withAims(aims).withWet(design.wet().with(purpose, bus));
    }

    @Override
    public String subject() {
        return what + " of " + purpose.map(p -> "all of " + p.label()).orElse("all wet");
    }
}
