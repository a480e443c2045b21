package orbispace.core.prove.stem;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Quantile;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.material.Hits;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;

/**
 * Where the strokes of a section stand against the grid: sixteenths, or triplets of eighths where
 * more of the song's strokes stand there.
 *
 * @param section the section
 * @param medianMillis how much later than the grid they are, median; negative for earlier
 * @param spreadMillis between their quartiles
 * @param strokes how many there are
 */
public record SectionDrift(Section section, double medianMillis, double spreadMillis, int strokes) {
    /** The material for which it is tried and holds. */
    public static final String HOLDS_FOR =
            "strokes within a third of a sixteenth of the grid, 8 and more in a section";

    private static final int LEAST_STROKES = 8;
    private static final double[] GRIDS_QUARTERS = {0.25, 1 / 3.0};

    /** A spread of more than this share of the grid is no playing to it. */
    private static final double MOST_SPREAD = 0.35;

    /** The sections of a song with enough strokes; none if they do not follow its grid. */
    public static List<SectionDrift> of(Song song, Hits hits) {
        List<SectionDrift> best = List.of();
        double least = MOST_SPREAD;
        for (double grid : GRIDS_QUARTERS) {
            List<SectionDrift> drifts = of(song, hits, grid);
            double share =
                    drifts.stream()
                            .mapToDouble(d -> d.spreadMillis / gridMillis(song, d.section, grid))
                            .average()
                            .orElse(1);
            if (share < least) {
                least = share;
                best = drifts;
            }
        }
        return best;
    }

    private static double gridMillis(Song song, Section section, double quarters) {
        return 60_000 / song.clock().bpmOfBar(section.firstBar()) * quarters;
    }

    private static List<SectionDrift> of(Song song, Hits hits, double grid) {
        SongClock clock = song.clock();
        List<SectionDrift> drifts = new ArrayList<>();
        for (Section section : song.sections()) {
            Span span = song.span(section);
            double early = gridMillis(song, section, grid) / 2000;
            List<Double> offsets = new ArrayList<>();
            for (Hits.Hit hit : hits.hits()) {
                // A stroke just before the first beat of a section belongs to that beat.
                if (hit.seconds() >= span.startSeconds() - early
                        && hit.seconds() < span.endSeconds() - early) {
                    double beat = Math.rint(clock.beatAt(hit.seconds()) / grid) * grid;
                    offsets.add(1000 * (hit.seconds() - clock.secondsAt(beat)));
                }
            }
            if (offsets.size() >= LEAST_STROKES) {
                double spread = Quantile.of(offsets, 0.75) - Quantile.of(offsets, 0.25);
                if (spread < MOST_SPREAD * gridMillis(song, section, grid)) {
                    double middle = Quantile.of(offsets, 0.5);
                    drifts.add(new SectionDrift(section, middle, spread, offsets.size()));
                }
            }
        }
        return drifts;
    }

    /** How much later a section is than the others are in the middle, ms. */
    public double against(List<SectionDrift> all) {
        List<Double> others = new ArrayList<>();
        for (SectionDrift d : all) {
            if (!d.section.equals(section)) {
                others.add(d.medianMillis);
            }
        }
        return others.isEmpty() ? 0 : medianMillis - Quantile.of(others, 0.5);
    }

    /** The section that stands farthest from the others. */
    public static Optional<SectionDrift> farthest(List<SectionDrift> all) {
        return all.stream()
                .max((a, b) -> Double.compare(Math.abs(a.against(all)), Math.abs(b.against(all))));
    }
}
