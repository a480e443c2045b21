package orbispace.core.space;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Pan;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;

/** Settings worked out for one sample rate, ready to be taken by the audio thread. */
public sealed interface EngineTuning {

    /** Works out settings. */
    static EngineTuning of(EngineSettings settings, double sampleRateHz) {
        return switch (settings) {
            case EngineSettings.Hall hall -> Hall.of(hall, sampleRateHz);
            case EngineSettings.PingPong echo -> PingPong.of(echo, sampleRateHz);
        };
    }

    /** Absorption filters of the lines of a hall, and the level of its network. */
    final class Hall implements EngineTuning {
        final double[][] absorption;
        final float networkGain;

        private Hall(double[][] absorption, float networkGain) {
            this.absorption = absorption;
            this.networkGain = networkGain;
        }

        static Hall of(EngineSettings.Hall hall, double sampleRateHz) {
            int[] frames = HallReverb.lineFrames(sampleRateHz);
            double[][] absorption = new double[frames.length][];
            double kept = 0;
            for (int i = 0; i < frames.length; i++) {
                double lossDb = -60 * frames[i] / (hall.decaySeconds() * sampleRateHz);
                kept += Decibels.toPower(lossDb) / frames.length;
                absorption[i] = Cascade.pack(absorption(hall, lossDb, sampleRateHz), 2);
            }
            // Energy in each round is the kept share of the round before: they add up to kept / (1
            // - kept).
            return new Hall(absorption, (float) Math.sqrt((1 - kept) / kept));
        }

        private static List<Biquad> absorption(
                EngineSettings.Hall hall, double lossDb, double rate) {
            double lowDb = lossDb * (1 / hall.lowRatio() - 1);
            double highDb = lossDb * (1 / hall.highRatio() - 1);
            Biquad low = FilterDesign.lowShelf(HallReverb.LOW_CROSSOVER_HZ, lowDb, rate);
            Biquad high = FilterDesign.highShelf(HallReverb.HIGH_CROSSOVER_HZ, highDb, rate);
            return List.of(low.scaled(Decibels.toAmplitude(lossDb)), high);
        }
    }

    /** Spacing, feedback and loop filters of an echo. */
    final class PingPong implements EngineTuning {
        final double delayFrames;
        final float feedback;
        final double[] loop;
        final float near;
        final float far;

        private PingPong(double delayFrames, float feedback, double[] loop, double width) {
            near = (float) Pan.left(-width);
            far = (float) Pan.right(-width);
            this.delayFrames = delayFrames;
            this.feedback = feedback;
            this.loop = loop;
        }

        static PingPong of(EngineSettings.PingPong echo, double sampleRateHz) {
            List<Biquad> loop =
                    new ArrayList<>(FilterDesign.highPass(echo.loopHighPassHz(), 2, sampleRateHz));
            loop.addAll(FilterDesign.lowPass(echo.loopLowPassHz(), 2, sampleRateHz));
            return new PingPong(
                    Math.max(PingPongEcho.LEAST_FRAMES, echo.spacingSeconds() * sampleRateHz),
                    (float) echo.feedback(),
                    Cascade.pack(loop, 2),
                    echo.width());
        }
    }
}
