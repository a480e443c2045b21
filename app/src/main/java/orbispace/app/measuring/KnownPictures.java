package orbispace.app.measuring;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import orbispace.app.song.ReturnPicture;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.render.Responses;
import org.jspecify.annotations.Nullable;

/**
 * The responses that were measured last, by what they follow from: what is undone, or set like
 * another return, or made louder, is not measured twice. Responses of files are not kept, for the
 * files are large. Safe for several threads.
 */
final class KnownPictures {
    private static final int MOST = 64;

    private final Map<ImpulseResponse.Recipe, ReturnPicture> known =
            Collections.synchronizedMap(new Latest());

    /** The picture of a return; measured if it is not known. */
    ReturnPicture of(Design design, Return r, Responses responses, Consumer<ReturnPicture> first) {
        if (r.space() instanceof Space.Convolution) {
            return ReturnPicture.measure(design, r, responses, first);
        }
        ImpulseResponse.Recipe key = ImpulseResponse.recipe(design, r, responses);
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
    private static final class Latest extends LinkedHashMap<ImpulseResponse.Recipe, ReturnPicture> {
        Latest() {
            super(MOST, 0.75f, true);
        }

        @Override
        protected boolean removeEldestEntry(
                Map.@Nullable Entry<ImpulseResponse.Recipe, ReturnPicture> eldest) {
            return size() > MOST;
        }
    }
}
