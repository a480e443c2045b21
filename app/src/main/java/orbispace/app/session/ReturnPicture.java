package orbispace.app.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.measure.DecayCurve;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayReport;
import orbispace.core.measure.PolarEnergy;
import orbispace.core.render.ChainSettings;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.space.EngineSettings;

/**
 * What a return's measured impulse response looks like.
 *
 * @param predelaySeconds as set
 * @param decaySeconds T60 as set; for an echo the time of its last arrival above -60 dB
 * @param polar energy over time and bearing
 * @param curve energy still to come
 * @param report ISO 3382 decay
 * @param arrivals of an echo, measured
 */
public record ReturnPicture(
        double predelaySeconds,
        double decaySeconds,
        PolarEnergy polar,
        DecayCurve curve,
        Optional<DecayReport> report,
        List<Arrival> arrivals) {
    private static final int MOST_ARRIVALS = 6;
    private static final double ARRIVAL_SECONDS = 0.02;

    /**
     * One arrival of an echo.
     *
     * @param seconds after the dry sound
     * @param bearingDegrees measured
     * @param levelDb measured energy re the first arrival
     */
    public record Arrival(double seconds, double bearingDegrees, double levelDb) {}

    /** Keeps its own list. */
    public ReturnPicture {
        arrivals = List.copyOf(arrivals);
    }

    /** Measures a return. */
    public static ReturnPicture measure(Design design, Return r) {
        Audio response = ImpulseResponse.of(design, r);
        PolarEnergy polar = PolarEnergy.of(response);
        DecayCurve curve = DecayMeter.curve(response);
        double predelay = r.predelay().seconds(design.song().clock(), r.timedAtBar());
        return switch (r.space()) {
            case Space.Hall hall ->
                    new ReturnPicture(
                            predelay,
                            hall.decaySeconds(),
                            polar,
                            curve,
                            Optional.of(DecayMeter.measure(response)),
                            List.of());
            case Space.PingPong echo -> {
                List<Arrival> arrivals = arrivals(design, r, response, polar);
                double last = arrivals.isEmpty() ? predelay : arrivals.getLast().seconds();
                yield new ReturnPicture(predelay, last, polar, curve, Optional.empty(), arrivals);
            }
        };
    }

    private static List<Arrival> arrivals(
            Design design, Return r, Audio response, PolarEnergy polar) {
        EngineSettings settings = ChainSettings.engine(design, r);
        double predelay = r.predelay().seconds(design.song().clock(), r.timedAtBar());
        double spacing = settings instanceof EngineSettings.PingPong p ? p.spacingSeconds() : 1;
        double half = Math.min(ARRIVAL_SECONDS, spacing / 3);
        List<Arrival> arrivals = new ArrayList<>();
        double first = 0;
        for (int k = 1; k <= MOST_ARRIVALS; k++) {
            double at = predelay + k * spacing;
            double rate = response.sampleRateHz();
            Audio part = response.slice((int) ((at - half / 4) * rate), (int) ((at + half) * rate));
            double energy = part.meanSquare() * part.frames();
            first = k == 1 ? energy : first;
            double db = Decibels.ofPower(energy / Math.max(1e-30, first));
            if (energy <= 0 || db < -60 || at > PolarEnergy.LONGEST_SECONDS) {
                break;
            }
            arrivals.add(new Arrival(at, polar.bearingDegrees(at - half / 4, at + half), db));
        }
        return arrivals;
    }
}
