package orbispace.core.design;

/**
 * One return in one section: how it differs there from what it is otherwise.
 *
 * @param levelDb offset of its level, -60 to 24
 * @param decayScale factor on its decay or on the decay of its repeats, 0.1 to 4
 * @param tempo which tempo its note values take
 * @param widthScale factor on its width, 0 to 2
 * @param muted whether nothing is sent into it
 * @param rampBeats how long it takes to become so from the section's beginning on, in quarter
 *     notes, 0 to 256
 * @param edge what becomes of the tail of the section before
 */
public record PlanCell(
        double levelDb,
        double decayScale,
        Tempo tempo,
        double widthScale,
        boolean muted,
        double rampBeats,
        Edge edge) {
    /** Nothing differs. */
    public static final PlanCell PLAIN =
            new PlanCell(0, 1, Tempo.AS_RETURN, 1, false, 0, Edge.CARRIED);

    /** Which tempo note values take. */
    public enum Tempo {
        /** As the return does. */
        AS_RETURN("as the return"),
        /** That at the beginning of the section. */
        FOLLOWS("follows"),
        /** That of the return's own bar. */
        STAYS("stays");

        private final String label;

        Tempo(String label) {
            this.label = label;
        }

        /** It in words. */
        public String label() {
            return label;
        }
    }

    /** What becomes of a tail at the edge between two sections. */
    public enum Edge {
        /** It rings on as loud as it was; only what is sent from now on is changed. */
        CARRIED("carried"),
        /** It fades to the new level with the ramp. */
        FADED("faded"),
        /** It is cut to the new level at once. */
        CUT("cut");

        private final String label;

        Edge(String label) {
            this.label = label;
        }

        /** It in words. */
        public String label() {
            return label;
        }
    }

    /** Checks the ranges; a level of minus nothing is none. */
    public PlanCell {
        levelDb += 0.0;
        Ranges.require("level offset", levelDb, -60, 24);
        Ranges.require("decay scale", decayScale, 0.1, 4);
        Ranges.require("width scale", widthScale, 0, 2);
        Ranges.require("ramp", rampBeats, 0, 256);
    }

    /** Whether nothing differs. */
    public boolean isPlain() {
        return equals(PLAIN);
    }

    /** The same at another level. */
    public PlanCell withLevel(double db) {
        return new PlanCell(db, decayScale, tempo, widthScale, muted, rampBeats, edge);
    }

    /** The same with another decay. */
    public PlanCell withDecay(double scale) {
        return new PlanCell(levelDb, scale, tempo, widthScale, muted, rampBeats, edge);
    }

    /** The same taking another tempo. */
    public PlanCell withTempo(Tempo other) {
        return new PlanCell(levelDb, decayScale, other, widthScale, muted, rampBeats, edge);
    }

    /** The same with another width. */
    public PlanCell withWidth(double scale) {
        return new PlanCell(levelDb, decayScale, tempo, scale, muted, rampBeats, edge);
    }

    /** The same, muted or not. */
    public PlanCell withMuted(boolean mute) {
        return new PlanCell(levelDb, decayScale, tempo, widthScale, mute, rampBeats, edge);
    }

    /** The same reached in another time. */
    public PlanCell withRamp(double beats) {
        return new PlanCell(levelDb, decayScale, tempo, widthScale, muted, beats, edge);
    }

    /** The same with another edge. */
    public PlanCell withEdge(Edge other) {
        return new PlanCell(levelDb, decayScale, tempo, widthScale, muted, rampBeats, other);
    }
}
