package orbispace.app.view.song;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orbispace.core.design.Design;
import orbispace.core.design.Source;

/**
 * The lanes of the stems from top to bottom: which there are, with folded groups as one, and how
 * high each is. All are equal, but the chosen one keeps enough to be read.
 */
final class LaneStack {
    private static final double LEAST_LANE = 14;
    private static final double MOST_LANE = 66;
    private static final double CHOSEN_LANE = 46;

    private final Set<String> folded = new HashSet<>();

    /**
     * One lane.
     *
     * @param source the stem, or the first layer of a part
     * @param layers how many layers the part has
     * @param head whether it is the first lane of a part of several
     * @param closed whether the other layers are folded into it
     * @param chosen whether it or what is folded into it is selected
     * @param top where it begins, before scrolling
     * @param height of the lane
     */
    record Lane(
            Source source,
            int layers,
            boolean head,
            boolean closed,
            boolean chosen,
            double top,
            double height) {}

    /** Folds a part, or opens it again. */
    void toggle(String group) {
        if (!folded.remove(group)) {
            folded.add(group);
        }
    }

    /** All lanes of a design for a selected source and a height to fill. */
    List<Lane> lanes(Design design, String chosenId, double room) {
        List<Source> sources = shown(design);
        double even = Math.clamp(room / Math.max(1, sources.size() + 0.6), LEAST_LANE, MOST_LANE);
        if (even < CHOSEN_LANE && !sources.isEmpty()) {
            even = Math.max(LEAST_LANE, (room - CHOSEN_LANE) / Math.max(1, sources.size() - 1));
        }
        List<Lane> lanes = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        double top = 0;
        for (Source source : sources) {
            List<Source> layers = design.layersOf(source);
            boolean head = layers.size() > 1 && seen.add(source.group());
            boolean closed = head && folded.contains(source.group());
            boolean chosen =
                    (closed ? layers : List.of(source))
                            .stream().anyMatch(s -> s.id().equals(chosenId));
            boolean first = lanes.isEmpty() && even > 40;
            double plain = chosen ? Math.max(even, CHOSEN_LANE) : even;
            double height = first ? even * 1.6 : plain;
            lanes.add(new Lane(source, layers.size(), head, closed, chosen, top, height));
            top += height;
        }
        return lanes;
    }

    /** The sources that have a lane, the layers of a part together. */
    private List<Source> shown(Design design) {
        List<Source> shown = new ArrayList<>();
        for (Source source : design.sources()) {
            if (!shown.contains(source)) {
                List<Source> layers = design.layersOf(source);
                boolean closed = layers.size() > 1 && folded.contains(source.group());
                if (!closed) {
                    shown.addAll(layers);
                } else if (source.equals(layers.getFirst())) {
                    shown.add(source);
                }
            }
        }
        return shown;
    }

    /** The lane at a height. */
    static Optional<Lane> at(List<Lane> lanes, double y) {
        return lanes.stream().filter(l -> y >= l.top() && y < l.top() + l.height()).findFirst();
    }

    /** The height of all lanes together. */
    static double height(List<Lane> lanes) {
        return lanes.isEmpty() ? 0 : lanes.getLast().top() + lanes.getLast().height();
    }
}
