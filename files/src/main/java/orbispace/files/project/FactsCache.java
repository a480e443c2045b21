package orbispace.files.project;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.function.Supplier;
import orbispace.files.AtomicFile;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * What was measured of stems, kept on disk by their content, so that a song opens with what is
 * known of it. A cache that cannot be read or written is none; nothing is lost with it.
 */
public final class FactsCache {
    /** Counts up whenever a measure of a stem changes. */
    private static final int EDITION = 9;

    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** Keeps nothing. */
    public static final FactsCache NONE = new FactsCache(Path.of(""));

    private final Path folder;
    private final Optional<Path> shipped;

    /** A cache in a folder, which is made when something is kept. */
    public FactsCache(Path folder) {
        this(folder, Optional.empty());
    }

    /**
     * A cache in a folder beside another that is only read.
     *
     * @param shipped what was known before anything was kept, such as of the demo song
     */
    public FactsCache(Path folder, Optional<Path> shipped) {
        this.folder = folder;
        this.shipped = shipped;
    }

    /**
     * What is kept under a key, or else measured now and kept.
     *
     * @param key tells stems, placements and what was asked for apart from all others
     * @param type of what is measured: records of numbers, texts and lists
     */
    public <T> T of(String key, Class<T> type, Supplier<T> measure) {
        return known(key, type)
                .orElseGet(() -> {
                    T measured = measure.get();
                    keep(key, measured);
                    return measured;
                });
    }

    /** What is kept under a key of a type; empty if nothing is. */
    public <T> Optional<T> known(String key, Class<T> type) {
        if (this == NONE) {
            return Optional.empty();
        }
        Path file = file(key, type);
        return found(file, type)
                .or(() -> shipped.flatMap(s -> found(s.resolve(file.getFileName()), type)));
    }

    /** Keeps what was measured under a key and its type. */
    public void keep(String key, Object measured) {
        if (this != NONE) {
            keep(file(key, measured.getClass()), measured);
        }
    }

    private Path file(String key, Class<?> type) {
        return file(type.getSimpleName() + "|" + key);
    }

    private static <T> Optional<T> found(Path file, Class<T> type) {
        if (!Files.isRegularFile(file)) {
            return Optional.empty();
        }
        try {
            return Optional.of(JSON.readValue(Files.readAllBytes(file), type));
        } catch (IOException | JacksonException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private void keep(Path file, Object measured) {
        try {
            Files.createDirectories(folder);
            AtomicFile.writeText(file, JSON.writeValueAsString(measured));
        } catch (IOException | JacksonException e) {
            // It is measured again next time.
            return;
        }
    }

    private Path file(String key) {
        try {
            byte[] hash =
                    MessageDigest.getInstance("SHA-256")
                            .digest((EDITION + "|" + key).getBytes(StandardCharsets.UTF_8));
            return folder.resolve(HexFormat.of().formatHex(hash, 0, 16) + ".json");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java knows SHA-256", e);
        }
    }
}
