package orbispace.app.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orbispace.app.song.FieldEvents;
import orbispace.app.song.ReturnPicture;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.time.SongClock;

/**
 * All that the Orbit draws.
 *
 * @param design the field as it stands, which may be newer than the pictures
 * @param pictures measured responses by letter
 * @param rings the song's own events
 * @param chosen letter of the chosen return
 * @param bar the bar whose note values are ringed
 */
public record OrbitScene(
        Design design,
        Map<String, ReturnPicture> pictures,
        List<FieldEvents.Ring> rings,
        String chosen,
        int bar) {
    /** Keeps its own collections. */
    public OrbitScene {
        pictures = Map.copyOf(pictures);
        rings = List.copyOf(rings);
    }

    SongClock clock() {
        return design.song().clock();
    }

    /** What the drawing behind the chosen return depends on. */
    public Object behind() {
        List<Return> others =
                design.returns().stream().filter(r -> !r.id().equals(chosen)).toList();
        List<Object> seen = new ArrayList<>(others);
        others.forEach(r -> seen.add(System.identityHashCode(pictures.get(r.id()))));
        // Where a return stands is drawn from its times, which follow the song's clock.
        seen.add(List.of(rings, chosen, design.song().clock(), bar, design.sources()));
        return seen;
    }
}
