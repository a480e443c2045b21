package orbispace.core.render;

/** A stage on its way through a whole song, with the steps of its timeline. */
final class PrintedStage {
    private final Timeline timeline;
    private final Stage stage;
    private final double rate;
    private final int lateBefore;
    private final float[] peaks;

    /**
     * A stage at rest.
     *
     * @param keys where peaks of keys are found
     * @param lateBefore how late the sound arrives at it, in frames
     */
    PrintedStage(Timeline timeline, double rate, SongKeys keys, Job job, int lateBefore) {
        this.timeline = timeline;
        this.rate = rate;
        this.lateBefore = lateBefore;
        stage = Stage.of(timeline.first(), rate);
        StageSettings.Key key = timeline.first().key();
        peaks = key == null || key.own() ? new float[0] : keys.peaks(key, job);
    }

    /** Works on frames of the block; those that come before the song's sound are not its. */
    void process(Block block, int from, int to) {
        int at = Math.max(from, lateBefore);
        while (at < to) {
            int clock = at - lateBefore;
            if (clock > 0 && timeline.nextChange(clock - 1) == clock) {
                StageSettings settings = timeline.steps().get(timeline.indexAt(clock)).settings();
                stage.apply(StageTuning.of(settings, rate));
            }
            int change = timeline.nextChange(clock);
            int end = change < to - lateBefore ? change + lateBefore : to;
            block.peaks = peaks;
            block.firstStep = clock / orbispace.core.dynamics.KeyPeaks.STEP;
            stage.process(block, at, end);
            at = end;
        }
    }
}
