package orbispace.app.view;

import java.util.LinkedHashMap;
import java.util.Map;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.files.Wording;
import org.jspecify.annotations.Nullable;

/** The numbers of a return as they are read: value and unit by name, as {@link ReturnEdits} has. */
final class ReturnReadings {
    /** A number in words and its unit, which may be empty. */
    record Reading(String value, String unit) {}

    private final Map<String, Reading> readings = new LinkedHashMap<>();

    private ReturnReadings() {}

    /** All numbers of a return; a send is called by {@code send} and its source's id. */
    static Map<String, Reading> of(Design design, Return r) {
        ReturnReadings all = new ReturnReadings();
        r.sends().forEach((id, db) -> all.put("send " + id, Wording.number(db, 1), ""));
        all.filter(r.filterIn(), " before");
        all.filter(r.filterOut(), "");
        all.time("predelay", r.predelay(), design, r);
        all.space(design, r);
        all.duck(r.duck());
        all.put("return", Wording.number(r.levelDb(), 1), "dB");
        return all.readings;
    }

    private void put(String name, String value, String unit) {
        readings.put(name, new Reading(value, unit));
    }

    private void space(Design design, Return r) {
        switch (r.space()) {
            case Space.Hall h -> {
                put("decay", Wording.number(h.decaySeconds(), 2), "s");
                put("lows", "\u00d7" + Wording.number(h.lowRatio(), 2), "");
                put("highs", "\u00d7" + Wording.number(h.highRatio(), 2), "");
            }
            case Space.PingPong p -> {
                time("echo time", p.time(), design, r);
                put("feedback", Wording.number(100 * p.feedback(), 0), "%");
                put("sides", Wording.number(100 * p.width(), 0), "%");
            }
        }
    }

    private void duck(@Nullable Duck duck) {
        if (duck == null) {
            put("depth", "off", "");
            put("hold", "\u2013", "");
            put("release", "\u2013", "");
        } else {
            put("depth", Wording.number(duck.rangeDb(), 1), "dB");
            put("hold", Wording.number(duck.holdMillis(), 0), "ms");
            put("release", Wording.number(duck.releaseMillis(), 0), "ms");
        }
    }

    private void time(String name, MusicalTime time, Design design, Return r) {
        switch (time) {
            case MusicalTime.Note note -> {
                double seconds = note.seconds(design.song().clock(), r.timedAtBar());
                put(name, note.label(), Wording.time(seconds));
            }
            case MusicalTime.Millis m ->
                    put(name, Wording.number(m.value(), m.value() % 1 == 0 ? 0 : 1), "ms");
        }
    }

    private void filter(Filter f, String suffix) {
        corner("high-pass" + suffix, f.highPass());
        corner("low-pass" + suffix, f.lowPass());
    }

    private void corner(String name, Filter.@Nullable Corner corner) {
        if (corner == null) {
            put(name, "off", "");
        } else if (corner.hz() >= 1000) {
            put(name, Wording.number(corner.hz() / 1000, 1), "kHz");
        } else {
            put(name, Wording.number(corner.hz(), 0), "Hz");
        }
    }
}
