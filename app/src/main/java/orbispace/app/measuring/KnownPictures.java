package orbispace.app.measuring;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import orbispace.app.song.ReturnPicture;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.render.ChainSettings;
import orbispace.core.render.Responses;
import orbispace.core.render.StageSettings;
import orbispace.core.render.Timeline;
import org.jspecify.annotations.Nullable;

/**
 * The responses that were measured last, by the stages that they are of: what is undone, or set
 * like another return, is not measured twice. Responses of files are not kept, for the files are
 * large. Safe for several threads.
 */
final class KnownPictures {
    private static final int MOST = 64;

    private record Key(double sampleRateHz, List<StageSettings> stages) {}

    private final Map<Key, ReturnPicture> known = Collections.synchronizedMap(new Latest());

    /** The picture of a return; measured if it is not known. */
    ReturnPicture of(
            Design design,
            Return r,
            ChainSettings chain,
            Responses responses,
            Consumer<ReturnPicture> first) {
        if (r.space() instanceof Space.Convolution) {
            return ReturnPicture.measure(design, r, responses, first);
        }
        Key key =
                new Key(
                        design.song().sampleRateHz(),
                        chain.stages().stream().map(Timeline::first).toList());
        ReturnPicture before = known.get(key);
        if (before != null) {
            return before;
        }
        ReturnPicture measured = ReturnPicture.measure(design, r, responses, first);
        // Another may have measured the same meanwhile; all answer with the one that is kept.
        ReturnPicture sooner = known.putIfAbsent(key, measured);
        return sooner == null ? measured : sooner;
    }

    /** Forgets what was asked for longest ago. */
    private static final class Latest extends LinkedHashMap<Key, ReturnPicture> {
        Latest() {
            super(MOST, 0.75f, true);
        }

        @Override
        protected boolean removeEldestEntry(Map.@Nullable Entry<Key, ReturnPicture> eldest) {
            return size() > MOST;
        }
    }
}
