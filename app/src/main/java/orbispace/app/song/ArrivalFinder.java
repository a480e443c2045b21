package orbispace.app.song;

import java.util.ArrayList;
import java.util.List;
import orbispace.app.song.ReturnPicture.Arrival;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.measure.PolarEnergy;

/** Measures the single arrivals of a response where they should be. */
record ArrivalFinder(Audio response, PolarEnergy polar) {
    private static final double ARRIVAL_SECONDS = 0.02;

    /** The arrivals after a predelay, until they fall below -60 dB of the first. */
    List<Arrival> arrivals(double predelay, List<Double> expected) {
        List<Arrival> arrivals = new ArrayList<>();
        double first = 0;
        for (int k = 0; k < expected.size(); k++) {
            double at = predelay + expected.get(k);
            double next = k + 1 < expected.size() ? expected.get(k + 1) : Double.MAX_VALUE;
            double before = k == 0 ? expected.get(k) : expected.get(k) - expected.get(k - 1);
            double half = Math.min(ARRIVAL_SECONDS, Math.min(next - expected.get(k), before) / 3);
            double energy = energy(at - half / 4, at + half);
            first = k == 0 ? energy : first;
            double db = Decibels.ofPower(energy / Math.max(1e-30, first));
            if (energy <= 0 || db < -60 || at > PolarEnergy.LONGEST_SECONDS) {
                break;
            }
            arrivals.add(new Arrival(at, polar.bearingDegrees(at - half / 4, at + half), db));
        }
        return arrivals;
    }

    private double energy(double from, double to) {
        double rate = response.sampleRateHz();
        Audio part = response.slice((int) (from * rate), (int) (to * rate));
        return part.meanSquare() * part.frames();
    }
}
