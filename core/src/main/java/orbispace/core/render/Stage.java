package orbispace.core.render;

import java.util.List;
import orbispace.core.dynamics.Ducker;
import orbispace.core.dynamics.DuckerSettings;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.DelayLine;
import orbispace.core.space.Engine;
import orbispace.core.space.EngineTuning;
import org.jspecify.annotations.Nullable;

/**
 * One stage of a chain with its state: the same class for listening and for printing.
 *
 * <p>{@code process} and {@code apply} neither allocate nor lock; {@link Tuning} is worked out
 * before.
 */
sealed interface Stage {

    /** Settings worked out for one sample rate. */
    sealed interface Tuning {
        /** Packed filter sections. */
        final class Filtering implements Tuning {
            private final double[] packed;

            private Filtering(double[] packed) {
                this.packed = packed;
            }
        }

        /** Delay in frames. */
        record Predelay(double frames) implements Tuning {}

        /** The engine's own. */
        record Spatial(EngineTuning tuning) implements Tuning {}

        /** Curve and times; null for none. */
        record Ducking(@Nullable DuckerSettings settings) implements Tuning {}

        /** Amplitude factor. */
        record Level(float gain) implements Tuning {}

        /** Works out settings. */
        static Tuning of(StageSettings settings, double rate) {
            return switch (settings) {
                case StageSettings.Filtering f ->
                        new Filtering(
                                Cascade.pack(
                                        f.sections(rate), StageSettings.Filtering.MOST_SECTIONS));
                case StageSettings.Predelay p -> new Predelay(p.seconds() * rate);
                case StageSettings.Spatial e -> new Spatial(EngineTuning.of(e.settings(), rate));
                case StageSettings.Ducking d -> new Ducking(d.settings());
                case StageSettings.Level l -> new Level((float) l.gain());
            };
        }
    }

    /** Makes a stage at rest. */
    static Stage of(StageSettings settings, double rate) {
        return switch (settings) {
            case StageSettings.Filtering f -> new FilterStage(f, rate);
            case StageSettings.Predelay p -> new PredelayStage(p, rate);
            case StageSettings.Spatial e -> new EngineStage(Engine.of(e.settings(), rate));
            case StageSettings.Ducking d -> new DuckStage(new Ducker(d.settings(), rate));
            case StageSettings.Level l -> new LevelStage((float) l.gain());
        };
    }

    /** Makes the stages of a chain. */
    static List<Stage> chain(List<StageSettings> settings, double rate) {
        return settings.stream().map(s -> of(s, rate)).toList();
    }

    /** Takes a tuning of its own kind, smoothly. */
    void apply(Tuning tuning);

    /** Works on frames {@code from} to before {@code to} in place. */
    void process(Block block, int from, int to);

    /**
     * A filter slot; another filter is cross-faded in, since the two may have nothing in common.
     */
    final class FilterStage implements Stage {
        private static final int FADE_FRAMES = 1024;
        private static final int PART_FRAMES = 256;

        private final float[] oldLeft = new float[PART_FRAMES];
        private final float[] oldRight = new float[PART_FRAMES];
        private Cascade now = new Cascade(StageSettings.Filtering.MOST_SECTIONS);
        private Cascade before = new Cascade(StageSettings.Filtering.MOST_SECTIONS);
        private double[] packed;
        private double[] wanted;
        private int fadeLeft;

        FilterStage(StageSettings.Filtering settings, double rate) {
            packed = Cascade.pack(settings.sections(rate), StageSettings.Filtering.MOST_SECTIONS);
            wanted = packed;
            now.set(packed, true);
        }

        @Override
        public void apply(Tuning tuning) {
            if (tuning instanceof Tuning.Filtering f) {
                wanted = f.packed;
            }
        }

        @Override
        public void process(Block block, int from, int to) {
            int at = from;
            while (at < to) {
                startFade();
                int n = fadeLeft > 0 ? Math.min(Math.min(PART_FRAMES, fadeLeft), to - at) : to - at;
                if (fadeLeft > 0) {
                    fade(block, at, n);
                } else {
                    now.process(block.left, block.right, at, at + n);
                }
                at += n;
            }
        }

        private void startFade() {
            if (fadeLeft == 0 && !java.util.Arrays.equals(wanted, packed)) {
                packed = wanted;
                Cascade next = before;
                before = now;
                now = next;
                now.reset();
                now.set(packed, true);
                fadeLeft = FADE_FRAMES;
            }
        }

        private void fade(Block block, int at, int n) {
            System.arraycopy(block.left, at, oldLeft, 0, n);
            System.arraycopy(block.right, at, oldRight, 0, n);
            before.process(oldLeft, oldRight, 0, n);
            now.process(block.left, block.right, at, at + n);
            for (int i = 0; i < n; i++) {
                float share = fadeLeft / (float) FADE_FRAMES;
                block.left[at + i] += share * (oldLeft[i] - block.left[at + i]);
                block.right[at + i] += share * (oldRight[i] - block.right[at + i]);
                fadeLeft--;
            }
        }
    }

    /** A plain delay. */
    final class PredelayStage implements Stage {
        private final DelayLine left;
        private final DelayLine right;
        private double frames;

        PredelayStage(StageSettings.Predelay settings, double rate) {
            int most = (int) Math.ceil(StageSettings.Predelay.MAX_SECONDS * rate);
            left = new DelayLine(most);
            right = new DelayLine(most);
            frames = settings.seconds() * rate;
            left.setDelay(frames, true);
            right.setDelay(frames, true);
        }

        @Override
        public void apply(Tuning tuning) {
            if (tuning instanceof Tuning.Predelay p) {
                frames = p.frames();
            }
        }

        @Override
        public void process(Block block, int from, int to) {
            left.setDelay(frames, false);
            right.setDelay(frames, false);
            left.process(block.left, from, to);
            right.process(block.right, from, to);
        }
    }

    /** The space. */
    record EngineStage(Engine engine) implements Stage {
        @Override
        public void apply(Tuning tuning) {
            if (tuning instanceof Tuning.Spatial e) {
                engine.apply(e.tuning());
            }
        }

        @Override
        public void process(Block block, int from, int to) {
            engine.process(block.left, block.right, from, to);
        }
    }

    /** The ducker. */
    record DuckStage(Ducker ducker) implements Stage {
        @Override
        public void apply(Tuning tuning) {
            if (tuning instanceof Tuning.Ducking d) {
                ducker.apply(d.settings());
            }
        }

        @Override
        public void process(Block block, int from, int to) {
            ducker.process(block.key, block.left, block.right, from, to);
        }
    }

    /** The return's level. */
    final class LevelStage implements Stage {
        private static final float GLIDE_FRAMES = 512;

        private float gain;
        private float target;

        LevelStage(float gain) {
            this.gain = gain;
            target = gain;
        }

        @Override
        public void apply(Tuning tuning) {
            if (tuning instanceof Tuning.Level l) {
                target = l.gain();
            }
        }

        @Override
        public void process(Block block, int from, int to) {
            float g = gain;
            for (int i = from; i < to; i++) {
                g += (target - g) / GLIDE_FRAMES;
                block.left[i] *= g;
                block.right[i] *= g;
            }
            gain = Math.abs(target - g) < 1e-6f ? target : g;
        }
    }
}
