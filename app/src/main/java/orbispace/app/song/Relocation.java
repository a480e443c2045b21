package orbispace.app.song;

import java.nio.file.Path;
import java.util.Map;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import org.jspecify.annotations.Nullable;

/** Audio paths of a project that is kept in another folder than its stems. */
public final class Relocation {
    private Relocation() {}

    /**
     * The design as it must be written into {@code to} so that its stems and impulse responses in
     * {@code from} are found.
     */
    public static Design moved(Design design, @Nullable Path from, @Nullable Path to) {
        if (from == null || to == null || from.equals(to)) {
            return design;
        }
        return new Design(
                design.song(),
                design.sources().stream()
                        .map(s -> s.withFile(path(from.resolve(s.file()).normalize(), to)))
                        .toList(),
                design.returns().stream().map(r -> moved(r, from, to)).toList(),
                design.aims(),
                design.thrown(),
                design.groups(),
                design.wet());
    }

    private static Return moved(Return r, Path from, Path to) {
        return r.space() instanceof Space.Convolution c
                ? r.withSpace(
                        new Space.Convolution(
                                path(from.resolve(c.file()).normalize(), to),
                                c.startMillis(),
                                c.keepMillis(),
                                c.lowScale(),
                                c.midScale(),
                                c.highScale()))
                : r;
    }

    /** The design with the files of some sources where they were found. */
    public static Design found(Design design, Map<String, Path> files, Path folder) {
        if (files.isEmpty()) {
            return design;
        }
        return design.withSources(
                design.sources().stream().map(s -> found(s, files.get(s.id()), folder)).toList());
    }

    private static Source found(Source source, @Nullable Path file, Path folder) {
        return file == null ? source : source.withFile(path(file, folder));
    }

    /** Relative inside the project's folder, absolute outside it. */
    public static String path(Path audio, Path to) {
        Path file = audio.toAbsolutePath().normalize();
        Path folder = to.toAbsolutePath().normalize();
        return file.startsWith(folder) ? folder.relativize(file).toString() : file.toString();
    }
}
