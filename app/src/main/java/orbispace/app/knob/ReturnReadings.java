package orbispace.app.knob;

import java.util.LinkedHashMap;
import java.util.Map;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** The numbers of a return as they are read: value and unit by name, as {@link ReturnEdits} has. */
public final class ReturnReadings {
    /** A number in words and its unit, which may be empty. */
    public record Reading(String value, String unit) {}

    private final Map<String, Reading> readings = new LinkedHashMap<>();

    private ReturnReadings() {}

    /** All numbers of a return; a send is called by {@code send} and its source's id. */
    public static Map<String, Reading> of(Design design, Return r) {
        ReturnReadings all = new ReturnReadings();
        r.sends()
                .forEach((id, send) -> {
                    all.put("send " + id, Wording.number(send.levelDb(), 1), "");
                    if (send.gate() != null) {
                        all.gate(GateNumbers.ofSend(id), send.gate());
                    }
                });
        r.feeds().forEach((id, db) -> all.put("feed " + id, Wording.number(db, 1), ""));
        all.filter(r.filterIn(), " before");
        all.filter(r.filterOut(), "");
        all.dip(r.filterOut().dip());
        all.time("predelay", r.predelay(), design, r);
        all.space(design, r);
        all.duck(r.duck());
        all.stages(design, r);
        all.put("return", Wording.number(r.levelDb(), 1), "dB");
        return all.readings;
    }

    private void put(String name, String value, String unit) {
        readings.put(name, new Reading(value, unit));
    }

    private void space(Design design, Return r) {
        switch (r.space()) {
            case Space.Reverb h -> {
                put("decay", Wording.number(h.decaySeconds(), 2), "s");
                factor("lows", h.lowRatio());
                factor("highs", h.highRatio());
                factor("size", h.size());
            }
            case Space.Gated g -> {
                time("gated: length", g.length(), design, r);
                put("gated: fall", Wording.number(g.fallMillis(), 0), "ms");
                hertz("gated: bright", g.brightHz());
            }
            case Space.Convolution c -> {
                put("response: start", Wording.number(c.startMillis(), 0), "ms");
                put(
                        "response: keep",
                        c.keepMillis() == 0 ? "all" : Wording.number(c.keepMillis(), 0),
                        c.keepMillis() == 0 ? "" : "ms");
                factor("response: decay", c.midScale());
                factor("response: lows", c.lowScale());
                factor("response: highs", c.highScale());
            }
            case Space.Echo e -> echo(design, r, e);
            case Space.Doubler d -> {
                for (int v = 0; v < d.copies().size(); v++) {
                    String copy = "copy " + (v + 1) + ": ";
                    var voice = d.copies().get(v);
                    put(copy + "later", Wording.number(1000 * voice.seconds(), 1), "ms");
                    put(copy + "cents", Wording.number(voice.cents(), 0), "");
                    put(copy + "side", Wording.number(100 * voice.side(), 0), "%");
                }
                hertz("copies: no lows under", d.highPassHz());
            }
            case Space.Split s -> {
                put("pair: left", Wording.number(s.left().decaySeconds(), 2), "s");
                put("pair: right", Wording.number(s.right().decaySeconds(), 2), "s");
                put("pair: sides", Wording.number(100 * s.width(), 0), "%");
            }
            case Space.Parallel p -> {
                put("press: over", Wording.number(p.thresholdDb(), 0), "dB");
                put("press: ratio", Wording.number(p.ratio(), 1), ":1");
                put("press: attack", Wording.number(p.attackMillis(), 1), "ms");
                put("press: release", Wording.number(p.releaseMillis(), 0), "ms");
                put("press: make-up", Wording.number(p.makeUpDb(), 1), "dB");
            }
        }
    }

