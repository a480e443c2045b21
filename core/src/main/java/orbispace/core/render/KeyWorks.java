package orbispace.core.render;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.Source;
import orbispace.core.time.Span;

/** Works out what gates and duckers listen to. */
final class KeyWorks {
    private final Design design;
    private final SourceCurves sources;

    KeyWorks(Design design, SourceCurves sources) {
        this.design = design;
        this.sources = sources;
    }

    /** Gates hear stems as they are, so that a threshold stays one; duckers hear faders. */
    StageSettings.Key key(String key, Filter filter, boolean atFader) {
        Map<String, Double> gains = new TreeMap<>();
        Map<String, GainCurve> faders = new TreeMap<>();
        for (Source s : key.isEmpty() ? List.<Source>of() : design.keySources(key)) {
            gains.put(s.id(), (atFader ? Decibels.toAmplitude(s.gainDb()) : 1) / 2);
            if (atFader) {
                faders.put(s.id(), sources.of(s).fader());
            }
        }
        Map<String, KeyWindow> windows = new TreeMap<>();
        double rate = design.song().sampleRateHz();
        design.keySpans(key).forEach((id, spans) -> windows.put(id, window(spans, rate)));
        return new StageSettings.Key(gains, filter, windows, faders);
    }

    private static KeyWindow window(List<Span> spans, double rate) {
        return new KeyWindow(
                spans.stream()
                        .map(s ->
                                new KeyWindow.Stretch(
                                        frame(s.startSeconds(), rate), frame(s.endSeconds(), rate)))
                        .toList());
    }

    private static int frame(double seconds, double rate) {
        return (int) Math.min(Integer.MAX_VALUE, Math.round(seconds * rate));
    }
}
