package orbispace.app.desk;

import java.util.Optional;
import orbispace.app.measuring.Drafting;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Jobs;

/** What the Orbit shows and does: the returns in time. */
public final class OrbitModel extends ScreenModel {
    private final FieldEditing field;
    private final ComparedPair pair;
    private final OrbitParts parts;
    private final UnitMeasuring units;
    private final Jobs jobs;

    OrbitModel(
            Common common,
            FieldEditing field,
            OrbitParts parts,
            ComparedPair pair,
            UnitMeasuring units,
            Jobs jobs) {
        super(common);
        this.field = field;
        this.pair = pair;
        this.parts = parts;
        this.units = units;
        this.jobs = jobs;
    }

    /** Adding, moving and removing returns, and what they are. */
    public FieldEditing field() {
        return field;
    }

    /** Drafting whole fields. */
    public Drafting drafting() {
        return parts.drafting();
    }

    /** The two fields that are heard against each other. */
    public ComparedPair pair() {
        return pair;
    }

    /** Measuring units. */
    public UnitMeasuring units() {
        return units;
    }

    /** Work in the background. */
    public Jobs jobs() {
        return jobs;
    }

    /** Questions that are settled by subtracting. */
    public Settling settling() {
        return parts.settling();
    }

    /** How far back the sources stand. */
    public Depths depths() {
        return parts.depths();
    }

    /** Candidates for one return. */
    public Benching bench() {
        return parts.bench();
    }

    /** Returns and fields that are kept as relations. */
    public Banking bank() {
        return parts.bank();
    }

    @Override
    public String next() {
        return NextStep.orbit(design().get(), Optional.ofNullable(measured().clearance().get()));
    }
}
