package orbispace.core.render;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.FilterDesign;

/** A part of the spectrum that is heard alone, between corners of 24 dB per octave. */
public enum HeardBand {
    /** Everything. */
    ALL("all", 0, 0),
    /** Up to 150 Hz. */
    LOW("low", 0, 150),
    /** 150 to 600 Hz. */
    LOW_MID("low mid", 150, 600),
    /** 600 Hz to 3 kHz. */
    HIGH_MID("high mid", 600, 3000),
    /** From 3 kHz. */
    HIGH("high", 3000, 0);

    private static final int POLES = 4;

    private final String words;
    private final double fromHz;
    private final double toHz;

    HeardBand(String words, double fromHz, double toHz) {
        this.words = words;
        this.fromHz = fromHz;
        this.toHz = toHz;
    }

    /** What it is called. */
    public String words() {
        return words;
    }

    List<Biquad> filter(double sampleRateHz) {
        List<Biquad> sections = new ArrayList<>();
        if (fromHz > 0) {
            sections.addAll(FilterDesign.highPass(fromHz, POLES, sampleRateHz));
        }
        if (toHz > 0) {
            sections.addAll(FilterDesign.lowPass(toHz, POLES, sampleRateHz));
        }
        return sections;
    }
}
