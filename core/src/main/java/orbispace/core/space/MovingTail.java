package orbispace.core.space;

import orbispace.core.signal.DelayLine;

/**
 * A reverb whose sides sway in time, each by itself, so that no partial of a held sound stands
 * still; by the song's own time. It comes a quarter of a millisecond late at 48 kHz, and what it
 * sways.
 */
final class MovingTail implements Engine {
    private static final double LEFT_HZ = 0.41;
    private static final double RIGHT_HZ = 0.53;
    private static final double MOST_SECONDS = 0.0003;
    private static final int GLIDE_FRAMES = 4096;

    /** The reverb as it is without the sway, and how far it goes. */
    record Tuning(ConvolutionEngine.Tuning still, double seconds) implements EngineTuning {
        @Override
        public EngineTuning own() {
            return new Tuning(still.own(), seconds);
        }

        @Override
        public Engine engine(double sampleRateHz) {
            return new MovingTail(this, sampleRateHz);
        }

        @Override
        public Object shape() {
            return still.shape();
        }
    }

    private final Engine still;
    private final Object shape;
    private final double rate;
    private final Side left;
    private final Side right;
    private double wanted;
    private int nextFrame;
    private boolean begun;

    MovingTail(Tuning tuning, double sampleRateHz) {
        still = tuning.still.engine(sampleRateHz);
        shape = tuning.shape();
        rate = sampleRateHz;
        wanted = tuning.seconds * rate;
        left = new Side(LEFT_HZ);
        right = new Side(RIGHT_HZ);
    }

    /** One side on its way. */
    private final class Side {
        private final double perFrame;
        private final DelayLine line;
        private final Sway sway = new Sway(rate);
        private double depth = wanted;

        Side(double hz) {
            perFrame = 2 * Math.PI * hz / rate;
            line = new DelayLine(DelayLine.WIDE_FRAMES + (int) Math.ceil(2 * MOST_SECONDS * rate));
            line.setDelay(0, true);
        }

        void process(float[] x, int from, int to) {
            for (int i = from; i < to; i++) {
                depth += (wanted - depth) / GLIDE_FRAMES;
                double turn = perFrame * (nextFrame + i - from) + sway.off();
                x[i] = line.next(x[i], DelayLine.WIDE_FRAMES + depth * (1 + Math.sin(turn)));
                sway.goOn(1);
            }
        }
    }

    @Override
    public void apply(EngineTuning tuning) {
        if (tuning instanceof Tuning t && t.shape().equals(shape)) {
            still.apply(t.still);
            wanted = t.seconds * rate;
        }
    }

    @Override
    public void at(int frame) {
        if (begun && frame != nextFrame) {
            left.sway.jump(left.perFrame * nextFrame, left.perFrame * frame);
            right.sway.jump(right.perFrame * nextFrame, right.perFrame * frame);
        }
        begun = true;
        nextFrame = frame;
    }

    @Override
    public void process(float[] l, float[] r, int from, int to) {
        begun = true;
        still.process(l, r, from, to);
        left.process(l, from, to);
        right.process(r, from, to);
        nextFrame += to - from;
    }

    @Override
    public void reset() {
        still.reset();
        for (Side side : new Side[] {left, right}) {
            side.line.reset();
            side.sway.reset();
            side.depth = wanted;
        }
        begun = false;
        nextFrame = 0;
    }
}
