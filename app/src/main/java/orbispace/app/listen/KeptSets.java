package orbispace.app.listen;

import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.session.OfSong;
import orbispace.app.session.RecentProjects;
import orbispace.core.design.Design;
import orbispace.core.render.ListeningSet;
import org.jspecify.annotations.Nullable;

/**
 * Solos and mutes of a song kept under the numbers 1 to 9, each song's by its own file. They are a
 * habit of who listens and no part of the project.
 */
public final class KeptSets implements OfSong {
    /** As many as there are number keys. */
    public static final int MOST = 9;

    private static final int PARTS = 5;

    private final Transport transport;
    private final RecentProjects recent;
    private final ReadOnlyObjectProperty<@Nullable Path> file;
    private final ObjectProperty<Map<Integer, ListeningSet>> sets =
            new SimpleObjectProperty<>(Map.of());

    /**
     * Sets of what a transport plays.
     *
     * @param recent remembers them
     * @param file the file of the song that is open
     */
    public KeptSets(
            Transport transport,
            RecentProjects recent,
            ReadOnlyObjectProperty<@Nullable Path> file) {
        this.transport = transport;
        this.recent = recent;
        this.file = file;
    }

    /** The sets of this song, by number. */
    public ReadOnlyObjectProperty<Map<Integer, ListeningSet>> sets() {
        return sets;
    }

    @Override
    public void begin(Design given) {
        sets.set(file.get() == null ? Map.of() : read(recent.recall(key())));
    }

    /** Keeps what is soloed and muted now under a number. */
    public void keep(int number) {
        Map<Integer, ListeningSet> now = new TreeMap<>(sets.get());
        now.put(number, transport.set().get());
        sets.set(now);
        if (file.get() != null) {
            recent.remember(key(), written(now));
        }
    }

    /**
     * Hears what was kept under a number; a second time, everything again.
     *
     * @return false if nothing is kept there
     */
    public boolean hear(int number) {
        ListeningSet kept = sets.get().get(number);
        if (kept == null) {
            return false;
        }
        transport.set().set(kept.equals(transport.set().get()) ? ListeningSet.ALL : kept);
        return true;
    }

    private String key() {
        return "sets-" + Integer.toHexString(String.valueOf(file.get()).hashCode());
    }

    private static String written(Map<Integer, ListeningSet> sets) {
        return sets.entrySet().stream()
                .map(e ->
                        String.join(
                                ";",
                                e.getKey().toString(),
                                written(e.getValue().soloed()),
                                written(e.getValue().muted()),
                                written(e.getValue().soloedReturns()),
                                written(e.getValue().mutedReturns())))
                .collect(Collectors.joining(" "));
    }

    private static String written(Set<String> ids) {
        return ids.stream()
                .sorted()
                .map(id -> URLEncoder.encode(id, StandardCharsets.UTF_8))
                .collect(Collectors.joining(","));
    }

    private static Map<Integer, ListeningSet> read(String line) {
        Map<Integer, ListeningSet> sets = new TreeMap<>();
        for (String one : line.split(" ", -1)) {
            String[] parts = one.split(";", -1);
            number(parts[0])
                    .filter(n -> parts.length == PARTS)
                    .ifPresent(n -> set(parts).ifPresent(s -> sets.put(n, s)));
        }
        return sets;
    }

    private static Optional<ListeningSet> set(String[] parts) {
        try {
            return Optional.of(
                    new ListeningSet(ids(parts[1]), ids(parts[2]), ids(parts[3]), ids(parts[4])));
        } catch (IllegalArgumentException badlyWritten) {
            return Optional.empty();
        }
    }

    private static Optional<Integer> number(String text) {
        return text.matches("[1-9]") ? Optional.of(Integer.valueOf(text)) : Optional.empty();
    }

    private static Set<String> ids(String text) {
        return Arrays.stream(text.split(",", -1))
                .filter(id -> !id.isEmpty())
                .map(id -> URLDecoder.decode(id, StandardCharsets.UTF_8))
                .collect(Collectors.toUnmodifiableSet());
    }
}
