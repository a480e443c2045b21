package orbispace.app;

import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.prefs.Preferences;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import orbispace.app.draw.Type;
import orbispace.app.session.CacheFolder;
import orbispace.app.session.RecentProjects;
import orbispace.app.session.Session;
import orbispace.app.view.MainWindow;

/** The program in a window. */
public final class OrbispaceApplication extends Application {
    private static final AtomicReference<Consumer<Session>> BEGINNING =
            new AtomicReference<>(session -> {});

    private final Session session =
            new Session(
                    Platform::runLater,
                    RecentProjects.inPreferences(Preferences.userRoot().node("orbispace")),
                    CacheFolder.facts());

    /** What the next launched window does first; the toolkit makes the window itself. */
    static void start(Consumer<Session> beginning) {
        BEGINNING.set(beginning);
    }

    @Override
    public void start(Stage stage) {
        Type.load();
        MainWindow window = new MainWindow(session);
        AnimationTimer clock = window.clock();
        stage.setScene(window.scene());
        stage.setTitle("Orbispace");
        stage.setMinWidth(1100);
        stage.setMinHeight(700);
        stage.setOnCloseRequest(e -> {
            if (!window.files().mayLeave()) {
                e.consume();
            }
        });
        stage.show();
        clock.start();
        java.util.Objects.requireNonNull(BEGINNING.get()).accept(session);
    }

    @Override
    public void stop() {
        session.close();
    }
}
