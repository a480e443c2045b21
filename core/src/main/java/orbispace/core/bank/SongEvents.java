package orbispace.core.bank;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import orbispace.core.design.Design;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.draft.SongFacts;
import orbispace.core.material.Spectrum;
import orbispace.core.material.StemFacts;

/**
 * What relations relate to in one song.
 *
 * @param design the song
 * @param stems what is known of its stems, by source id
 * @param facts gaps, strokes and gates
 */
public record SongEvents(Design design, Map<String, StemFacts> stems, SongFacts facts) {
    /** Energy under the lower and over the upper edge of what a spectrum covers. */
    private static final double EDGE = 0.05;

    /** Keeps its own map. */
    public SongEvents {
        stems = Map.copyOf(stems);
    }

    OptionalDouble seconds(Relations.Event event) {
        return switch (event) {
            case GAP -> facts.gapSeconds();
            case STROKE -> facts.hitSeconds();
        };
    }

    double seconds(MusicalTime time, Return r) {
        return time.seconds(design.song().clock(), r.timedAtBar());
    }

    double beatSeconds(int bar) {
        return 60 / design.song().clock().bpmOfBar(bar);
    }

    /** The 5 % point of the energy of what is mainly sent into a return, in Hz. */
    OptionalDouble lowEdgeHz(Return r) {
        return edge(r, EDGE);
    }

    /** The 95 % point. */
    OptionalDouble highEdgeHz(Return r) {
        return edge(r, 1 - EDGE);
    }

    private OptionalDouble edge(Return r, double share) {
        List<Source> main = Purposes.mainSenders(design, r);
        double[] power = new double[Spectrum.BANDS];
        double all = 0;
        for (Source s : main) {
            StemFacts known = stems.get(s.id());
            for (int b = 0; known != null && b < power.length; b++) {
                double db = known.spectrum().levelsDb().get(b) + s.gainDb();
                power[b] += Math.pow(10, (db + r.sendDb(s.id()).orElse(-200)) / 10);
            }
        }
        for (double p : power) {
            all += p;
        }
        if (!(all > 0)) {
            return OptionalDouble.empty();
        }
        double below = 0;
        for (int b = 0; b < power.length; b++) {
            if (below + power[b] >= share * all) {
                // Within a band energy lies evenly over the octaves.
                double part = (share * all - below) / power[b];
                return OptionalDouble.of(Spectrum.centreHz(b) * Math.pow(10, (part - 0.5) / 10));
            }
            below += power[b];
        }
        return OptionalDouble.of(Spectrum.centreHz(power.length - 1));
    }
}
