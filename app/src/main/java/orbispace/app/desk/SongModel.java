package orbispace.app.desk;

import orbispace.app.session.SongStems;

/** What the Song screen shows and does: stems, tempo and form. */
public final class SongModel extends ScreenModel {
    private final FormEditing form;
    private final SongStems stems;

    SongModel(Common common, FormEditing form, SongStems stems) {
        super(common);
        this.form = form;
        this.stems = stems;
    }

    /** Changing sections, tempo and metre. */
    public FormEditing form() {
        return form;
    }

    /** The stems of the song. */
    public SongStems stems() {
        return stems;
    }
}
