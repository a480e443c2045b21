package orbispace.core.render;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * Settings with the tunings that one mix alone works with.
 *
 * @param tunings by return, stage and step
 */
@SuppressWarnings("ArrayRecordComponent") // Never compared.
record OwnedSettings(LiveSettings settings, StageTuning[][][] tunings) {
    /**
     * Settings with working memory of their own.
     *
     * @param before what the mix works with; what did not change keeps its memory
     */
    static OwnedSettings of(LiveSettings given, @Nullable OwnedSettings before) {
        return new OwnedSettings(given, own(given, before));
    }

    /** Working memory that two mixes shared would garble both. */
    @SuppressWarnings("ReferenceEquality") // What was taken over is the same object.
    private static StageTuning[][][] own(LiveSettings given, @Nullable OwnedSettings before) {
        StageTuning[][][] own = new StageTuning[given.tunings.length][][];
        for (int r = 0; r < own.length; r++) {
            own[r] = new StageTuning[given.tunings[r].length][];
            for (int i = 0; i < own[r].length; i++) {
                StageTuning[] steps = given.tunings[r][i];
                own[r][i] =
                        before != null && before.settings.tunings[r][i] == steps
                                ? before.tunings[r][i]
                                : Arrays.stream(steps)
                                        .map(StageTuning::own)
                                        .toArray(StageTuning[]::new);
            }
        }
        return own;
    }
}
