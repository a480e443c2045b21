package orbispace.bench;

import java.util.concurrent.TimeUnit;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.ReturnEdit;
import orbispace.core.render.Job;
import orbispace.core.render.LiveMix;
import orbispace.core.render.LiveSettings;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Nanoseconds per stereo frame of a whole field on four minutes of song: printed anew, printed
 * after a changed filter, and played in blocks; 20,833 ns are real time. {@code plainLoop} adds the
 * eight stereo sources, the baseline to divide by.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.NANOSECONDS)
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(value = 1, jvmArgs = "-Xmx12g")
public class FieldBenchmark {
    private static final int SECONDS = 240;
    private static final int FRAMES = SECONDS * 48000;
    private static final int BLOCK = 256;

    private final SongMaterial material = BigField.material(SECONDS);
    private final Design design = BigField.design();
    private final Renderer warm = new Renderer(material, FRAMES, new StageCache(5L << 30));
    private final LiveMix mix =
            new LiveMix(LiveSettings.of(design, material, LiveSettings.Hearing.PLAIN), BLOCK);
    private final float[] left = new float[BLOCK];
    private final float[] right = new float[BLOCK];
    private double corner = 300;
    private int place;

    /** The whole song anew. */
    @Benchmark
    @OperationsPerInvocation(FRAMES)
    public Object print() {
        return new Renderer(material, FRAMES, new StageCache(5L << 30)).render(design, Job.QUIET);
    }

    /** After a filter of one return was changed. */
    @Benchmark
    @OperationsPerInvocation(FRAMES)
    public Object printAfterAChange() {
        corner = corner > 600 ? 300 : corner + 1;
        Filter filter = new Filter(new Filter.Corner(corner, 2), null);
        return warm.render(new ReturnEdit.FilterOut("B", filter).applyTo(design), Job.QUIET);
    }

    /** One block of playing. */
    @Benchmark
    @OperationsPerInvocation(BLOCK)
    public float play() {
        mix.process(place, left, right, BLOCK);
        place = (place + BLOCK) % (FRAMES - BLOCK);
        return left[0];
    }

    /** The baseline. */
    @Benchmark
    @OperationsPerInvocation(FRAMES)
    public float plainLoop() {
        float sum = 0;
        for (var stem : material.audio().values()) {
            float[] l = stem.channel(0);
            float[] r = stem.channel(1);
            for (int i = 0; i < FRAMES; i++) {
                sum += l[i] + r[i];
            }
        }
        return sum;
    }
}
