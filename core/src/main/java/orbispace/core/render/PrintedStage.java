package orbispace.core.render;

/** A stage on its way through a whole song, with the steps of its timeline. */
final class PrintedStage {
    private final Timeline timeline;
    private final Stage stage;
    private final double rate;
    private final int lateBefore;
    private final int firstFrame;
    private final float[] peaks;

    /**
     * A stage at rest.
     *
     * @param keys where peaks of keys are found
     * @param lateBefore how late the sound arrives at it, in frames
     * @param firstFrame of the song
     */
    PrintedStage(
            Timeline timeline,
            double rate,
            SongKeys keys,
            Job job,
            int lateBefore,
            int firstFrame) {
        this.timeline = timeline;
        this.rate = rate;
        this.lateBefore = lateBefore;
        this.firstFrame = firstFrame;
        stage = Stage.of(timeline, rate);
        if (timeline.indexAt(firstFrame) > 0) {
            stage.apply(tuning(firstFrame));
        }
        StageSettings.Key key = timeline.first().key();
        peaks = key == null || key.own() ? new float[0] : keys.peaks(key, job);
    }

    private StageTuning tuning(int frame) {
        StageSettings settings = timeline.steps().get(timeline.indexAt(frame)).settings();
        return StageTuning.of(settings, rate).own();
    }

    /** Works on frames of the block; those that come before the song's sound are not its. */
    void process(Block block, int from, int to) {
        int at = Math.max(from, lateBefore);
        while (at < to) {
            int clock = at - lateBefore;
            int now = clock + firstFrame;
            if (clock > 0 && timeline.nextChange(now - 1) == now) {
                stage.apply(tuning(now));
            }
            int change = timeline.nextChange(now);
            int end = change < to - lateBefore + firstFrame ? change + lateBefore - firstFrame : to;
            block.frame = now;
            block.peaks = peaks;
            block.firstStep = clock / orbispace.core.dynamics.KeyPeaks.STEP;
            stage.process(block, at, end);
            at = end;
        }
    }
}
