package orbispace.app.view.song;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orbispace.core.design.Design;
import orbispace.core.design.Group;
import orbispace.core.design.Groups;
import orbispace.core.design.Source;

/**
 * The lanes of the stems from top to bottom: which there are, with folded groups as one, and how
 * high each is. All are equal, but the chosen one keeps enough to be read.
 */
final class LaneStack {
    private static final double LEAST_LANE = 14;
    private static final double MOST_LANE = 66;
    private static final double CHOSEN_LANE = 46;

    private LaneStack() {}

    /**
     * One lane.
     *
     * @param sources the stem, or all stems of a folded group
     * @param folds name of the group that the lane opens or folds; empty for none
     * @param closed whether the group is folded into it
     * @param name what stands at it
     * @param chosen whether it or what is folded into it is picked
     * @param top where it begins, before scrolling
     * @param height of the lane
     */
    record Lane(
            List<Source> sources,
            String folds,
            boolean closed,
            String name,
            boolean chosen,
            double top,
            double height) {
        /** Keeps its own list. */
        Lane {
            sources = List.copyOf(sources);
        }

        /** The stem, or the first of the group. */
        Source source() {
            return sources.getFirst();
        }

        List<String> ids() {
            return sources.stream().map(Source::id).toList();
        }
    }

    /** All lanes of a design for picked sources, folded groups and a height to fill. */
    static List<Lane> lanes(Design design, Set<String> picked, Set<String> folded, double room) {
        Groups groups = Groups.of(design);
        List<Groups.Row> rows = groups.rows(design.sources(), folded);
        double even = Math.clamp(room / Math.max(1, rows.size() + 0.6), LEAST_LANE, MOST_LANE);
        if (even < CHOSEN_LANE && !rows.isEmpty()) {
            even = Math.max(LEAST_LANE, (room - CHOSEN_LANE) / Math.max(1, rows.size() - 1));
        }
        List<Lane> lanes = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        double top = 0;
        for (Groups.Row row : rows) {
            boolean chosen = row.sources().stream().anyMatch(s -> picked.contains(s.id()));
            boolean first = lanes.isEmpty() && even > 40;
            double plain = chosen ? Math.max(even, CHOSEN_LANE) : even;
            double height = first ? even * 1.6 : plain;
            String folds = row.group().map(Group::name).orElseGet(() -> opened(groups, row, seen));
            boolean closed = row.group().isPresent();
            lanes.add(new Lane(row.sources(), folds, closed, row.name(), chosen, top, height));
            top += height;
        }
        return lanes;
    }

    /** The group that the first lane of its members folds: the outer one before the inner. */
    private static String opened(Groups groups, Groups.Row row, Set<String> seen) {
        String opens = "";
        for (Group group : groups.around(row.sources().getFirst()).reversed()) {
            boolean many = groups.members(group.name()).size() > 1;
            if (many && seen.add(group.name()) && opens.isEmpty()) {
                opens = group.name();
            }
        }
        return opens;
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
