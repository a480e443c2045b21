package orbispace.core.design;

/** What one may want of a source and a return, as ready-made targets. */
public enum Goal {
    /** A lead over a felt space. */
    LEAD("lead, felt", Targets.LEAD),
    /** A lead with an effect that is wanted. */
    EFFECT("lead, effect heard", Targets.LEAD_EFFECT),
    /** An intimate or word-heavy lead. */
    INTIMATE("intimate lead", Targets.LEAD_INTIMATE),
    /** What need not stand in front. */
    BACKING("backing", Targets.BACKING),
    /** Something washed. */
    WASHED("washed", Targets.WASHED);

    private final String label;

    @SuppressWarnings("ImmutableEnumChecker") // A record of numbers never changes.
    private final Targets targets;

    Goal(String label, Targets targets) {
        this.label = label;
        this.targets = targets;
    }

    /** Its name in words. */
    public String label() {
        return label;
    }

    /** What it asks. */
    public Targets targets() {
        return targets;
    }
}
