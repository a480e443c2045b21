package orbispace.core.clear;

import java.util.Locale;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;

/** A change that might clear a source, before it is rendered. */
record Candidate(
        Setting kind,
        ReturnEdit edit,
        String change,
        String why,
        double octaves,
        double duckDb,
        double levelDb,
        double decayShare) {

    /** One that costs nothing but perhaps bloom. */
    static Candidate of(Setting kind, ReturnEdit edit, String change, String why) {
        return new Candidate(kind, edit, change, why, 0, 0, 0, 0);
    }

    Candidate costingOctaves(double value) {
        return new Candidate(kind, edit, change, why, value, duckDb, levelDb, decayShare);
    }

    Candidate costingDuck(double db) {
        return new Candidate(kind, edit, change, why, octaves, db, levelDb, decayShare);
    }

    Candidate costingLevel(double db) {
        return new Candidate(kind, edit, change, why, octaves, duckDb, db, decayShare);
    }

    Candidate costingDecay(double share) {
        return new Candidate(kind, edit, change, why, octaves, duckDb, levelDb, share);
    }

    /** Words with numbers in them, written the same in every country. */
    static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }

    /** A level with a true minus. */
    static String level(double db) {
        return text("%.1f", db).replace('-', '\u2212');
    }
}
