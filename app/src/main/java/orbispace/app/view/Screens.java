package orbispace.app.view;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.util.Duration;
import orbispace.app.desk.Desk;
import orbispace.app.draw.Palette;
import orbispace.app.view.chain.ReturnInspector;
import orbispace.app.view.clear.ClearView;
import orbispace.app.view.frame.FileMenu;
import orbispace.app.view.frame.Screen;
import orbispace.app.view.frame.Step;
import orbispace.app.view.orbit.OrbitView;
import orbispace.app.view.plan.PlanView;
import orbispace.app.view.prove.ProveView;
import orbispace.app.view.sheet.SheetView;
import orbispace.app.view.song.SongView;

/**
 * The screens, each made when it is first asked for, or once the window stands: the first picture
 * waits for one screen, not for six.
 */
final class Screens {
    private static final Duration WINDOW_STANDS = Duration.seconds(1.5);

    private final Desk desk;
    private final FileMenu files;
    private final Map<Step, Screen<?>> made = new EnumMap<>(Step.class);
    private Palette palette = Palette.DAY;

    Screens(Desk desk, FileMenu files) {
        this.desk = desk;
        this.files = files;
    }

    /** Makes what is missing a while from now, one screen at a time. */
    void makeAllSoon() {
        PauseTransition soon = new PauseTransition(WINDOW_STANDS);
        soon.setOnFinished(e -> {
            for (Step step : Step.values()) {
                Platform.runLater(() -> of(step));
            }
        });
        soon.play();
    }

    /** The screen of a step. */
    Screen<?> of(Step step) {
        Screen<?> known = made.get(step);
        if (known != null) {
            return known;
        }
        Screen<?> screen = make(step);
        screen.setPalette(palette);
        made.put(step, screen);
        return screen;
    }

    /** All of them, in the order of the steps. */
    Map<Step, Screen<?>> all() {
        for (Step step : Step.values()) {
            of(step);
        }
        return Collections.unmodifiableMap(made);
    }

    /** Tells those that were made that they are not in front. */
    void hide() {
        made.values().forEach(s -> s.shown(false));
    }

    void setPalette(Palette given) {
        palette = given;
        made.values().forEach(s -> s.setPalette(given));
    }

    private Screen<?> make(Step step) {
        return switch (step) {
            case SONG -> new SongView(desk.song(), files);
            case ORBIT -> new OrbitView(desk.orbit(), new ReturnInspector(desk.chain()));
            case CLEAR -> new ClearView(desk.clear());
            case PLAN -> new PlanView(desk.plan());
            case PROVE -> new ProveView(desk.prove());
            case SHEET -> new SheetView(desk.sheet());
        };
    }
}
