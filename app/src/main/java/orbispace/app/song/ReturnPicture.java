package orbispace.app.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
import orbispace.core.measure.DecayCurve;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayReport;
import orbispace.core.measure.EchoDensity;
import orbispace.core.measure.PolarEnergy;
import orbispace.core.measure.SideEnergy;
import orbispace.core.measure.SpaceStart;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.render.Responses;
import orbispace.core.space.EchoSettings;

/**
 * What a return's measured impulse response looks like.
 *
 * @param predelaySeconds as set
 * @param decaySeconds T60 as set or measured; the length of a gated space; for an echo or of copies
 *     the time of its last arrival above -60 dB
 * @param polar energy over time and bearing
 * @param curve energy still to come
 * @param report ISO 3382 decay
 * @param arrivals of an echo or of copies, measured
 * @param start of a place, measured; empty until it is
 * @param sides of a place: on which side it answers; empty until it is measured
 */
public record ReturnPicture(
        double predelaySeconds,
        double decaySeconds,
        PolarEnergy polar,
        DecayCurve curve,
        Optional<DecayReport> report,
        List<Arrival> arrivals,
        Optional<Start> start,
        Optional<SideEnergy> sides) {
    private static final int MOST_ARRIVALS = 6;

    /**
     * One arrival of an echo.
     *
     * @param seconds after the dry sound
     * @param bearingDegrees measured
     * @param levelDb measured energy re the first arrival
     */
    public record Arrival(double seconds, double bearingDegrees, double levelDb) {}

    /**
     * How a place begins.
     *
     * @param denseSeconds after its first sound, when its later side is as dense as noise
     * @param loudestSeconds after its first sound, the middle of its loudest 10 ms
     */
    public record Start(double denseSeconds, double loudestSeconds) {
        static Optional<Start> of(Audio response, double predelaySeconds) {
            int from = (int) (predelaySeconds * response.sampleRateHz());
            if (from >= response.frames()) {
                return Optional.empty();
            }
            Audio wet = response.slice(from, response.frames());
            double rate = wet.sampleRateHz();
            OptionalDouble left = EchoDensity.denseSeconds(wet.channel(0), rate);
            OptionalDouble right = EchoDensity.denseSeconds(wet.channel(1), rate);
            if (left.isEmpty() || right.isEmpty()) {
                return Optional.empty();
            }
            double dense = Math.max(left.getAsDouble(), right.getAsDouble());
            return Optional.of(new Start(dense, SpaceStart.loudest(wet)));
        }
    }

    /** Keeps its own list. */
    public ReturnPicture {
        arrivals = List.copyOf(arrivals);
    }

    /** Measures a return. */
    public static ReturnPicture measure(Design design, Return r, Responses responses) {
        return measure(design, r, responses, quick -> {});
    }

    /**
     * Measures a return.
     *
     * @param first takes what is drawn as soon as it is there, before the decay per band
     */
    public static ReturnPicture measure(
            Design design, Return r, Responses responses, Consumer<ReturnPicture> first) {
        ImpulseResponse.Recipe recipe = ImpulseResponse.recipe(design, r, responses);
        Audio response = ImpulseResponse.of(recipe);
        PolarEnergy polar = PolarEnergy.of(response);
        DecayCurve curve = DecayMeter.curve(response);
        double predelay = r.predelay().seconds(design.song().clock(), r.timedAtBar());
        List<Arrival> arrivals =
                new ArrivalFinder(response, polar).arrivals(predelay, expected(design, r));
        double decay = decay(design, r, arrivals, predelay, response.seconds());
        ReturnPicture quick =
                new ReturnPicture(
                        predelay,
                        decay,
                        polar,
                        curve,
                        Optional.empty(),
                        arrivals,
                        Optional.empty(),
                        Optional.empty());
        if (!r.space().traits().nature().isPlace()) {
            return quick;
        }
        first.accept(quick);
        DecayReport report = DecayMeter.measure(response);
        double measured = r.space() instanceof Space.Convolution ? measured(report, decay) : decay;
        return new ReturnPicture(
                predelay,
                measured,
                polar,
                curve,
                Optional.of(report),
                arrivals,
                Start.of(response, predelay),
                Optional.of(ImpulseResponse.sides(recipe, predelay)));
    }

    private static double decay(
            Design design, Return r, List<Arrival> arrivals, double predelay, double whole) {
        SpaceTraits traits = r.space().traits();
        return switch (traits.nature()) {
            case TAIL -> traits.decaySeconds().orElse(0);
            case WALL ->
                    traits.wall()
                            .map(w -> w.seconds(design.song().clock(), r.timedAtBar()))
                            .orElse(0.0);
            case RESPONSE -> whole;
            case REPEATS, COPIES -> last(arrivals, predelay);
            case COLOUR -> 0.001;
        };
    }

    private static double last(List<Arrival> arrivals, double otherwise) {
        return arrivals.isEmpty() ? otherwise : arrivals.getLast().seconds();
    }

    private static double measured(DecayReport report, double otherwise) {
        return report.broadband().t30().fitted().orElse(otherwise);
    }

    /** When single arrivals should come, after the predelay; none for spaces without any. */
    private static List<Double> expected(Design design, Return r) {
        var clock = design.song().clock();
        List<Double> times = new ArrayList<>();
        if (r.space() instanceof Space.Echo e) {
            double left = e.time().seconds(clock, r.timedAtBar());
            double right = e.rightTime().seconds(clock, r.timedAtBar());
            for (int k = 1; k <= MOST_ARRIVALS; k++) {
                times.add(k * left);
                if (e.kind() == EchoSettings.Kind.PAIR && Math.abs(left - right) > 1e-6) {
                    times.add(k * right);
                }
            }
        } else if (r.space() instanceof Space.Copies d) {
            d.copies().forEach(c -> times.add(c.seconds()));
        }
        return times.stream().filter(t -> t > 0).sorted().toList();
    }
}
