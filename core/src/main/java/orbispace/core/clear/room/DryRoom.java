package orbispace.core.clear.room;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import orbispace.core.audio.Audio;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Question;
import orbispace.core.clear.Speaking;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;

/**
 * Makes room for one part between all dry sources at once. Lead, bass, kit and rooms stay where
 * they are; sources of one channel are put aside, wide ones narrowed and leant, pairs opened
 * evenly; then what still covers the part is cut where it does, and the part lifted there if that
 * pays. No third of an octave from 160 Hz up may end more than 1.5 dB apart left and right, or
 * further than it was. Everything said of it was rendered and heard with all changes done.
 */
public final class DryRoom {
    /** A longer stretch is judged by that part of it in which most is sung. */
    private static final double MOST_SECONDS = 60;

    private static final double STEP_SECONDS = 5;
    private static final double RUN_UP_SECONDS = 3;

    /** The search hears so many frames, spread over those in which the part speaks. */
    private static final int SEARCHED_FRAMES = 120;

    /** Where sources have more in common than was thought, the search begins again with less. */
    private static final double[] LIMITS_DB = {
        RoomPlan.BALANCED_DB, RoomPlan.BALANCED_DB - 0.3, RoomPlan.BALANCED_DB - 0.7
    };

    private static final double LEAST_GAIN = 0.01;
    private static final double LEAST_BALANCED_DB = 0.3;

    private final CoverAnalysis analysis;
    private final Design design;
    private final Source source;
    private final List<Source> part;
    private final double roomPower;
    private final BitSet frames;
    private final BitSet all = new BitSet();
    private final ChangedSound sound;
    private final Job job;

    private DryRoom(CoverAnalysis analysis, Question q, Job job) {
        this.analysis = analysis;
        this.job = job;
        design = q.design();
        source = q.source();
        part = design.layersOf(source);
        roomPower = design.aims().hearing().roomPower();
        frames = Speaking.frames(analysis, q);
        all.set(0, frames.cardinality());
        sound = new ChangedSound(analysis, design, frames, job);
    }

    /**
     * The changes of dry sources that make room for the part of a question in its stretch. What is
     * proposed holds for the whole song, so sources are heard where they stand in it, though at the
     * levels of the section.
     *
     * @return a plan with nothing to do if nothing gains a point
     */
    public static RoomPlan find(CoverAnalysis analysis, Question q, Job job) {
        Span span = busiest(q);
        Question judged =
                new Question(q.design().standing(), q.source(), "", q.phrases(), span, false);
        return new DryRoom(analysis.window(span, RUN_UP_SECONDS), judged, job).plan();
    }

    private static Span busiest(Question q) {
        Span best = q.span();
        double most = -1;
        for (double from = q.span().startSeconds();
                from + MOST_SECONDS < q.span().endSeconds();
                from += STEP_SECONDS) {
            double start = from;
            double sung =
                    q.phrases().spans().stream()
                            .mapToDouble(p ->
                                    Math.max(
                                            0,
                                            Math.min(p.endSeconds(), start + MOST_SECONDS)
                                                    - Math.max(p.startSeconds(), start)))
                            .sum();
            if (sung > most) {
                most = sung;
                best = new Span(start, start + MOST_SECONDS);
            }
        }
        return best;
    }

    private RoomPlan plan() {
        if (frames.isEmpty()) {
            return new RoomPlan(
                    source, List.of(), List.of(new RoomPlan.Kept(source, 1, 1)), List.of());
        }
        TwoEars wet = wet();
        BitSet few = few();
        Map<String, SourceSound> sounds = sounds(few);
        List<Seat> seats = Seat.of(design, part, sounds);
        List<List<Source>> were = seats.stream().map(Seat::sources).toList();
        List<List<Source>> was = new ArrayList<>(were);
        was.addFirst(part);
        TwoEars beside = wet.only(frames);
        Outcome outcome = new Outcome(sound, source, design.sources(), was, beside, roomPower);
        Optional<RoomPlan> nearly = Optional.empty();
        for (double limit : LIMITS_DB) {
            RoomSearch search =
                    new RoomSearch(seats, new Heard(sounds), part, wet.only(few), roomPower, limit);
            RoomPlan plan = outcome.of(parted(search.solve(job), beside));
            if (isBalanced(plan) && isWorth(plan)) {
                if (plan.isBalanced()) {
                    return plan;
                }
                nearly = nearly.or(() -> Optional.of(plan));
            }
        }
        if (nearly.isPresent()) {
            return nearly.get();
        }
        RoomPlan bells = outcome.of(parted(were, beside));
        return isBalanced(bells) && isWorth(bells) ? bells : outcome.of(was);
    }

    private List<List<Source>> parted(List<List<Source>> seats, TwoEars beside) {
        return new BellPairs(sound, roomPower, seats, part, beside, all).find();
    }

    private Map<String, SourceSound> sounds(BitSet few) {
        Map<String, SourceSound> sounds = new ConcurrentHashMap<>();
        design.sources().parallelStream()
                .forEach(s -> {
                    job.check();
                    sounds.put(s.id(), SourceSound.of(analysis, design, s, few));
                });
        return sounds;
    }

    /** Some of the frames, evenly. */
    private BitSet few() {
        int step = Math.max(1, frames.cardinality() / SEARCHED_FRAMES);
        BitSet few = new BitSet();
        int count = 0;
        for (int f = frames.nextSetBit(0); f >= 0; f = frames.nextSetBit(f + 1)) {
            few.set(f, count % step == 0);
            count++;
        }
        return few;
    }

    /** All returns as they stand. */
    private TwoEars wet() {
        Renderer renderer = analysis.renderer();
        double rate = renderer.material().sampleRateHz();
        Audio none = Audio.silence(rate, 2, renderer.frames());
        return TwoEars.of(renderer.with(none, design, job), analysis.ear());
    }

    /** Sources as they were heard once, wherever they are put. */
    private record Heard(Map<String, SourceSound> sounds) implements RoomSearch.Heard {
        @Override
        public TwoEars ears(List<Source> as) {
            return as.stream().map(s -> of(s).ears(s)).reduce(TwoEars::plus).orElseThrow();
        }

        @Override
        public SidePowers powers(List<Source> as) {
            return as.stream()
                    .map(s -> of(s).powers(s))
                    .reduce(SidePowers.none(), SidePowers::plus);
        }

        private SourceSound of(Source s) {
            return Objects.requireNonNull(sounds.get(s.id()));
        }
    }

    private static boolean isBalanced(RoomPlan plan) {
        return plan.thirds().stream().allMatch(RoomPlan::isBalanced);
    }

    /** Whether who is to come through gains a point, or left and right come together. */
    private static boolean isWorth(RoomPlan plan) {
        RoomPlan.Kept own = plan.kept().getFirst();
        return own.after() - own.before() >= LEAST_GAIN
                || (own.after() > own.before()
                        && plan.apartBeforeDb() > RoomPlan.BALANCED_DB
                        && plan.apartDb() < plan.apartBeforeDb() - LEAST_BALANCED_DB);
    }
}
