package orbispace.app.session;

import javafx.beans.property.SimpleStringProperty;
import orbispace.core.words.Wording;

/** Words that stay in one line, whatever a file or a name brought into them. */
final class OneLine extends SimpleStringProperty {
    OneLine() {
        super("");
    }

    @Override
    public void set(String words) {
        super.set(Wording.oneLine(words));
    }
}
