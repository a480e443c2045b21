package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.Field;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import orbispace.app.Songs;
import orbispace.app.session.OfSong;
import orbispace.app.session.RecentProjects;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Nothing that holds something of a song is left out when another one is opened. */
class DeskPartsTest {
    /** What the desk begins by name, or what holds nothing of a song. */
    private static final Set<String> BEGUN_BY_NAME =
            Set.of(
                    "song",
                    "editor",
                    "jobs",
                    "measured",
                    "opening",
                    "field",
                    "handingOver",
                    "listening",
                    "orbit",
                    "leaving");

    private final Desk desk = new Desk(new UiLoop(), RecentProjects.inMemory(), Songs.facts());

    @AfterEach
    void close() {
        desk.close();
    }

    @Test
    void everyPartBeginsWithTheSongOrIsNamedAsOneThatNeedsNot() throws Exception {
        Field all = Desk.class.getDeclaredField("ofSong");
        all.setAccessible(true);
        Collection<?> begun = (Collection<?>) all.get(desk);
        List<String> forgotten = new ArrayList<>();
        Field parts = Desk.class.getDeclaredField("orbit");
        parts.setAccessible(true);
        for (var part : OrbitParts.class.getRecordComponents()) {
            var of = part.getAccessor();
            of.setAccessible(true);
            if (!begun.contains(of.invoke(parts.get(desk)))) {
                forgotten.add(part.getName());
            }
        }
        for (Field field : Desk.class.getDeclaredFields()) {
            if (!field.getType().getName().startsWith("orbispace.app")) {
                continue;
            }
            field.setAccessible(true);
            boolean listed = begun.contains(field.get(desk));
            assertThat(listed)
                    .as(field.getName())
                    .isEqualTo(OfSong.class.isAssignableFrom(field.getType()));
            if (!listed && !BEGUN_BY_NAME.contains(field.getName())) {
                forgotten.add(field.getName());
            }
        }
        assertThat(forgotten).as("parts that nobody begins with a song").isEmpty();
        assertThat(begun).hasSizeGreaterThan(10);
    }
}
