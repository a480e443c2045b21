package orbispace.app.view.frame;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import orbispace.app.session.Jobs;
import orbispace.app.view.control.Plate;

/** What is worked on in the background, how far it has come, and a way to stop it. */
final class BusyMark extends Pane {
    private static final double BUTTON = 18;

    private final Label words = new Label();
    private final ProgressBar progress = new ProgressBar();
    private final Button cancel = new Button("\u00d7");
    private final Tooltip whole = new Tooltip();

    BusyMark(Jobs jobs) {
        words.getStyleClass().add("caption");
        words.setTooltip(whole);
        cancel.getStyleClass().add("bare");
        cancel.setTooltip(new Tooltip("Stop what is worked on"));
        cancel.setOnAction(e -> jobs.cancelAll());
        progress.getStyleClass().add("busy");
        getChildren().addAll(words, progress, cancel);
        jobs.busyWith().addListener((o, was, is) -> show(is));
        jobs.progress()
                .addListener((o, was, is) ->
                        progress.setProgress(is.doubleValue() <= 0 ? -1 : is.doubleValue()));
        show(jobs.busyWith().get());
    }

    private void show(String doing) {
        words.setText(doing);
        whole.setText(doing);
        cancel.setAccessibleText("stop: " + doing);
        setVisible(!doing.isEmpty());
        if (!doing.isEmpty()) {
            progress.setProgress(0);
        }
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth() - BUTTON - 4;
        Plate.place(words, 0, 0, w, 16);
        Plate.place(progress, 0, 17, w, 4);
        Plate.place(cancel, w + 4, 0, BUTTON, BUTTON);
        super.layoutChildren();
    }
}