    private void echo(Design design, Return r, Space.Echo e) {
        time("echo time", e.time(), design, r);
        time("right time", e.rightTime(), design, r);
        put("feedback", Wording.number(100 * e.feedback(), 0), "%");
        put("sides", Wording.number(100 * e.width(), 0), "%");
        hertz("loop: high-pass", e.loop().highPassHz());
        hertz("loop: low-pass", e.loop().lowPassHz());
        put("loop: bend", Wording.number(100 * e.loop().saturation(), 0), "%");
        put("loop: wow", Wording.number(e.loop().wowMillis(), 1), "ms");
        boolean glides = e.loop().glideMillis() != 0;
        put(
                "new time: glide",
                glides ? Wording.number(e.loop().glideMillis(), 0) : "none",
                glides ? "ms" : "");
    }

    private void stages(Design design, Return r) {
        Drive drive = r.chain().drive();
        put(
                "drive",
                drive == null ? "off" : Wording.number(drive.driveDb(), 0),
                drive == null ? "" : "dB");
        Width width = r.chain().width();
        put("width", Wording.number(100 * width.factor(), 0), "%");
        if (width.monoBelowHz() == 0) {
            put("mono below", "off", "");
        } else {
            hertz("mono below", width.monoBelowHz());
        }
        Gate gate = r.gate();
        if (gate != null) {
            gate(GateNumbers.OWN, gate);
            MusicalTime length = gate.length();
            if (length == null) {
                put("gate: length", "while it sounds", "");
            } else {
                time("gate: length", length, design, r);
            }
        }
    }

    private void gate(String prefix, Gate gate) {
        put(prefix + "opens at", Wording.number(gate.thresholdDb(), 0), "dB");
        put(prefix + "hysteresis", Wording.number(gate.hysteresisDb(), 1), "dB");
        boolean shut = gate.rangeDb() >= Gate.SILENT_DB;
        put(
                prefix + "closes by",
                shut ? "all" : Wording.number(gate.rangeDb(), 0),
                shut ? "" : "dB");
        put(prefix + "attack", Wording.number(gate.attackMillis(), 1), "ms");
        put(prefix + "hold", Wording.number(gate.holdMillis(), 0), "ms");
        put(prefix + "release", Wording.number(gate.releaseMillis(), 0), "ms");
        corner(prefix + "key from", gate.keyFilter().highPass());
        corner(prefix + "key to", gate.keyFilter().lowPass());
    }

    private void factor(String name, double value) {
        put(name, "\u00d7" + Wording.number(value, 2), "");
    }

    private void hertz(String name, double hz) {
        if (hz >= 1000) {
            put(name, Wording.number(hz / 1000, 1), "kHz");
        } else {
            put(name, Wording.number(hz, 0), "Hz");
        }
    }

    private void duck(@Nullable Duck duck) {
        if (duck == null) {
            put("depth", "off", "");
            put("hold", "\u2013", "");
            put("release", "\u2013", "");
            put("duck over", "\u2013", "");
            put("duck from", "\u2013", "");
            put("duck to", "\u2013", "");
        } else {
            put("depth", Wording.number(duck.rangeDb(), 1), "dB");
            put("hold", Wording.number(duck.holdMillis(), 0), "ms");
            put("release", Wording.number(duck.releaseMillis(), 0), "ms");
            put("duck over", Wording.number(duck.thresholdDb(), 0), "dBFS");
            DuckBand band = duck.band();
            if (band == null) {
                put("duck from", "lowest", "");
                put("duck to", "highest", "");
            } else {
                hertz("duck from", band.lowHz());
                hertz("duck to", band.highHz());
            }
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

    private void dip(Filter.@Nullable Dip dip) {
        if (dip == null) {
            put("dip at", "none", "");
            put("dip by", "\u2013", "");
        } else {
            hertz("dip at", dip.hz());
            put("dip by", Wording.number(dip.depthDb(), 1), "dB");
        }
    }

    private void corner(String name, Filter.@Nullable Corner corner) {
        if (corner == null) {
            put(name, "off", "");
        } else {
            hertz(name, corner.hz());
        }
    }
}
