package orbispace.core.render;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import orbispace.core.design.Design;
import orbispace.core.design.Feeds;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import org.jspecify.annotations.Nullable;

/**
 * What of a design stays the same while its numbers change: which returns there are, in which order
 * they work, how far ahead each reads its sources so that all come out together, and who listens to
 * which key.
 */
final class LiveGraph {
    final List<String> sources;
    final List<String> returns;

    /** The return of the design that each counts as, which is itself unless it is a trail. */
    final List<String> parents;

    final List<ChainSettings> chains;

    /** Returns in an order in which each comes after all that are fed into it. */
    final int[] order;

    /** How many frames ahead of the song each return takes its input. */
    final int[] advance;

    /** How many frames ahead each return's output comes, for returns that it feeds. */
    final int[] outAdvance;

    final List<Ear> ears = new ArrayList<>();

    /** Which ear each stage of each return listens with; -1 for none. */
    final int[][] stageEars;

    /** Which ear the gate of each send listens with, by return and source; -1 for none. */
    final int[][] sendEars;

    /**
     * One who listens to a key.
     *
     * @param sources whose sound it is
     * @param windows where each of them is heard
     * @param filter what of it is heard
     * @param offset how many frames ahead of the song
     */
    record Ear(List<String> sources, List<KeyWindow> windows, Filter filter, int offset) {}

    LiveGraph(Design design, Responses responses) {
        ChainWorks works = new ChainWorks(design, responses);
        sources = design.sources().stream().map(Source::id).toList();
        List<Return> all = works.whole().returns();
        returns = all.stream().map(Return::id).toList();
        parents = all.stream().map(r -> works.parentOf(r.id())).toList();
        chains = all.stream().map(works::alone).toList();
        order = Feeds.ordered(all).stream().mapToInt(r -> returns.indexOf(r.id())).toArray();
        advance = new int[order.length];
        outAdvance = new int[order.length];
        for (int i = order.length - 1; i >= 0; i--) {
            int r = order[i];
            ChainSettings chain = chains.get(r);
            advance[r] = outAdvance[r] + chain.latencyBefore(chain.stages().size());
            for (String fed : chain.feeds().keySet()) {
                int f = returns.indexOf(fed);
                outAdvance[f] = Math.max(outAdvance[f], advance[r]);
            }
        }
        stageEars = new int[order.length][];
        sendEars = new int[order.length][];
        for (int r = 0; r < order.length; r++) {
            listen(r);
        }
    }

    private void listen(int r) {
        ChainSettings chain = chains.get(r);
        stageEars[r] = new int[chain.stages().size()];
        for (int i = 0; i < stageEars[r].length; i++) {
            StageSettings.Key key = chain.stages().get(i).first().key();
            stageEars[r][i] = ear(key, advance[r] - chain.latencyBefore(i));
        }
        sendEars[r] = new int[sources.size()];
        Arrays.fill(sendEars[r], -1);
        for (int s = 0; s < sources.size(); s++) {
            ChainSettings.SendGain send = chain.sends().get(sources.get(s));
            if (send != null && send.gate() != null) {
                sendEars[r][s] = ear(send.gate().key(), advance[r]);
            }
        }
    }

    private int ear(StageSettings.@Nullable Key key, int offset) {
        if (key == null || key.own()) {
            return -1;
        }
        List<String> ids = List.copyOf(new TreeMap<>(key.gains()).keySet());
        List<KeyWindow> windows = ids.stream().map(key::window).toList();
        Ear ear = new Ear(ids, windows, key.filter(), offset);
        if (!ears.contains(ear)) {
            ears.add(ear);
        }
        return ears.indexOf(ear);
    }

    /** What must be equal for one mix to serve two designs. */
    Object signature() {
        List<Object> parts = new ArrayList<>(List.of(sources, returns, ears));
        for (int r = 0; r < order.length; r++) {
            ChainSettings chain = chains.get(r);
            parts.add(shapes(chain));
            parts.add(chain.feeds().keySet());
            parts.add(advance[r]);
            parts.add(Arrays.toString(stageEars[r]) + Arrays.toString(sendEars[r]));
            parts.add(ownGate(chain));
        }
        return parts;
    }

    /** Every kind of engine that the space needs over the song. */
    private static List<Object> shapes(ChainSettings chain) {
        return chain.stages().get(ChainSettings.ENGINE).steps().stream()
                .map(s -> ((StageSettings.Spatial) s.settings()).settings().shape())
                .distinct()
                .toList();
    }

    /** The filter of a gate that listens to what it gates is made once. */
    private static Object ownGate(ChainSettings chain) {
        StageSettings.Key key = chain.stages().get(ChainSettings.GATE).first().key();
        return key != null && key.own() ? key.filter() : "";
    }
}
