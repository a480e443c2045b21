package orbispace.core.clear;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.WetShare;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/**
 * The returns of a field at levels that are tried: what share of all loudness each has beside the
 * others. Nothing is rendered anew for a level, and some fifty frames a second are heard, which
 * moves a share by up to a twentieth of itself; who decides by it measures again.
 */
public final class ShareBoard {
    private static final double FRAMES_PER_SECOND = 47;
    private static final double ACCURACY_DB = 0.1;

    private final Excitation sources;
    private final Excitation silence;
    private final Map<String, Excitation> at0 = new LinkedHashMap<>();
    private final Map<String, Double> levels = new LinkedHashMap<>();
    private final double roomPower;

    /**
     * A board of a field as it stands.
     *
     * @param span the stretch that is listened to
     */
    public ShareBoard(CoverAnalysis analysis, Design design, Span span, Job job) {
        int step = (int) Math.max(1, Math.rint(analysis.framesPerSecond() / FRAMES_PER_SECOND));
        HeardSong song = analysis.song();
        sources = analysis.slice(song.sourcesBut(design, List.of()), span).every(step);
        silence = sources.times(0);
        roomPower = analysis.roomPower();
        for (Return r : design.returns()) {
            job.check();
            Excitation wet = song.wet(design, r.withLevel(0), job);
            at0.put(r.id(), analysis.slice(wet, span).every(step));
            levels.put(r.id(), r.levelDb());
        }
    }

    /** Tries a return at a level. */
    public void set(String id, double levelDb) {
        levels.put(id, levelDb);
    }

    /** The share of a return at the levels that are tried, 0 to 1. */
    public double share(String id) {
        return share(id, level(id), rest(id));
    }

    /** The highest level within a range at which a return has less than a share, to 0.1 dB. */
    public double levelFor(String id, double share, double leastDb, double mostDb) {
        Excitation rest = rest(id);
        double low = leastDb;
        double high = mostDb;
        while (high - low > ACCURACY_DB) {
            double middle = (low + high) / 2;
            if (share(id, middle, rest) < share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private double share(String id, double levelDb, Excitation rest) {
        Excitation wet = Objects.requireNonNull(at0.get(id)).times(Decibels.toPower(levelDb));
        return WetShare.of(silence, wet, rest, roomPower);
    }

    private Excitation rest(String id) {
        Excitation rest = sources;
        for (Map.Entry<String, Excitation> e : at0.entrySet()) {
            if (!e.getKey().equals(id)) {
                rest = rest.plus(e.getValue().times(Decibels.toPower(level(e.getKey()))));
            }
        }
        return rest;
    }

    private double level(String id) {
        return Objects.requireNonNull(levels.get(id));
    }
}
