package orbispace.core.material.kit;

import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.material.Ambience;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayTime;
import orbispace.core.signal.Fft;

/**
 * What room a microphone over a kit or in its room hears. Strokes follow each other faster than a
 * room falls silent; but the microphones at the drums hear what is played, so that the
 * cross-spectrum with their sum, over the sum's own, is the response from the drums to the room's
 * microphone. Its decay is that of the first 10 dB; further down lies what the drums' microphones
 * do not hear. What both halves of the song do not tell alike is not told.
 */
final class RoomMicrophone {
    private static final int LENGTH = 1 << 17;
    private static final int STRETCHES = 24;

    /** Where the drums are softer than so much of their loudest there is nothing to divide by. */
    private static final double LEAST = 1e-5;

    private static final double BEFORE_SECONDS = 0.005;
    private static final double RESPONSE_SECONDS = 1.2;

    /** Both halves of the song tell the same decay to this factor. */
    private static final double AGREE = 1.25;

    /** What is heard after 50 ms lies no farther under what comes before, or it is no room. */
    private static final double DRY_DB = 12;

    private static final double LEAST_DECAY_SECONDS = 0.2;

    private final Audio room;
    private final List<Audio> drums;
    private final double rate;
    private final Fft fft = new Fft(LENGTH);
    private final double[] window = Fft.hann(LENGTH);

    private RoomMicrophone(Audio room, List<Audio> drums) {
        this.room = room;
        this.drums = drums;
        rate = room.sampleRateHz();
    }

    /**
     * The room that a microphone hears.
     *
     * @param room what it recorded
     * @param drums what the microphones at the drums recorded
     */
    static Optional<Ambience> look(Audio room, List<Audio> drums) {
        if (drums.isEmpty()) {
            return Optional.empty();
        }
        RoomMicrophone one = new RoomMicrophone(room, drums);
        Optional<Ambience> whole = one.heard(0, 1);
        Optional<Ambience> odd = one.heard(0, 2);
        Optional<Ambience> even = one.heard(1, 2);
        return whole.filter(w -> alike(w, odd) && alike(w, even));
    }

    private static boolean alike(Ambience one, Optional<Ambience> other) {
        double ratio = other.map(o -> o.decaySeconds() / one.decaySeconds()).orElse(0.0);
        return ratio <= AGREE && ratio >= 1 / AGREE;
    }

    /** From every so many stretches of the song, from one on. */
    private Optional<Ambience> heard(int first, int every) {
        double[] cross = new double[LENGTH];
        double[] power = new double[LENGTH / 2];
        double[] x = new double[LENGTH];
        double[] y = new double[LENGTH];
        int count = Math.max(1, room.frames() / (LENGTH / 2));
        int step = 1 + count / STRETCHES;
        int used = 0;
        for (int n = first * step; n < count; n += every * step) {
            used += add(n * (LENGTH / 2), x, y, cross, power) ? 1 : 0;
        }
        return used < 2 ? Optional.empty() : decay(response(cross, power));
    }

    private boolean add(int start, double[] x, double[] y, double[] cross, double[] power) {
        java.util.Arrays.fill(x, 0);
        boolean played = false;
        for (Audio drum : drums) {
            played |= load(drum, start, x);
        }
        java.util.Arrays.fill(y, 0);
        if (!played || !load(room, start, y)) {
            return false;
        }
        fft.forward(x);
        fft.forward(y);
        for (int k = 1; k < power.length; k++) {
            int re = 2 * k;
            int im = re + 1;
            power[k] += x[re] * x[re] + x[im] * x[im];
            cross[re] += x[re] * y[re] + x[im] * y[im];
            cross[im] += x[re] * y[im] - x[im] * y[re];
        }
        return true;
    }

    private boolean load(Audio audio, int start, double[] into) {
        float[] l = new float[LENGTH];
        float[] r = new float[LENGTH];
        audio.read(start, LENGTH, l, r);
        boolean sound = false;
        for (int i = 0; i < LENGTH; i++) {
            double both = (double) l[i] + r[i];
            into[i] += window[i] * both;
            sound |= both != 0;
        }
        return sound;
    }

    private Audio response(double[] cross, double[] power) {
        double most = 0;
        for (double p : power) {
            most = Math.max(most, p);
        }
        cross[0] = 0;
        cross[1] = 0;
        for (int k = 1; k < power.length; k++) {
            double scale = 1 / (power[k] + LEAST * most);
            cross[2 * k] *= scale;
            cross[2 * k + 1] *= scale;
        }
        fft.inverse(cross);
        int before = (int) (BEFORE_SECONDS * rate);
        float[] response = new float[(int) (RESPONSE_SECONDS * rate)];
        for (int i = 0; i < response.length; i++) {
            response[i] = (float) cross[Math.floorMod(i - before, LENGTH)];
        }
        return Audio.of(rate, response);
    }

    private static Optional<Ambience> decay(Audio response) {
        if (response.peak() == 0) {
            return Optional.empty();
        }
        BandDecay all = DecayMeter.measure(response).broadband();
        return all.early() instanceof DecayTime.Measured(double seconds)
                        && seconds >= LEAST_DECAY_SECONDS
                        && all.clarity50Db() < DRY_DB
                ? Optional.of(new Ambience(seconds, Math.max(0, all.clarity50Db()), STRETCHES))
                : Optional.empty();
    }
}
