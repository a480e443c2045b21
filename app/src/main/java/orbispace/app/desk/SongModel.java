package orbispace.app.desk;

import orbispace.app.session.SongStems;

/** What the Song screen shows and does: stems, tempo and form. */
public final class SongModel extends ScreenModel {
    private final FormEditing form;
    private final SongStems stems;
    private final Leading leading;

    SongModel(Common common, FormEditing form, SongStems stems, Leading leading) {
        super(common);
        this.form = form;
        this.stems = stems;
        this.leading = leading;
    }

    /** Who stands in front in each section. */
    public Leading leading() {
        return leading;
    }

    /** Changing sections, tempo and metre. */
    public FormEditing form() {
        return form;
    }

    /** The stems of the song. */
    public SongStems stems() {
        return stems;
    }

    @Override
    public String next() {
        return NextStep.song(
                design().get(), stems.missing().size(), measured().survey().findings().get());
    }
}
