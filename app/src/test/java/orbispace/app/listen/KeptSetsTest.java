package orbispace.app.listen;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.session.RecentProjects;
import orbispace.core.design.Design;
import orbispace.core.design.Song;
import orbispace.core.render.ListeningSet;
import orbispace.core.time.SongClock;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class KeptSetsTest {
    private static final Design SONG =
            new Design(
                    new Song("Quay", 48000, SongClock.constant(120, 4, 4), List.of()),
                    List.of(),
                    List.of());

    private final RecentProjects recent = RecentProjects.inMemory();
    private final SimpleObjectProperty<@Nullable Path> file =
            new SimpleObjectProperty<>(Path.of("one.orbispace.json"));
    private final Transport transport = new Transport();
    private final KeptSets sets = new KeptSets(transport, recent, file);

    @Test
    void aSetIsKeptHeardAndTakenBackByItsNumberAndOfItsOwnSong() {
        ListeningSet set =
                ListeningSet.ALL
                        .solo(Set.of("voice; one", "käfer,2"), true)
                        .mute(Set.of("organ"), true)
                        .muteReturn("B", true)
                        .soloReturn("C", true);
        sets.begin(SONG);
        assertThat(sets.hear(3)).isFalse();
        transport.set().set(set);
        sets.keep(3);
        transport.hearAll();
        assertThat(sets.hear(3)).isTrue();
        assertThat(transport.set().get()).isEqualTo(set);
        assertThat(sets.hear(3)).isTrue();
        assertThat(transport.set().get().isAll()).isTrue();

        file.set(Path.of("other.orbispace.json"));
        sets.begin(SONG);
        assertThat(sets.sets().get()).isEmpty();
        file.set(Path.of("one.orbispace.json"));
        KeptSets later = new KeptSets(transport, recent, file);
        later.begin(SONG);
        assertThat(later.sets().get()).containsOnlyKeys(3).containsValue(set);
    }

    @Test
    void whatCannotBeReadIsForgotten() {
        recent.remember(
                "sets-" + Integer.toHexString("one.orbispace.json".hashCode()),
                "2;a;;  x;y 4;;;;;; 5;%zz;;; 1;voice;;;");
        sets.begin(SONG);
        assertThat(sets.sets().get())
                .containsOnlyKeys(1)
                .containsValue(ListeningSet.ALL.solo(Set.of("voice"), true));
    }
}
