package orbispace.core.design;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The feeds between returns: their order, and the circles that they must not make. */
public final class Feeds {
    private Feeds() {}

    /**
     * The returns in an order in which each comes after all that are fed into it.
     *
     * @throws IllegalArgumentException if a feed comes from no return of these, or if feeds make a
     *     circle, whose path is named
     */
    public static List<Return> ordered(List<Return> returns) {
        Map<String, Return> byId = new LinkedHashMap<>();
        returns.forEach(r -> byId.put(r.id(), r));
        List<Return> ordered = new ArrayList<>();
        for (Return r : returns) {
            visit(r, byId, new ArrayList<>(), ordered);
        }
        return ordered;
    }

    private static void visit(
            Return r, Map<String, Return> byId, List<String> path, List<Return> ordered) {
        if (ordered.contains(r)) {
            return;
        }
        int seen = path.indexOf(r.id());
        path.add(r.id());
        if (seen >= 0) {
            throw new IllegalArgumentException(
                    "feeds make a circle: "
                            + String.join(" into ", path.subList(seen, path.size()).reversed()));
        }
        for (String id : r.feeds().keySet()) {
            Return fed = byId.get(id);
            if (fed == null) {
                throw new IllegalArgumentException(
                        "feed into "
                                + r.id()
                                + " names the return \""
                                + id
                                + "\", which does not exist");
            }
            visit(fed, byId, path, ordered);
        }
        path.removeLast();
        ordered.add(r);
    }
}
