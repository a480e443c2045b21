package orbispace.app;

import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.prefs.Preferences;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import orbispace.app.desk.Desk;
import orbispace.app.draw.Type;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.CacheFolder;
import orbispace.app.view.MainWindow;
import orbispace.app.view.frame.PlayClock;
import org.jspecify.annotations.Nullable;

/** The program in a window. */
public final class OrbispaceApplication extends Application {
    private static final AtomicReference<Consumer<Desk>> BEGINNING =
            new AtomicReference<>(desk -> {});

    private final Desk desk =
            new Desk(
                    Platform::runLater,
                    RecentProjects.inPreferences(Preferences.userRoot().node("orbispace")),
                    CacheFolder.facts());

    private @Nullable PlayClock clock;

    /** What the next launched window does first; the toolkit makes the window itself. */
    static void start(Consumer<Desk> beginning) {
        BEGINNING.set(beginning);
    }

    @Override
    public void start(Stage stage) {
        Type.load();
        MainWindow window = new MainWindow(desk);
        PlayClock made = window.clock(desk.frame().transport().playing());
        clock = made;
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
        made.start();
        java.util.Objects.requireNonNull(BEGINNING.get()).accept(desk);
    }

    @Override
    public void stop() {
        PlayClock made = clock;
        if (made != null) {
            made.close();
        }
        desk.close();
    }
}
