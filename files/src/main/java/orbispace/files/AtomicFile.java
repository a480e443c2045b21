package orbispace.files;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** Files that are either whole or not there: written beside their place, then moved over it. */
public final class AtomicFile {
    private AtomicFile() {}

    /** Writes to a temporary path. */
    @FunctionalInterface
    public interface Body {
        /** Writes everything. */
        void writeTo(Path temporary) throws IOException;
    }

    /**
     * Writes a file whole.
     *
     * @throws FileProblem in one line; what stood there before is left as it was
     */
    public static void write(Path file, Body body) throws FileProblem {
        Path name = file.getFileName();
        if (name == null || Files.isDirectory(file)) {
            throw FileProblem.writing(file, new IOException("a folder"));
        }
        Path temporary = file.resolveSibling("." + name + ".part");
        try {
            body.writeTo(temporary);
            move(temporary, file);
        } catch (IOException e) {
            try {
                Files.deleteIfExists(temporary);
            } catch (IOException left) {
                e.addSuppressed(left);
            }
            throw FileProblem.writing(file, e);
        }
    }

    /** Writes a text file whole, in UTF-8. */
    public static void writeText(Path file, String text) throws FileProblem {
        write(file, temporary -> Files.writeString(temporary, text, StandardCharsets.UTF_8));
    }

    private static void move(Path from, Path to) throws IOException {
        try {
            Files.move(
                    from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }
}
