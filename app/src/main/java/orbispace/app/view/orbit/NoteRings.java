package orbispace.app.view.orbit;

import java.util.Comparator;
import java.util.Optional;
import orbispace.app.desk.OrbitModel;
import orbispace.app.draw.PolarAxis;
import orbispace.core.time.NoteValue;

/** The rings of the note values, which a hand catches when it is near. */
final class NoteRings {
    private static final double SNAP_PIXELS = 6;

    private final OrbitModel model;
    private final PolarAxis axis;

    NoteRings(OrbitModel model, PolarAxis axis) {
        this.model = model;
        this.axis = axis;
    }

    /** The straight or dotted note value whose ring is under the hand, if one is near. */
    Optional<NoteValue> near(double seconds) {
        double r = axis.r(seconds);
        return NoteValue.all().stream()
                .filter(n -> n.flavour() != NoteValue.Flavour.TRIPLET)
                .filter(n -> Math.abs(ring(n) - r) < SNAP_PIXELS)
                .min(Comparator.comparingDouble(n -> Math.abs(ring(n) - r)));
    }

    private double ring(NoteValue n) {
        return axis.r(seconds(n));
    }

    /** Length of a note value at the chosen bar. */
    double seconds(NoteValue n) {
        var clock = model.design().get().song().clock();
        return clock.length(n, model.selection().bar()).nominalMillis() / 1000;
    }
}
