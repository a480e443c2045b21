package orbispace.files.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.space.EchoSettings;
import orbispace.core.time.Fit;
import orbispace.core.time.SongClock;
import orbispace.core.words.Wording;
import orbispace.files.sheet.RecallSheet.Line;
import org.jspecify.annotations.Nullable;

/** A return in words, line by line, good enough to rebuild it elsewhere. */
public final class ReturnWording {
    private final Design design;
    private final Return ret;

    /** Words for a return of a design. */
    public ReturnWording(Design design, Return ret) {
        this.design = design;
        this.ret = ret;
    }

    /** All of it, in the order of the chain; stages that do nothing are left out. */
    public List<Line> lines() {
        List<Line> lines = new ArrayList<>();
        lines.add(new Line("Sends", sends(design, ret)));
        gatedSends(lines);
        if (!ret.feeds().isEmpty()) {
            lines.add(new Line("Fed by", feeds()));
        }
        lines.add(new Line("Filter before", filter(ret.filterIn())));
        Drive drive = ret.chain().drive();
        if (drive != null && !drive.afterSpace()) {
            lines.add(new Line("Drive before", Wording.db(drive.driveDb())));
        }
        lines.add(new Line("Predelay", time(ret.predelay())));
        lines.addAll(space(ret.space()));
        if (ret.timing().followsSections()) {
            lines.add(new Line("Note values", "taken anew at the tempo of each section"));
        }
        if (drive != null && drive.afterSpace()) {
            lines.add(new Line("Drive after", Wording.db(drive.driveDb())));
        }
        if (ret.gate() != null) {
            lines.add(new Line("Gate", gate(ret.gate())));
        }
        lines.add(new Line("Filter after", filter(ret.filterOut())));
        lines.add(new Line("Duck", duck(ret.duck())));
        if (!ret.chain().width().equals(Width.PLAIN)) {
            lines.add(new Line("Width", width(ret.chain().width())));
        }
        lines.add(new Line("Return", Wording.db(ret.levelDb()) + ", fully wet"));
        return lines;
    }

    /** What is sent, in words. */
    public static String sends(Design design, Return r) {
        String sent =
                design.sources().stream()
                        .filter(s -> r.sends().containsKey(s.id()))
                        .map(s ->
                                s.name() + " " + Wording.db(r.sendDb(s.id()).orElse(0)) + tap(r, s))
                        .collect(Collectors.joining(", "));
        return sent.isEmpty() ? "none" : sent;
    }

    private static String tap(Return r, Source s) {
        Send send = r.sends().get(s.id());
        return send != null && send.preFader() ? " before its gain" : "";
    }

    private void gatedSends(List<Line> lines) {
        ret.sends()
                .forEach((id, send) -> {
                    Gate gate = send.gate();
                    if (gate != null) {
                        lines.add(new Line("Gate on " + name(id), gate(gate)));
                    }
                });
    }

    private String feeds() {
        return ret.feeds().entrySet().stream()
                .map(e -> e.getKey() + " " + Wording.db(e.getValue()))
                .collect(Collectors.joining(", "));
    }

    private String name(String source) {
        return design.findSource(source).map(Source::name).orElse(source);
    }

    /** A filter in words. */
    public static String filter(Filter f) {
        List<String> parts = new ArrayList<>();
        if (f.highPass() != null) {
            parts.add("high-pass " + corner(f.highPass()));
        }
        if (f.lowPass() != null) {
            parts.add("low-pass " + corner(f.lowPass()));
        }
        if (f.dip() != null) {
            parts.add(dip(f.dip()));
        }
        return parts.isEmpty() ? "none" : String.join("; ", parts);
    }

    /** A dip in words. */
    static String dip(Filter.Dip dip) {
        return "dip of "
                + Wording.number(dip.depthDb(), 1)
                + " dB at "
                + Wording.hertz(dip.hz())
                + ", "
                + Wording.number(dip.octaves(), 1)
                + " octaves wide";
    }

