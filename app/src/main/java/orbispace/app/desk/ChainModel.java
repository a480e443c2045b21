package orbispace.app.desk;

/** What the inspector of a return shows and does. */
public final class ChainModel extends ScreenModel {
    private final FieldEditing field;
    private final Settling settling;
    private final UnitMeasuring units;

    ChainModel(Common common, FieldEditing field, Settling settling, UnitMeasuring units) {
        super(common);
        this.field = field;
        this.settling = settling;
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
        return settling;
    }
}
