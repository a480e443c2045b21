package orbispace.app.draw;

import java.util.List;
import orbispace.app.session.ReturnPicture;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Space;

/**
 * A measured picture bent to settings that may be newer: the fast model while a hand drags. With
 * equal settings it is the measured picture itself.
 */
public final class ReturnGeometry {
    private final ReturnPicture measured;
    private final double predelay;
    private final double decay;
    private final double spacing;

    private ReturnGeometry(ReturnPicture measured, double predelay, double decay, double spacing) {
        this.measured = measured;
        this.predelay = predelay;
        this.decay = decay;
        this.spacing = spacing;
    }

    /** Bends a picture to a return as it is set now. */
    public static ReturnGeometry of(Design design, Return r, ReturnPicture measured) {
        var clock = design.song().clock();
        double predelay = r.predelay().seconds(clock, r.timedAtBar());
        return switch (r.space()) {
            case Space.Hall h -> new ReturnGeometry(measured, predelay, h.decaySeconds(), 0);
            case Space.PingPong p ->
                    new ReturnGeometry(
                            measured, predelay, 0, p.time().seconds(clock, r.timedAtBar()));
        };
    }

    /** When the space begins. */
    public double predelaySeconds() {
        return predelay;
    }

    /** When the tail is 60 dB down, after the dry sound. */
    public double endSeconds() {
        return predelay + decay;
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

    /** Measured level of all that is still to come at a time, re the whole. */
    public double tailDb(double seconds) {
        return measured.curve().levelDbAt(measuredSeconds(seconds));
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
        return measured.arrivals().stream()
                .map(a ->
                        new ReturnPicture.Arrival(
                                predelay
                                        + (a.seconds() - measured.predelaySeconds())
                                                * spacing
                                                / first,
                                a.bearingDegrees(),
                                a.levelDb()))
                .toList();
    }
}
