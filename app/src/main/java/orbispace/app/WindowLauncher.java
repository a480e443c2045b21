package orbispace.app;

import java.nio.file.Path;
import java.util.Optional;
import orbispace.app.command.Windows;
import orbispace.files.FileProblem;

/** Opens real windows. */
final class WindowLauncher implements Windows {
    @Override
    public void open(Optional<Path> project) throws FileProblem {
        throw new FileProblem("no window yet");
    }

    @Override
    public void openDemo() throws FileProblem {
        throw new FileProblem("no window yet");
    }

    @Override
    public boolean hasDisplay() {
        return false;
    }

    @Override
    public void tour(Path folder) throws FileProblem {
        throw new FileProblem("no window yet");
    }
}
