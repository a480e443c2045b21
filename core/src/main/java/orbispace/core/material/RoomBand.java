package orbispace.core.material;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.FilterDesign;
import orbispace.core.signal.FilteredPower;

/** Where in the spectrum printed rooms are looked for, in frames of 10 ms. */
enum RoomBand {
    /** All that a room shows itself in. */
    ALL(80, 12000, 4),
    /** Low and high, so far apart that a drum's own ring is in one of them. */
    LOW(300, 1000, 8),
    HIGH(2500, 8000, 8);

    static final double FRAME_SECONDS = 0.01;

    private final double lowHz;
    private final double highHz;
    private final int poles;

    RoomBand(double lowHz, double highHz, int poles) {
        this.lowHz = lowHz;
        this.highHz = highHz;
        this.poles = poles;
    }

    /** Mean squares of each frame, summed over channels. */
    double[] powers(Audio audio) {
        double rate = audio.sampleRateHz();
        int frame = Math.max(1, (int) Math.round(FRAME_SECONDS * rate));
        List<Biquad> band = new ArrayList<>(FilterDesign.highPass(lowHz, poles, rate));
        if (highHz < 0.45 * rate) {
            band.addAll(FilterDesign.lowPass(highHz, poles, rate));
        }
        return FilteredPower.of(audio, band, frame);
    }

    /** Levels of each frame in dB. */
    double[] levels(Audio audio) {
        return Arrays.stream(powers(audio)).map(RoomBand::level).toArray();
    }

    static double level(double power) {
        return Math.max(-150, Decibels.ofPower(power));
    }
}
