package orbispace.core.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.design.Design;

/**
 * A song bar by bar.
 *
 * @param presencePerBar what all returns together leave of the judged source, 0 to 1; empty where
 *     it rests
 * @param densityPerBar what is heard of all returns, as a share of the loudness of everything, 0 to
 *     1
 */
public record SongCourse(List<OptionalDouble> presencePerBar, List<Double> densityPerBar) {
    /** Nothing measured. */
    public static final SongCourse NONE = new SongCourse(List.of(), List.of());

    /** Keeps its own lists. */
    public SongCourse {
        presencePerBar = List.copyOf(presencePerBar);
        densityPerBar = List.copyOf(densityPerBar);
    }

    static SongCourse of(Design design, double songSeconds, PairView view, Density density) {
        List<OptionalDouble> presence = new ArrayList<>();
        List<Double> dense = new ArrayList<>();
        double rate = view.meter().framesPerSecond();
        int bar = 1;
        double from = design.song().clock().secondsOfBar(1);
        while (from < songSeconds) {
            double to = Math.min(songSeconds, design.song().clock().secondsOfBar(++bar));
            int first = (int) Math.max(0, from * rate);
            int last = (int) (to * rate);
            presence.add(view.meter().keptBetween(first, last));
            dense.add(density.between(first, last));
            from = to;
        }
        return new SongCourse(presence, dense);
    }
}
