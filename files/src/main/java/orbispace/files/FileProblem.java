package orbispace.files;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** A file that could not be read or written: one line that names it, the fault and the way on. */
public final class FileProblem extends IOException {
    private static final long serialVersionUID = 1;

    /** A problem in words. */
    public FileProblem(String message) {
        super(Wording.oneLine(message));
    }

    /** A problem in words with what caused it. */
    public FileProblem(String message, @Nullable Throwable cause) {
        super(Wording.oneLine(message), cause);
    }

    /** What a failed read means. */
    public static FileProblem reading(Path file, IOException cause) {
        if (cause instanceof FileProblem known) {
            return known;
        }
        if (cause instanceof NoSuchFileException || !Files.exists(file)) {
            return new FileProblem(file + ": there is no such file; check the name", cause);
        }
        if (Files.isDirectory(file)) {
            return new FileProblem(file + ": is a folder, not a file; name the file in it", cause);
        }
        if (cause instanceof AccessDeniedException || !Files.isReadable(file)) {
            return new FileProblem(file + ": may not be read; change its permissions", cause);
        }
        return new FileProblem(file + ": could not be read (" + words(cause) + ")", cause);
    }

    /** What a failed write means. */
    public static FileProblem writing(Path file, IOException cause) {
        if (cause instanceof FileProblem known) {
            return known;
        }
        if (Files.isDirectory(file)) {
            return new FileProblem(file + ": is a folder; give a file name", cause);
        }
        Path parent = file.toAbsolutePath().getParent();
        if (parent != null && !Files.isDirectory(parent)) {
            return new FileProblem(
                    file + ": its folder does not exist; make it or choose another", cause);
        }
        if (cause instanceof AccessDeniedException
                || (parent != null && !Files.isWritable(parent))) {
            return new FileProblem(file + ": may not be written; choose another folder", cause);
        }
        return new FileProblem(
                file
                        + ": could not be written ("
                        + words(cause)
                        + "); free some space or choose another folder",
                cause);
    }

    private static String words(IOException cause) {
        String message = cause.getMessage();
        return message == null ? cause.getClass().getSimpleName() : message;
    }
}
