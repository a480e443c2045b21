package orbispace.app.desk;

/** What the inspector of a return shows and does. */
public final class ChainModel extends ScreenModel {
    private final FieldEditing field;
    private final UnitMeasuring units;

    ChainModel(Common common, FieldEditing field, UnitMeasuring units) {
        super(common);
        this.field = field;
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
}
