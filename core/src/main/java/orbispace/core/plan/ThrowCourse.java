package orbispace.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Throw;
import orbispace.core.render.ChainWorks;
import orbispace.core.render.Responses;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.EngineSettings;
import orbispace.core.space.ReverbSettings;
import orbispace.core.time.Fit;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;

/**
 * What follows a thrown word: its repeats or its tail, and the gap in which it has room. Worked out
 * from the settings, as {@code 20 k log10(feedback)} for repeat k and 60 dB per T60 for a tail.
 *
 * @param word the stretch that is thrown, in seconds of the song
 * @param spacingSeconds time between repeats; 0 for a space that makes a tail
 * @param feedback level of each repeat over the one before
 * @param arrivals its repeats down to {@link #DOWN_DB}, or its tail as a single one
 * @param gap from the end of the word to the next phrase, or to the end of the song
 * @param next the phrase that begins after the word; empty if none does
 */
public record ThrowCourse(
        Span word,
        double spacingSeconds,
        double feedback,
        List<Arrival> arrivals,
        Span gap,
        Optional<Span> next) {
    /** How far down a repeat or tail is that counts as over. */
    public static final double DOWN_DB = 30;

    // As well as the edges of phrases are known.
    private static final double BREATH_SECONDS = 0.03;

    /**
     * A repeat or tail.
     *
     * @param span when it sounds
     * @param levelDb over the first
     * @param runsOn whether it reaches into the next phrase
     */
    public record Arrival(Span span, double levelDb, boolean runsOn) {}

    /** Keeps its own list. */
    public ThrowCourse {
        arrivals = List.copyOf(arrivals);
    }

    /**
     * What follows a throw.
     *
     * @param phrases of its source, in seconds of the song
     * @param songEnd end of the song in seconds
     * @return empty if its source or return is gone
     */
    public static Optional<ThrowCourse> of(
            Design design, Responses responses, Throw t, List<Span> phrases, double songEnd) {
        return design.lostThrows().contains(t)
                ? Optional.empty()
                : Optional.of(of(design, new ChainWorks(design, responses), t, phrases, songEnd));
    }

    /** The same of a throw that is known to be heard, by works that are at hand. */
    static ThrowCourse of(
            Design design, ChainWorks works, Throw t, List<Span> phrases, double songEnd) {
        SongClock clock = design.song().clock();
        Span word = new Span(clock.secondsAt(t.fromBeat()), clock.secondsAt(t.toBeat()));
        Optional<Span> next =
                phrases.stream()
                        .filter(p -> p.startSeconds() > word.endSeconds() - BREATH_SECONDS)
                        .findFirst();
        double room = next.map(Span::startSeconds).orElse(songEnd);
        Span gap = new Span(word.endSeconds(), Math.max(word.endSeconds(), room));
        EngineSettings engine = works.engineOf(t);
        Double until = t.trail().untilBeat();
        double shut = until == null ? Double.POSITIVE_INFINITY : clock.secondsAt(until);
        double edge = next.isEmpty() ? Double.POSITIVE_INFINITY : gap.endSeconds();
        if (engine instanceof EchoSettings echo) {
            double spacing = Math.max(echo.leftSeconds(), echo.rightSeconds());
            double before = works.predelayOf(t);
            return new ThrowCourse(
                    word,
                    spacing,
                    echo.feedback(),
                    repeats(word, before, spacing, echo.feedback(), shut, edge),
                    gap,
                    next);
        }
        double ends = word.endSeconds() + works.predelayOf(t) + tailSeconds(engine);
        Span tail = new Span(word.startSeconds() + works.predelayOf(t), Math.min(shut, ends));
        boolean runsOn = tail.endSeconds() > edge + BREATH_SECONDS;
        return new ThrowCourse(word, 0, 0, List.of(new Arrival(tail, 0, runsOn)), gap, next);
    }

    private static List<Arrival> repeats(
            Span word, double before, double spacing, double feedback, double shut, double edge) {
        List<Arrival> arrivals = new ArrayList<>();
        for (int k = 1; k <= Fit.arrivalsAbove(feedback, DOWN_DB); k++) {
            double from = word.startSeconds() + before + k * spacing;
            double to = Math.min(shut, word.endSeconds() + before + k * spacing);
            if (from < shut) {
                double level = k == 1 ? 0 : 20 * (k - 1) * Math.log10(feedback);
                boolean runsOn = to > edge + BREATH_SECONDS;
                arrivals.add(new Arrival(new Span(from, to), level, runsOn));
            }
        }
        return arrivals;
    }

    /** When a tail has fallen by {@link #DOWN_DB}; for others how long they ring at all. */
    private static double tailSeconds(EngineSettings engine) {
        return engine instanceof ReverbSettings r
                ? r.decaySeconds() * DOWN_DB / 60
                : engine.ringSeconds() / 2;
    }

    /** How many repeats, or tails, reach into the next phrase. */
    public int runningOn() {
        return (int) arrivals.stream().filter(Arrival::runsOn).count();
    }

    /** When the last repeat or the tail is over, in seconds of the song. */
    public double endSeconds() {
        return arrivals.isEmpty() ? word.endSeconds() : arrivals.getLast().span().endSeconds();
    }

    /** Whether at least one whole repeat has room in the gap. */
    public boolean hasRoom() {
        return spacingSeconds <= gap.seconds() + BREATH_SECONDS;
    }

    /** The largest feedback with which the repeats are over when the gap is. */
    public double fittingFeedback() {
        return hasRoom() && spacingSeconds > 0
                ? Fit.feedbackOfWholeRepeats(spacingSeconds, gap.seconds(), DOWN_DB)
                : 0;
    }
}
