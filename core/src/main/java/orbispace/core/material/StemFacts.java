package orbispace.core.material;

import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.measure.LoudnessMeter;

/**
 * What is known of one stem.
 *
 * @param check faults of its samples
 * @param spectrum in third octaves
 * @param integratedLufs loudness; empty for silence
 * @param peakDbfs highest sample
 * @param crestDb how far that lies over the mean level while it sounds; 0 for silence
 * @param soundingShare how much of its time it sounds, above -60 dB under its peak
 * @param lastSoundSeconds when it falls silent for good
 * @param room whether a room is printed into it
 * @param echo the slap or echo that is printed into it, if one was found
 * @param phrases where it sings, if that was asked for
 * @param hits its strokes, if that was asked for
 * @param gate what parts its strokes from bleed, if that was asked for and anything does
 */
public record StemFacts(
        StemCheck check,
        Spectrum spectrum,
        OptionalDouble integratedLufs,
        double peakDbfs,
        double crestDb,
        double soundingShare,
        double lastSoundSeconds,
        PrintedRoom room,
        Optional<PrintedEcho> echo,
        Optional<Phrases> phrases,
        Optional<Hits> hits,
        Optional<GateKey> gate) {
    private static final double SILENT_DBFS = -150;
    private static final double SOUNDING_DB = -60;

    /** What to look for beyond what is measured of every stem. */
    public record Wanted(boolean phrases, boolean hits) {}

    /** The room that is printed into it, if one was found. */
    public Optional<Ambience> ambience() {
        return room.found();
    }

    /** The same with phrases found otherwise, such as in all layers of a part together. */
    public StemFacts withPhrases(Phrases other) {
        return with(room, Optional.of(other), hits, gate);
    }

    /** The same with strokes told otherwise, such as across all stems of a kit. */
    public StemFacts withStrokes(Hits own, Optional<GateKey> parting) {
        return with(room, phrases, Optional.of(own), parting);
    }

    /** The same with a room that was found otherwise, such as against what the drums play. */
    public StemFacts withRoom(Ambience heard) {
        return with(PrintedRoom.of(heard), phrases, hits, gate);
    }

    private StemFacts with(
            PrintedRoom printed,
            Optional<Phrases> sung,
            Optional<Hits> struck,
            Optional<GateKey> parting) {
        return new StemFacts(
                check,
                spectrum,
                integratedLufs,
                peakDbfs,
                crestDb,
                soundingShare,
                lastSoundSeconds,
                printed,
                echo,
                sung,
                struck,
                parting);
    }

    /** Measures a stem of any rate and length. */
    public static StemFacts measure(Audio stem, Silhouette silhouette, Wanted wanted) {
        Audio audio = stem.held();
        Optional<Hits> hits = wanted.hits() ? Optional.of(HitFinder.find(audio)) : Optional.empty();
        Optional<GateKey> gate = hits.flatMap(h -> GateKeyFinder.find(audio, h));
        double peak = silhouette.peak(0, silhouette.seconds());
        Sounding sounding = Sounding.above(peak * Decibels.toAmplitude(SOUNDING_DB), silhouette);
        return new StemFacts(
                StemCheck.of(audio),
                Spectrum.of(audio),
                LoudnessMeter.integratedLufs(audio),
                Math.max(SILENT_DBFS, Decibels.ofAmplitude(peak)),
                peak == 0 ? 0 : Decibels.ofAmplitude(peak) - Decibels.ofPower(sounding.power),
                sounding.share,
                sounding.lastSeconds,
                AmbienceFinder.look(audio),
                EchoFinder.find(audio),
                wanted.phrases() ? Optional.of(PhraseFinder.find(audio)) : Optional.empty(),
                gate.map(GateKey::events).or(() -> hits),
                gate);
    }

    /** The share of steps above a level, their mean square, and when the last of them ends. */
    private record Sounding(double share, double power, double lastSeconds) {
        static Sounding above(double level, Silhouette s) {
            int steps = (int) Math.round(s.seconds() * Silhouette.STEPS_PER_SECOND);
            int count = 0;
            int last = 0;
            double power = 0;
            for (int i = 0; i < steps; i++) {
                double at = (i + 0.5) / Silhouette.STEPS_PER_SECOND;
                double mean = s.mean(at, at);
                if (mean > level) {
                    count++;
                    power += mean * mean;
                    last = i + 1;
                }
            }
            return new Sounding(
                    count / Math.max(1.0, steps),
                    count == 0 ? 0 : power / count,
                    last / (double) Silhouette.STEPS_PER_SECOND);
        }
    }
}
