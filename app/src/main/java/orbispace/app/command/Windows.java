package orbispace.app.command;

import java.nio.file.Path;
import java.util.Optional;
import orbispace.files.FileProblem;

/** Opens windows, so that the command line need not know them. */
public interface Windows {
    /**
     * Opens a project, or the beginning if there is none, and returns when the window is closed.
     */
    void open(Optional<Path> project) throws FileProblem;

    /** Opens the demo song. */
    void openDemo() throws FileProblem;

    /** Whether this machine has a display to open a window on. */
    boolean hasDisplay();

    /** Opens every main view off screen on the demo song and writes a picture of each. */
    void tour(Path folder) throws FileProblem;
}
