package orbispace.app.view.frame;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import orbispace.app.session.Bringing;
import orbispace.app.view.control.Plate;

/** Offers the changes that a crash left beside the open project. */
public final class RecoveryBar extends HBox {
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("d MMMM, HH:mm", Locale.ENGLISH);

    private final Bringing bringing;
    private final Label words = new Label();

    public RecoveryBar(Bringing bringing) {
        super(10);
        this.bringing = bringing;
        getStyleClass().addAll("problem-bar", "offer");
        setAlignment(Pos.CENTER_LEFT);
        words.setWrapText(true);
        words.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(words, Priority.ALWAYS);
        getChildren()
                .addAll(
                        words,
                        Plate.button("Take them up", bringing::takeRecovered),
                        Plate.button("Leave them", bringing::leaveRecovered));
        bringing.recovered().addListener((o, was, is) -> refresh());
        refresh();
    }

    private void refresh() {
        setVisible(bringing.recovered().get() != null);
        setManaged(isVisible());
        bringing.recoveredTime()
                .ifPresent(t ->
                        words.setText(
                                "Changes of "
                                        + TIME.format(t.toInstant().atZone(ZoneId.systemDefault()))
                                        + (bringing.recoveredIsCurrent()
                                                ? " were never saved. "
                                                : " to an earlier version of this file were never"
                                                        + " saved. ")
                                        + "They can be taken up as one step."));
    }
}
