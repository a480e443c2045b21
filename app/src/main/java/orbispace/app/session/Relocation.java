package orbispace.app.session;

import java.nio.file.Path;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import org.jspecify.annotations.Nullable;

/** Audio paths of a project that is kept in another folder than its stems. */
final class Relocation {
    private Relocation() {}

    /**
     * The design as it must be written into {@code to} so that its stems in {@code from} are found.
     */
    static Design moved(Design design, @Nullable Path from, @Nullable Path to) {
        if (from == null || to == null || from.equals(to)) {
            return design;
        }
        return new Design(
                design.song(),
                design.sources().stream()
                        .map(s ->
                                new Source(
                                        s.id(),
                                        s.name(),
                                        path(from.resolve(s.file()).normalize(), to),
                                        s.role(),
                                        s.gainDb(),
                                        s.pan()))
                        .toList(),
                design.returns());
    }

    /** Relative inside the project's folder, absolute outside it. */
    private static String path(Path audio, Path to) {
        return audio.startsWith(to) ? to.relativize(audio).toString() : audio.toString();
    }
}
