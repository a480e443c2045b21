package orbispace.app.draw;

import java.util.List;
import orbispace.app.song.ReturnPicture;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Pan;
import orbispace.core.design.Design;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.space.EchoSettings;

/**
 * A measured picture bent to settings that may be newer: the fast model while a hand drags. With
 * equal settings it is the measured picture itself.
 */
public final class ReturnGeometry {
    private final ReturnPicture measured;
    private final double predelay;
    private final double decay;
    private final double spacing;
    private final double wall;
    private final double[] sent;

    private ReturnGeometry(
            ReturnPicture measured,
            double predelay,
            double decay,
            double spacing,
            double wall,
            double[] sent) {
        this.wall = wall;
        this.sent = sent;
        this.measured = measured;
        this.predelay = predelay;
        this.decay = decay;
        this.spacing = spacing;
    }

    /** Bends a picture to a return as it is set now. */
    public static ReturnGeometry of(Design design, Return r, ReturnPicture measured) {
        var clock = design.song().clock();
        double predelay = r.predelay().seconds(clock, r.timedAtBar());
        double decay =
                switch (r.space().traits().nature()) {
                    case TAIL -> r.space().traits().decaySeconds().orElse(0);
                    case WALL ->
                            r.space()
                                    .traits()
                                    .wall()
                                    .map(w -> w.seconds(clock, r.timedAtBar()))
                                    .orElse(0.0);
                    case RESPONSE -> measured.decaySeconds();
                    case REPEATS, COPIES, COLOUR -> 0;
                };
        double spacing =
                r.space() instanceof Space.Echo e && e.kind() != EchoSettings.Kind.PAIR
                        ? e.time().seconds(clock, r.timedAtBar())
                        : 0;
        return new ReturnGeometry(
                measured, predelay, decay, spacing, wall(design, r), sent(design, r));
    }

    /** The power of what is sent into a return, left and right, by where its senders stand. */
    private static double[] sent(Design design, Return r) {
        double[] power = new double[2];
        r.sends()
                .forEach((id, send) ->
                        design.findSource(id)
                                .ifPresent(source -> {
                                    double fader = send.preFader() ? 0 : source.gainDb();
                                    double sum = Decibels.toPower(send.levelDb() + fader);
                                    power[0] += sum * Math.pow(Pan.left(source.pan()), 2);
                                    power[1] += sum * Math.pow(Pan.right(source.pan()), 2);
                                }));
        return power;
    }

    /** When a gated space ends, after the dry sound; infinite for one without a wall. */
    private static double wall(Design design, Return r) {
        var clock = design.song().clock();
        double length = Double.POSITIVE_INFINITY;
        if (r.space() instanceof Space.Gated g) {
            length =
                    r.predelay().seconds(clock, r.timedAtBar())
                            + g.length().seconds(clock, r.timedAtBar());
        }
        MusicalTime gate = r.gate() == null ? null : r.gate().length();
        return gate == null ? length : Math.min(length, gate.seconds(clock, r.timedAtBar()));
    }

    /** Whether it ends like a wall. */
    public boolean hasWall() {
        return wall <= predelay + decay;
    }

    /** When the space begins. */
    public double predelaySeconds() {
        return predelay;
    }

    /** When the tail is 60 dB down or its wall stands, after the dry sound. */
    public double endSeconds() {
        return Math.min(wall, predelay + decay);
    }

    /** The measured time that belongs to a time under the present settings. */
    private double measuredSeconds(double seconds) {
        if (spacing > 0 || measured.decaySeconds() <= 0 || decay <= 0) {
            return seconds;
        }
        double into = (seconds - predelay) * measured.decaySeconds() / decay;
        return into < 0
                ? seconds - predelay + measured.predelaySeconds()
                : measured.predelaySeconds() + into;
    }

    /** Measured level of the ring at a time, re the densest. */
    public double ringDb(double seconds) {
        return measured.polar().levelDbAt(measuredSeconds(seconds));
    }

    /**
     * The measured bearing of a ring, from -90 (left) to 90 degrees: in its first 0.3 s a place
     * leans to the side of its senders. How it does follows the time after its beginning, however
     * long it decays.
     */
    public double bearingDegrees(double seconds) {
        double at = seconds - predelay + measured.predelaySeconds();
        return measured.sides().map(s -> s.bearingDegrees(at, sent[0], sent[1])).orElse(0.0);
    }

    /** Measured level of all that is still to come at a time, re the whole. */
    public double tailDb(double seconds) {
        return seconds > wall
                ? Double.NEGATIVE_INFINITY
                : measured.curve().levelDbAt(measuredSeconds(seconds));
    }

    /** Energy of the whole response re a dry impulse, in dB. */
    public double energyDb() {
        return measured.curve().energyDb();
    }

    /** The bearings that hold most of the energy: low, high. */
    public double[] edgesDegrees() {
        return measured.polar().edgesDegrees();
    }

    /** Arrivals of an echo at its present time. */
    public List<ReturnPicture.Arrival> arrivals() {
        if (measured.arrivals().isEmpty()) {
            return List.of();
        }
        double first = measured.arrivals().getFirst().seconds() - measured.predelaySeconds();
        double stretch = spacing > 0 ? spacing / first : 1;
        return measured.arrivals().stream()
                .map(a ->
                        new ReturnPicture.Arrival(
                                predelay + (a.seconds() - measured.predelaySeconds()) * stretch,
                                a.bearingDegrees(),
                                a.levelDb()))
                .toList();
    }
}
