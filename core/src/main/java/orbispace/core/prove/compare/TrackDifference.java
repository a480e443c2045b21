package orbispace.core.prove.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Decibels;
import orbispace.core.measure.StereoReport;
import orbispace.core.words.Wording;

/**
 * How a mix differs from a finished track that it is held against, both at one loudness.
 *
 * @param mixGainDb by how much the mix is turned down for a fair flip: 0, unless the track cannot
 *     be raised far enough
 * @param trackGainDb the gain that makes the track as loud as the mix, never raising it over a true
 *     peak of -1 dB
 * @param thirds mix less track, dB per third of an octave; empty where either is silent
 * @param words the differences that are large enough to be heard, the largest first
 */
public record TrackDifference(
        double mixGainDb, double trackGainDb, List<OptionalDouble> thirds, List<String> words) {
    private static final double HIGHEST_DBTP = -1;
    private static final double HEARD_DB = 2;
    private static final double HEARD_DEGREES = 12;
    private static final double HEARD_DECAY = 0.2;

    private static final List<Region> REGIONS =
            List.of(
                    new Region("the sub", 20, 56),
                    new Region("the bass", 56, 180),
                    new Region("the low middle", 180, 560),
                    new Region("the middle", 560, 1800),
                    new Region("the presence", 1800, 5600),
                    new Region("the air", 5600, 20000));

    private record Region(String name, double fromHz, double toHz) {
        boolean holds(double hz) {
            return hz >= fromHz && hz < toHz;
        }
    }

    private record Said(double size, String words) {}

    /** Keeps its own lists. */
    public TrackDifference {
        thirds = List.copyOf(thirds);
        words = List.copyOf(words);
    }

    /** Holds a mix against a track. */
    public static TrackDifference of(FinishedTrack mix, FinishedTrack track) {
        double difference =
                mix.loudness().integratedLufs().orElse(-70)
                        - track.loudness().integratedLufs().orElse(-70);
        List<OptionalDouble> thirds = new ArrayList<>();
        int n = Math.min(mix.thirds().size(), track.thirds().size());
        for (int i = 0; i < n; i++) {
            OptionalDouble m = mix.thirds().get(i).db();
            OptionalDouble t = track.thirds().get(i).db();
            thirds.add(
                    m.isPresent() && t.isPresent()
                            ? OptionalDouble.of(m.getAsDouble() - t.getAsDouble())
                            : OptionalDouble.empty());
        }
        List<Said> said = new ArrayList<>();
        for (Region region : REGIONS) {
            spectrum(region, mix, track, said);
            width(region, mix, track, said);
        }
        decay(mix, track, said);
        range(mix, track, said);
        said.sort((a, b) -> Double.compare(b.size(), a.size()));
        double trackGain = Math.min(difference, room(track));
        return new TrackDifference(
                trackGain - difference, trackGain, thirds, said.stream().map(Said::words).toList());
    }

    /** By how much a track may be raised without its true peak passing the limit. */
    private static double room(FinishedTrack track) {
        return Math.max(0, HIGHEST_DBTP - track.loudness().truePeakDbtp().orElse(HIGHEST_DBTP));
    }

    private static double power(FinishedTrack track, Region region) {
        return track.thirds().stream()
                .filter(t -> region.holds(t.centreHz()) && t.db().isPresent())
                .mapToDouble(t -> Decibels.toPower(t.db().getAsDouble()))
                .sum();
    }

    private static void spectrum(
            Region region, FinishedTrack mix, FinishedTrack track, List<Said> said) {
        double m = power(mix, region);
        double t = power(track, region);
        if (m <= 0 || t <= 0) {
            return;
        }
        double db = 10 * Math.log10(m / t);
        if (Math.abs(db) >= HEARD_DB) {
            said.add(
                    new Said(
                            Math.abs(db) / HEARD_DB,
                            Wording.text(
                                    "%s is %.1f dB %s",
                                    capital(region.name()),
                                    Math.abs(db),
                                    db > 0 ? "stronger" : "weaker")));
        }
    }

    private static OptionalDouble widthOf(FinishedTrack track, Region region) {
        return track.stereo().bands().stream()
                .filter(b -> region.holds(b.centreHz()) && b.widthDegrees().isPresent())
                .mapToDouble((StereoReport.Band b) -> b.widthDegrees().orElse(0))
                .average();
    }

    private static void width(
            Region region, FinishedTrack mix, FinishedTrack track, List<Said> said) {
        OptionalDouble m = widthOf(mix, region);
        OptionalDouble t = widthOf(track, region);
        if (m.isEmpty() || t.isEmpty()) {
            return;
        }
        double degrees = m.getAsDouble() - t.getAsDouble();
        if (Math.abs(degrees) >= HEARD_DEGREES) {
            said.add(
                    new Said(
                            Math.abs(degrees) / HEARD_DEGREES,
                            Wording.text(
                                    "%s is %.0f degrees %s",
                                    capital(region.name()),
                                    Math.abs(degrees),
                                    degrees > 0 ? "wider" : "narrower")));
        }
    }

    private static void decay(FinishedTrack mix, FinishedTrack track, List<Said> said) {
        if (mix.stop().isEmpty() || track.stop().isEmpty()) {
            return;
        }
        double ratio = mix.stop().get().decaySeconds() / track.stop().get().decaySeconds();
        if (Math.abs(ratio - 1) >= HEARD_DECAY) {
            said.add(
                    new Said(
                            Math.abs(Math.log(ratio)) / HEARD_DECAY,
                            Wording.text(
                                    "Where it stops it rings %s: %.2f against %.2f s",
                                    ratio > 1 ? "longer" : "shorter",
                                    mix.stop().get().decaySeconds(),
                                    track.stop().get().decaySeconds())));
        }
    }

    private static void range(FinishedTrack mix, FinishedTrack track, List<Said> said) {
        OptionalDouble m = mix.loudness().rangeLu();
        OptionalDouble t = track.loudness().rangeLu();
        if (m.isPresent() && t.isPresent() && Math.abs(m.getAsDouble() - t.getAsDouble()) >= 2) {
            double lu = m.getAsDouble() - t.getAsDouble();
            said.add(
                    new Said(
                            Math.abs(lu) / 2,
                            Wording.text(
                                    "Its loudness ranges %.1f LU %s",
                                    Math.abs(lu), lu > 0 ? "more" : "less")));
        }
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
