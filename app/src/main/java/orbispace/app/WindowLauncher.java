package orbispace.app;

import java.nio.file.Path;
import java.util.Optional;
import javafx.application.Application;
import orbispace.app.command.Windows;
import orbispace.files.FileProblem;

/** Opens real windows, or draws them off screen. */
final class WindowLauncher implements Windows {
    @Override
    public void open(Optional<Path> project) throws FileProblem {
        OrbispaceApplication.start(desk -> project.ifPresent(desk.frame().opening()::open));
        Application.launch(OrbispaceApplication.class);
    }

    @Override
    public void openDemo() {
        OrbispaceApplication.start(desk -> desk.frame().opening().openDemo());
        Application.launch(OrbispaceApplication.class);
    }

    @Override
    public boolean hasDisplay() {
        String system = System.getProperty("os.name", "").toLowerCase(java.util.Locale.ROOT);
        if (system.contains("win") || system.contains("mac")) {
            return true;
        }
        return set("DISPLAY") || set("WAYLAND_DISPLAY");
    }

    private static boolean set(String variable) {
        String value = System.getenv(variable);
        return value != null && !value.isBlank();
    }

    @Override
    public void tour(Path folder) throws FileProblem {
        Tour.run(folder);
    }
}
