package orbispace.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.Space;

/**
 * Ready-made plans, by what a section is in the form. They move long spaces and echoes and leave
 * short ones alone; each is an ordinary plan afterwards. The steps are argued, not tested on
 * listeners.
 */
public enum PlanTemplate {
    /** Short spaces carry the verses; the long ones come up for the chorus. */
    OPEN_UP("open up", 1),
    /** The long spaces step back for the chorus, so that it stands in front. */
    CLOSE_IN("close in", -1);

    private static final double CHORUS_DB = 2;
    private static final double VERSE_DB = -4;
    private static final double LIFT_DB = -1;
    private static final double LONGER = 1.15;
    private static final double SHORTER = 0.85;
    private static final double RAMP_BEATS = 1;

    private final String label;
    private final int direction;

    PlanTemplate(String label, int direction) {
        this.label = label;
        this.direction = direction;
    }

    /** Its name in words. */
    public String label() {
        return label;
    }

    /** The same where nothing is known of which returns are heard. */
    public Song applyTo(Design design) {
        return applyTo(design, Set.of());
    }

    /**
     * The song with this plan instead of the cells that it has. Sends stay as planned, and so do
     * effects and what only widens.
     *
     * @param hidden letters of returns that nobody hears anywhere, which are left alone
     */
    public Song applyTo(Design design, Set<String> hidden) {
        List<Return> moved =
                design.returns().stream()
                        .filter(r -> isLong(design, r) && !hidden.contains(r.id()))
                        .filter(r -> !Purposes.of(design, r).isLeftAlone())
                        .filter(r -> Purposes.of(design, r).isHeardByLoudness())
                        .toList();
        return design.song()
                .withSections(
                        design.song().sections().stream().map(s -> planned(s, moved)).toList());
    }

    private Section planned(Section s, List<Return> moved) {
        SectionPlan plan = s.plan().withoutCells();
        PlanCell cell = cell(s);
        for (Return r : moved) {
            plan = plan.withCell(r.id(), cell);
        }
        return s.withPlan(plan);
    }

    private PlanCell cell(Section s) {
        double up =
                switch (s.kind()) {
                    case CHORUS -> CHORUS_DB;
                    case VERSE, INTRO, BREAK -> VERSE_DB;
                    case LIFT -> LIFT_DB;
                    case BRIDGE, SOLO, OUTRO, OTHER -> 0;
                };
        double db = direction > 0 ? up : reversed(up);
        double other = db < -1 ? SHORTER : 1;
        double decay = db > 1 ? LONGER : other;
        return PlanCell.PLAIN.withLevel(db).withDecay(decay).withRamp(db == 0 ? 0 : RAMP_BEATS);
    }

    /** A chorus steps back as far as a verse does else; a verse comes up as little as a chorus. */
    private static double reversed(double up) {
        if (up > 0) {
            return VERSE_DB;
        }
        return up < -1 ? CHORUS_DB : 0 - up;
    }

    /** Whether a return belongs to the long ones: an echo, or a tail over the middle of them. */
    static boolean isLong(Design design, Return r) {
        if (r.gate() != null) {
            return false;
        }
        if (r.space() instanceof Space.Echo) {
            return true;
        }
        OptionalDouble decay = decay(r);
        if (decay.isEmpty()) {
            return false;
        }
        List<Double> all =
                design.returns().stream()
                        .flatMapToDouble(x -> decay(x).stream())
                        .boxed()
                        .sorted(Comparator.naturalOrder())
                        .toList();
        double middle = Math.sqrt(all.getFirst() * all.getLast());
        return all.size() == 1 || decay.getAsDouble() >= middle;
    }

    private static OptionalDouble decay(Return r) {
        return r.space().traits().decaySeconds();
    }
}
