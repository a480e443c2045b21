package orbispace.app.view.song;

import java.util.OptionalDouble;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SongModel;
import orbispace.app.view.control.StepSize;
import orbispace.core.words.Entries;

/** Tempo and form: the chosen section, and what holds for the whole song. */
final class FormPanel extends VBox {
    private final SectionCard section;
    private final BeatCard beat;

    FormPanel(SongModel model) {
        super(12);
        section = new SectionCard(model);
        beat = new BeatCard(model, section::setTempo);
        getChildren().addAll(section, beat);
    }

    /** Comes to the front: bar 1 is looked for now. */
    void shown(boolean inFront) {
        beat.shown(inFront);
    }

    /** Brings the name of the section under the hand. */
    void rename() {
        section.rename();
    }

    static Label head(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("caps");
        return label;
    }

    static Label caption(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("caption");
        label.setWrapText(true);
        return label;
    }

    /** Amount of one step of a field. */
    static double step(StepSize size, double fine, double plain, double coarse) {
        return switch (size) {
            case FINE -> fine;
            case PLAIN -> plain;
            case COARSE -> coarse;
        };
    }

    /** Takes a typed number. */
    interface Taken {
        /** Whether it was taken. */
        boolean take(double value);
    }

    static boolean number(String text, String unit, Taken taken) {
        OptionalDouble value = Entries.number(text, unit);
        return value.isPresent() && taken.take(value.getAsDouble());
    }
}
