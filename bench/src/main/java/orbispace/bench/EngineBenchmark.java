package orbispace.bench;

import java.util.Random;
import java.util.concurrent.TimeUnit;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.Engine;
import orbispace.core.space.ReverbKind;
import orbispace.core.space.ReverbSettings;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Nanoseconds per stereo frame of each engine at 48 kHz; one frame of real time is 20,833 ns.
 * {@code plainLoop} is a single one-pole filter over the same block, the baseline to divide by.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.NANOSECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class EngineBenchmark {
    private static final int FRAMES = 48000;
    private static final double RATE = 48000;

    private final float[] left = new float[FRAMES];
    private final float[] right = new float[FRAMES];
    private Engine hall = Engine.of(new ReverbSettings(ReverbKind.HALL, 2.1, 1.1, 0.6, 1), RATE);
    private Engine echo =
            Engine.of(
                    new EchoSettings(
                            EchoSettings.Kind.PING_PONG,
                            0.5,
                            0.5,
                            0.4,
                            EchoSettings.Loop.filters(120, 6000),
                            0.7),
                    RATE);
    private double state;

    /** Fresh noise and engines at rest. */
    @Setup
    public void prepare() {
        Random random = new Random(1);
        for (int i = 0; i < FRAMES; i++) {
            left[i] = (float) (0.1 * random.nextGaussian());
            right[i] = (float) (0.1 * random.nextGaussian());
        }
        hall.reset();
        echo.reset();
    }

    /** The hall. */
    @Benchmark
    @OperationsPerInvocation(FRAMES)
    public float hall() {
        hall.process(left, right, 0, FRAMES);
        return left[FRAMES - 1];
    }

    /** The echo. */
    @Benchmark
    @OperationsPerInvocation(FRAMES)
    public float echo() {
        echo.process(left, right, 0, FRAMES);
        return left[FRAMES - 1];
    }

    /** The baseline. */
    @Benchmark
    @OperationsPerInvocation(FRAMES)
    public double plainLoop() {
        for (int i = 0; i < FRAMES; i++) {
            state += 0.1 * (left[i] + right[i] - state);
        }
        return state;
    }
}
