package orbispace.core.render;

import java.util.List;
import orbispace.core.dynamics.Drive;
import orbispace.core.dynamics.Ducker;
import orbispace.core.dynamics.Gate;
import orbispace.core.dynamics.KeyPeaks;
import orbispace.core.signal.DelayLine;
import orbispace.core.signal.StereoWidth;
import org.jspecify.annotations.Nullable;

/**
 * One stage of a chain with its state: the same class for listening and for printing.
 *
 * <p>{@code process} and {@code apply} neither allocate nor lock; a {@link StageTuning} is worked
 * out before.
 */
sealed interface Stage
        permits FilterStage,
                Stage.DriveStage,
                Stage.PredelayStage,
                EngineStage,
                Stage.GateStage,
                Stage.DuckStage,
                Stage.WidthStage,
                BusStage,
                Stage.LevelStage {

    /** Makes a stage at rest for a timeline. */
    static Stage of(Timeline timeline, double rate) {
        StageTuning[] tunings =
                timeline.steps().stream()
                        .map(s -> StageTuning.of(s.settings(), rate))
                        .toArray(StageTuning[]::new);
        return of(timeline, tunings, rate);
    }

    /**
     * Makes a stage at rest for a timeline.
     *
     * @param tunings what was worked out of each of its steps
     */
    static Stage of(Timeline timeline, StageTuning[] tunings, double rate) {
        StageSettings settings = timeline.first();
        return switch (tunings[0]) {
            case StageTuning.Filtering t -> new FilterStage(t);
            case StageTuning.Driving t -> new DriveStage(t, rate);
            case StageTuning.Predelay t -> new PredelayStage(t, rate);
            case StageTuning.Spatial t -> new EngineStage(timeline, tunings, rate);
            case StageTuning.Gating t ->
                    new GateStage(new Gate(t.settings(), rate), own(settings, rate));
            case StageTuning.Ducking t -> new DuckStage(new Ducker(t.settings(), rate));
            case StageTuning.Widening t -> new WidthStage(t, rate);
            case StageTuning.Bus t -> new BusStage(t);
            case StageTuning.Level t -> new LevelStage(t);
        };
    }

    private static @Nullable KeyPeaks own(StageSettings settings, double rate) {
        StageSettings.Key key = settings.key();
        return key != null && key.own()
                ? new KeyPeaks(key.sections(rate), Block.MOST_FRAMES, rate)
                : null;
    }

    /** Makes the stages of a chain. */
    static List<Stage> chain(List<Timeline> stages, double rate) {
        return stages.stream().map(t -> of(t, rate)).toList();
    }

    /** Takes a tuning of its own kind, smoothly. */
    void apply(StageTuning tuning);

    /** Works on frames {@code from} to before {@code to} in place. */
    void process(Block block, int from, int to);

    /** Forgets all sound; what was applied last holds at once. */
    void reset();

    /** A soft curve, which is there only if it is wanted, since it comes late. */
    final class DriveStage implements Stage {
        private final @Nullable Drive drive;

        DriveStage(StageTuning.Driving tuning, double rate) {
            drive =
                    tuning.driveDb() == 0
                            ? null
                            : new Drive(tuning.driveDb(), tuning.curve(), rate);
        }

        @Override
        public void apply(StageTuning tuning) {
            if (drive != null && tuning instanceof StageTuning.Driving d) {
                drive.apply(d.driveDb(), d.curve());
            }
        }

        @Override
        public void process(Block block, int from, int to) {
            if (drive != null) {
                drive.process(block.left, block.right, from, to);
            }
        }

        @Override
        public void reset() {
            if (drive != null) {
                drive.reset();
            }
        }
    }

    /** A plain delay. */
    final class PredelayStage implements Stage {
        private final DelayLine left;
        private final DelayLine right;
        private double frames;

        PredelayStage(StageTuning.Predelay tuning, double rate) {
            int most = (int) Math.ceil(StageSettings.Predelay.MAX_SECONDS * rate);
            left = new DelayLine(most);
            right = new DelayLine(most);
            frames = tuning.frames();
            left.setDelay(frames, true);
            right.setDelay(frames, true);
        }

        @Override
        public void apply(StageTuning tuning) {
            if (tuning instanceof StageTuning.Predelay p) {
                frames = p.frames();
            }
        }

        @Override
        public void reset() {
            left.setDelay(frames, true);
            right.setDelay(frames, true);
            left.reset();
            right.reset();
        }

        @Override
        public void process(Block block, int from, int to) {
            left.setDelay(frames, false);
            right.setDelay(frames, false);
            left.process(block.left, from, to);
            right.process(block.right, from, to);
        }
    }

    /** The gate; with peaks of its own if it listens to what it gates. */
    record GateStage(Gate gate, @Nullable KeyPeaks own) implements Stage {
        @Override
        public void apply(StageTuning tuning) {
            if (tuning instanceof StageTuning.Gating g) {
                gate.apply(g.settings());
            }
        }

        @Override
        public void process(Block block, int from, int to) {
            if (gate.idle()) {
                return;
            }
            float[] peaks = block.peaks;
            int first = block.firstStep;
            if (own != null) {
                block.key(from, to);
                own.process(block.middle, block.side, 0, to - from);
                peaks = own.steps();
                first = 0;
            }
            gate.process(peaks, first, block.left, block.right, from, to);
        }

        @Override
        public void reset() {
            gate.reset();
            if (own != null) {
                own.reset();
            }
        }
    }

    /** The ducker. */
    record DuckStage(Ducker ducker) implements Stage {
        @Override
        public void apply(StageTuning tuning) {
            if (tuning instanceof StageTuning.Ducking d) {
                ducker.apply(d.settings(), d.section());
            }
        }

        @Override
        public void process(Block block, int from, int to) {
            if (!ducker.idle()) {
                ducker.process(block.peaks, block.firstStep, block.left, block.right, from, to);
            }
        }

        @Override
        public void reset() {
            ducker.reset();
        }
    }

    /** The width. */
    final class WidthStage implements Stage {
        private final StereoWidth width;
        private boolean plain;

        WidthStage(StageTuning.Widening tuning, double rate) {
            width = new StereoWidth(tuning.width().factor(), tuning.width().monoBelowHz(), rate);
            width.pan(tuning.width().pan());
            width.reset();
            plain = tuning.plain();
        }

        @Override
        public void apply(StageTuning tuning) {
            if (tuning instanceof StageTuning.Widening w) {
                width.apply(w.width().factor(), w.packed());
                width.pan(w.width().pan());
                plain &= w.plain();
            }
        }

        @Override
        public void process(Block block, int from, int to) {
            if (!plain) {
                width.process(block.left, block.right, from, to);
            }
        }

        @Override
        public void reset() {
            width.reset();
        }
    }

    /** The return's level. */
    final class LevelStage implements Stage {
        private static final float GLIDE_FRAMES = 512;

        private final Ride plan;
        private float gain;
        private float target;

        LevelStage(StageTuning.Level tuning) {
            gain = tuning.gain();
            target = gain;
            plan = new Ride(tuning.curve());
        }

        @Override
        public void apply(StageTuning tuning) {
            if (tuning instanceof StageTuning.Level l) {
                target = l.gain();
                plan.apply(l.curve());
            }
        }

        @Override
        public void reset() {
            gain = target;
            plan.reset();
        }

        @Override
        public void process(Block block, int from, int to) {
            plan.process(block.left, block.right, from, to, block.frame);
            float g = gain;
            if (g == target) {
                for (int i = from; i < to; i++) {
                    block.left[i] *= g;
                    block.right[i] *= g;
                }
                return;
            }
            for (int i = from; i < to; i++) {
                g += (target - g) / GLIDE_FRAMES;
                block.left[i] *= g;
                block.right[i] *= g;
            }
            gain = Math.abs(target - g) < 1e-6f ? target : g;
        }
    }
}