    private static String corner(Filter.Corner c) {
        return Wording.hertz(c.hz()) + ", " + c.slopeDb() + " dB/oct";
    }

    private String time(MusicalTime time) {
        double millis = 1000 * time.seconds(design.song().clock(), ret.timedAtBar());
        String plain = Wording.number(millis, 1) + " ms";
        return time instanceof MusicalTime.Note
                ? plain + " (" + time.label() + " at bar " + ret.timedAtBar() + ")"
                : plain;
    }

    private List<Line> space(Space space) {
        return switch (space) {
            case Space.Reverb r -> List.of(new Line(capital(r.kind().label()), reverb(r)));
            case Space.Gated g ->
                    List.of(
                            new Line(
                                    "Gated reverb", g.envelope().label() + ", " + time(g.length())),
                            new Line(
                                    "Fall",
                                    "40 dB in "
                                            + Wording.millis(g.fallMillis())
                                            + ", bright to "
                                            + Wording.hertz(g.brightHz())));
            case Space.Convolution c -> List.of(new Line("Convolution", convolution(c)));
            case Space.Echo e -> echo(e);
            case Space.Doubler d -> List.of(new Line("Copies", copies(d)));
            case Space.Split s ->
                    List.of(
                            new Line(
                                    "Left",
                                    capital(s.left().kind().label()) + ", " + reverb(s.left())),
                            new Line(
                                    "Right",
                                    capital(s.right().kind().label()) + ", " + reverb(s.right())),
                            new Line("Sides", Wording.percent(s.width(), 0) + " apart"));
            case Space.Parallel p -> List.of(new Line("Compressor", compressor(p)));
        };
    }

    private static String capital(String word) {
        return word.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + word.substring(1);
    }

    private static String reverb(Space.Reverb r) {
        String size = r.size() == 1 ? "" : ", size \u00d7" + Wording.number(r.size(), 2);
        return "decay "
                + Wording.seconds(r.decaySeconds())
                + ", lows \u00d7"
                + Wording.number(r.lowRatio(), 2)
                + ", highs \u00d7"
                + Wording.number(r.highRatio(), 2)
                + size;
    }

    private static String convolution(Space.Convolution c) {
        String kept = c.keepMillis() == 0 ? "all" : Wording.millis(c.keepMillis());
        return c.file()
                + ", from "
                + Wording.millis(c.startMillis())
                + ", "
                + kept
                + " kept; decay \u00d7"
                + Wording.number(c.midScale(), 2)
                + ", lows \u00d7"
                + Wording.number(c.lowScale(), 2)
                + ", highs \u00d7"
                + Wording.number(c.highScale(), 2);
    }

    private static String copies(Space.Doubler d) {
        return d.copies().stream()
                        .map(v ->
                                Wording.millis(1000 * v.seconds())
                                        + " "
                                        + Wording.number(v.cents(), 0)
                                        + " cents "
                                        + side(v.side()))
                        .collect(Collectors.joining(", "))
                + "; without lows under "
                + Wording.hertz(d.highPassHz())
                + (d.centre() ? "" : ", nothing in the middle");
    }

    private static String side(double side) {
        if (Math.abs(side) < 0.005) {
            return "middle";
        }
        return Wording.percent(Math.abs(side), 0) + (side < 0 ? " left" : " right");
    }

    private List<Line> echo(Space.Echo e) {
        List<Line> lines = new ArrayList<>();
        lines.add(new Line("Echo time", time(e.time())));
        if (e.kind() == EchoSettings.Kind.PAIR) {
            lines.add(new Line("Right", time(e.rightTime())));
        }
        lines.add(new Line("By section", bySection(e)));
        lines.add(
                new Line(
                        "Feedback",
                        Wording.percent(e.feedback(), 0)
                                + ", "
                                + Fit.arrivalsAbove(e.feedback(), 30)
                                + " arrivals to \u221230 dB; loop "
                                + Wording.hertz(e.loop().highPassHz())
                                + " to "
                                + Wording.hertz(e.loop().lowPassHz())
                                + loop(e.loop())));
        if (e.kind() != EchoSettings.Kind.SINGLE) {
            String first = e.kind() == EchoSettings.Kind.PING_PONG ? ", left first" : "";
            lines.add(new Line("Sides", Wording.percent(e.width(), 0) + " apart" + first));
        }
        return lines;
    }

