package orbispace.app.desk;

/** What the inspector of a return shows and does. */
public final class ChainModel extends ScreenModel {
    private final FieldEditing field;
    private final OrbitParts parts;
    private final UnitMeasuring units;

    ChainModel(Common common, FieldEditing field, OrbitParts parts, UnitMeasuring units) {
        super(common);
        this.field = field;
        this.parts = parts;
        this.units = units;
    }

    /** Adding, moving and removing returns, and what they are. */
    public FieldEditing field() {
        return field;
    }

    /** Measuring units. */
    public UnitMeasuring units() {
        return units;
    }

    /** Questions that are settled by subtracting. */
    public Settling settling() {
        return parts.settling();
    }

    /** Candidates for one return. */
    public Benching bench() {
        return parts.bench();
    }

    @Override
    public String next() {
        return "";
    }
}
