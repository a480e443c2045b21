package orbispace.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.material.Hits;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;
import orbispace.core.time.SongClock;

/**
 * Finds the drum that carries the backbeat: the one whose own strokes hold most energy from 150 Hz
 * to 5 kHz on beats 2 and 4, at its fader, of those that hold twice as much there as on the other
 * beats: a kick on every beat carries none of them. Microphones of one drum count together. In
 * other metres the even beats count, in compound ones those that begin every second group of three.
 * Where no drum stands out so, the one with most energy on those beats is taken, and where nothing
 * strikes there the one with most energy anywhere.
 */
public final class BackbeatFinder {
    private static final double LOW_HZ = 150;
    private static final double HIGH_HZ = 5000;
    private static final int POLES = 4;

    /** What carries the backbeat holds so many times more energy there than on other beats. */
    private static final double TIMES_AS_MUCH = 2;

    /** A stroke belongs to a beat from which it lies no farther than this share of it. */
    private static final double NEAR = 0.15;

    /** The energy of a stroke is that of so long after it. */
    private static final double STROKE_SECONDS = 0.06;

    /** Where a stroke falls. */
    private enum Beat {
        BACK,
        OTHER,
        NONE
    }

    private final SongClock clock;

    private BackbeatFinder(SongClock clock) {
        this.clock = clock;
    }

    /**
     * The drum of the backbeat; empty if nothing strikes.
     *
     * @param sent which sources may be sent at all
     * @param strokes own strokes of a source, if they were found
     * @param audio of a source as it lies in the song, if it is there
     */
    public static Optional<Backbeat> find(
            Design design,
            Predicate<Source> sent,
            Function<Source, Optional<Hits>> strokes,
            Function<Source, Optional<Audio>> audio) {
        BackbeatFinder finder = new BackbeatFinder(design.song().clock());
        Map<String, List<Struck>> drums = new LinkedHashMap<>();
        for (Source s : design.sources()) {
            if (s.role() != Role.HITS || !s.kind().isSent() || !sent.test(s)) {
                continue;
            }
            Optional<Hits> hits = strokes.apply(s).filter(h -> !h.hits().isEmpty());
            Optional<Audio> sound = audio.apply(s);
            if (hits.isPresent() && sound.isPresent()) {
                String drum = StemName.of(s.name()).drum();
                drums.computeIfAbsent(drum.isEmpty() ? s.name() : drum, d -> new ArrayList<>())
                        .add(finder.struck(s, hits.get(), sound.get()));
            }
        }
        Map<String, List<Struck>> carrying = new LinkedHashMap<>(drums);
        carrying.values().removeIf(of -> !carries(of));
        return most(carrying, true).or(() -> most(drums, true)).or(() -> most(drums, false));
    }

    private static boolean carries(List<Struck> of) {
        double other = of.stream().mapToDouble(Struck::otherBeatsEnergy).sum();
        return energy(of, true) > TIMES_AS_MUCH * other;
    }

    private static Optional<Backbeat> most(Map<String, List<Struck>> drums, boolean onBeats) {
        Comparator<Struck> byEnergy = Comparator.comparingDouble(s -> s.energy(onBeats));
        return drums.entrySet().stream()
                .filter(e -> energy(e.getValue(), onBeats) > 0)
                .max(Comparator.comparingDouble(e -> energy(e.getValue(), onBeats)))
                .map(e -> {
                    List<Struck> loudest =
                            e.getValue().stream().sorted(byEnergy.reversed()).toList();
                    return new Backbeat(
                            e.getKey(),
                            loudest.stream().map(s -> s.source.id()).toList(),
                            loudest.getFirst().count(onBeats),
                            onBeats);
                });
    }

    private static double energy(List<Struck> of, boolean onBeats) {
        return of.stream().mapToDouble(s -> s.energy(onBeats)).sum();
    }

    /** The strokes of a microphone and what they hold on the beats and in all. */
    private record Struck(
            Source source,
            int on,
            double onEnergy,
            double otherBeatsEnergy,
            int all,
            double allEnergy) {
        double energy(boolean onBeats) {
            return onBeats ? onEnergy : allEnergy;
        }

        int count(boolean onBeats) {
            return onBeats ? on : all;
        }
    }

    private Struck struck(Source s, Hits hits, Audio audio) {
        int on = 0;
        double onEnergy = 0;
        double otherEnergy = 0;
        double allEnergy = 0;
        double fader = Math.pow(10, s.gainDb() / 10);
        for (Hits.Hit hit : hits.hits()) {
            double energy = fader * energy(audio, hit.seconds());
            allEnergy += energy;
            switch (beat(hit.seconds())) {
                case BACK -> {
                    on++;
                    onEnergy += energy;
                }
                case OTHER -> otherEnergy += energy;
                case NONE -> {}
            }
        }
        return new Struck(s, on, onEnergy, otherEnergy, hits.hits().size(), allEnergy);
    }

    private Beat beat(double seconds) {
        int bar = clock.barAtSeconds(seconds);
        double from = clock.secondsOfBar(bar);
        int beats = clock.metre().at(bar).beatsPerBar();
        double at = beats * (seconds - from) / (clock.secondsOfBar(bar + 1) - from);
        int nearest = (int) Math.rint(at);
        boolean compound = beats % 3 == 0 && beats > 3;
        boolean carries = compound ? nearest % 6 == 3 : nearest % 2 == 1;
        if (Math.abs(at - nearest) > NEAR) {
            return Beat.NONE;
        }
        return carries ? Beat.BACK : Beat.OTHER;
    }

    private static double energy(Audio audio, double seconds) {
        double rate = audio.sampleRateHz();
        int from = Math.clamp(Math.round(seconds * rate), 0, audio.frames());
        int to = Math.min(audio.frames(), from + (int) (STROKE_SECONDS * rate));
        if (to <= from) {
            return 0;
        }
        List<Biquad> band = new ArrayList<>(FilterDesign.highPass(LOW_HZ, POLES, rate));
        band.addAll(FilterDesign.lowPass(HIGH_HZ, POLES, rate));
        double sum = 0;
        for (int c = 0; c < audio.channelCount(); c++) {
            float[] part = audio.slice(from, to).channel(c).clone();
            new Cascade(band).process(part, part.clone(), 0, part.length);
            for (float x : part) {
                sum += x * x;
            }
        }
        return sum;
    }
}