    private static String loop(EchoSettings.Loop loop) {
        String bent =
                loop.saturation() == 0
                        ? ""
                        : ", saturation " + Wording.percent(loop.saturation(), 0);
        String glides =
                loop.glideMillis() == 0
                        ? ""
                        : ", glides to a new time within " + Wording.millis(loop.glideMillis());
        return loop.wowMillis() == 0
                ? bent + glides
                : bent
                        + glides
                        + ", wow "
                        + Wording.millis(loop.wowMillis())
                        + " at "
                        + Wording.number(loop.wowHz(), 2)
                        + " Hz";
    }

    private static String compressor(Space.Parallel p) {
        return "over "
                + Wording.db(p.thresholdDb())
                + "FS, ratio "
                + Wording.number(p.ratio(), 1)
                + ":1, attack "
                + Wording.millis(p.attackMillis())
                + ", release "
                + Wording.millis(p.releaseMillis())
                + ", make-up "
                + Wording.db(p.makeUpDb());
    }

    private static String width(Width w) {
        String lows = w.monoBelowHz() == 0 ? "" : ", mono below " + Wording.hertz(w.monoBelowHz());
        return Wording.percent(w.factor(), 0) + lows;
    }

    /** How far one fixed echo time is off its note in each section. */
    private String bySection(Space.Echo p) {
        if (!(p.time() instanceof MusicalTime.Note note)) {
            return "off the grid";
        }
        SongClock clock = design.song().clock();
        double set = p.time().seconds(clock, ret.timedAtBar()) * 1000;
        List<String> parts = new ArrayList<>();
        for (Section s : design.song().sections()) {
            double there = note.seconds(clock, s.firstBar()) * 1000;
            boolean on = ret.timing().followsSections() || Math.abs(set - there) < 0.5;
            parts.add(
                    s.name()
                            + " "
                            + Wording.number(there, 0)
                            + " ms"
                            + (on ? "" : " (off by " + Wording.number(set - there, 0) + ")"));
        }
        return String.join(", ", parts);
    }

    private String gate(Gate g) {
        MusicalTime length = g.length();
        String key = g.key().isEmpty() ? "its own sound" : name(g.key());
        String heard = g.keyFilter().equals(Filter.OPEN) ? "" : " through " + filter(g.keyFilter());
        return "opens at "
                + Wording.db(g.thresholdDb())
                + "FS of "
                + key
                + heard
                + ", hysteresis "
                + Wording.db(g.hysteresisDb())
                + ", range "
                + (g.rangeDb() >= 100 ? "all" : Wording.db(g.rangeDb()))
                + ", attack "
                + Wording.millis(g.attackMillis())
                + (length == null
                        ? ", hold " + Wording.millis(g.holdMillis())
                        : ", " + time(length) + " from each hit")
                + ", release "
                + Wording.millis(g.releaseMillis());
    }

    private String duck(@Nullable Duck d) {
        if (d == null) {
            return "none";
        }
        DuckBand band = d.band();
        String where =
                band == null
                        ? ""
                        : " between "
                                + Wording.hertz(band.lowHz())
                                + " and "
                                + Wording.hertz(band.highHz())
                                + " (6 dB per octave outside)";
        return Wording.db(d.rangeDb())
                + " at most"
                + where
                + ", keyed by "
                + name(d.keySource())
                + " over "
                + Wording.db(d.thresholdDb())
                + "FS, ratio "
                + Wording.plain(d.ratio())
                + ":1, knee "
                + Wording.db(d.kneeDb())
                + ", attack "
                + Wording.millis(d.attackMillis())
                + ", hold "
                + Wording.millis(d.holdMillis())
                + ", release "
                + Wording.millis(d.releaseMillis());
    }
}
