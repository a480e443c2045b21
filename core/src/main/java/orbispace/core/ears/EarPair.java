package orbispace.core.ears;

import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.WetShare;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * A field and others that differ from it, over a stretch of a song: how much one is to be turned to
 * be as loud, and how much of the difference the hearing model says is noticed. For one thread at a
 * time.
 */
public final class EarPair {
    /** So long before the stretch tails begin to arise. */
    private static final double BEFORE_SECONDS = 4;

    private final Renderer window;
    private final Design base;
    private final Span span;
    private OptionalDouble baseLufs = OptionalDouble.empty();
    private @Nullable Excitation baseHeard;

    /**
     * Who hears a pair.
     *
     * @param ear hears at the level at which the song is heard
     * @param roomPower noise of the room per band
     */
    public record Listener(Ear ear, double roomPower) {}

    /**
     * A field to be held against others.
     *
     * @param renderer of the song
     * @param span the stretch that is heard
     */
    public EarPair(Renderer renderer, Design base, Span span) {
        this.base = base;
        this.span = span;
        window = renderer.window(span.startSeconds() - BEFORE_SECONDS, span.endSeconds());
    }

    /** The field that others are held against. */
    public Design base() {
        return base;
    }

    /** The stretch. */
    public Span span() {
        return span;
    }

    /** By how much another field is to be turned, in dB, to be as loud; 0 beside silence. */
    public synchronized double matchDb(Design other, Job job) {
        return matchDb(sound(other, job), job);
    }

    private double matchDb(Audio other, Job job) {
        if (baseLufs.isEmpty()) {
            baseLufs = OptionalDouble.of(lufs(sound(base, job)));
        }
        double by = baseLufs.getAsDouble() - lufs(other);
        return Double.isFinite(by) ? by : 0;
    }

    /** A field over the stretch as it sounds. */
    public Audio sound(Design design, Job job) {
        Audio mix = window.render(design, job).mix();
        long start = Math.round(span.startSeconds() * mix.sampleRateHz());
        int skip = (int) Math.max(0, start - window.firstFrame());
        return mix.slice(skip, mix.frames());
    }

    /**
     * How much of all loudness the difference to another field is, 0 to 1: what is more in either
     * of them, as if it were a wet beside what both have.
     *
     * @param matched whether the other is turned to be as loud
     */
    public synchronized double share(Design other, boolean matched, Listener by, Job job) {
        Excitation heard = baseHeard;
        if (heard == null) {
            heard = by.ear().hear(sound(base, job));
            baseHeard = heard;
        }
        Audio sound = sound(other, job);
        double gainDb = matched ? matchDb(sound, job) : 0;
        Excitation two = by.ear().hear(sound).times(Decibels.toPower(gainDb));
        Excitation both = heard.minus(heard.minus(two));
        Excitation none = Excitation.none(heard.frames(), heard.framesPerSecond());
        return WetShare.of(both, heard.apart(two), none, by.roomPower());
    }

    /** The share of a difference of a lesson, with its own match where loudness is not asked. */
    public DoubleUnaryOperator shares(LessonKind kind, Return r, Listener by, Job job) {
        return difference ->
                share(
                        kind.edit(base, r, difference).applyTo(base),
                        kind != LessonKind.LEVEL,
                        by,
                        job);
    }

    private static double lufs(Audio sound) {
        return LoudnessMeter.integratedLufs(sound).orElse(Double.NEGATIVE_INFINITY);
    }
}
