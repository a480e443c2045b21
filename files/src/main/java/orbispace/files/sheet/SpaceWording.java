package orbispace.files.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import orbispace.core.design.Design;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.time.Fit;
import orbispace.core.time.SongClock;
import orbispace.core.words.Wording;
import orbispace.files.sheet.RecallSheet.Line;

/** The space of a return in words: all of it for a sheet, and what tells most of it. */
public final class SpaceWording {
    private final Design design;
    private final Return ret;

    /** Words for the space of a return of a design. */
    public SpaceWording(Design design, Return ret) {
        this.design = design;
        this.ret = ret;
    }

    /** What a recall sheet says of it. */
    List<Line> lines() {
        return switch (ret.space()) {
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
            case Space.Copies d -> List.of(new Line("Copies", copies(d)));
            case SplitPair s ->
                    List.of(
                            new Line(
                                    "Left",
                                    capital(s.left().kind().label())
                                            + ", "
                                            + reverb(s.left())
                                            + place(s.leftPlace())),
                            new Line(
                                    "Right",
                                    capital(s.right().kind().label())
                                            + ", "
                                            + reverb(s.right())
                                            + place(s.rightPlace())),
                            new Line("Sides", Wording.percent(s.width(), 0) + " apart"));
            case Space.Parallel p -> List.of(new Line("Compressor", compressor(p)));
        };
    }

    private static String capital(String word) {
        return word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
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

    private static String place(SplitPair.Place p) {
        return (p.laterMillis() == 0 ? "" : ", " + Wording.millis(p.laterMillis()) + " later")
                + ", "
                + side(p.pan());
    }

    private static String copies(Space.Copies d) {
        return d.copies().stream()
                        .map(v ->
                                Wording.millis(1000 * v.seconds())
                                        + " "
                                        + Wording.number(v.cents(), 0)
                                        + " cents "
                                        + side(v.side())
                                        + sway(v))
                        .collect(Collectors.joining(", "))
                + "; without lows under "
                + Wording.hertz(d.highPassHz())
                + (d.centre() ? "" : ", nothing in the middle");
    }

    private static String sway(CopiesSettings.Voice v) {
        return v.swaySeconds() == 0
                ? ""
                : ", swaying by "
                        + Wording.millis(1000 * v.swaySeconds())
                        + " at "
                        + Wording.number(v.swayHz(), 2)
                        + " Hz";
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
            lines.add(new Line("Sides", apart(e)));
        }
        return lines;
    }

    private static String apart(Space.Echo e) {
        String percent = Wording.percent(e.width(), 0);
        return switch (e.kind()) {
            case SINGLE, PAIR -> percent + " apart";
            case PING_PONG -> percent + " apart, left first";
            case WALK_LEFT, WALK_RIGHT ->
                    "from the middle, each arrival "
                            + Wording.percent(0.6 * e.width(), 0)
                            + " of the way that is left to the "
                            + (e.kind() == EchoSettings.Kind.WALK_LEFT ? "left" : "right");
        };
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

    private String time(MusicalTime time) {
        return time(design, ret, time);
    }

    /** A time of a return in milliseconds, with its note value if it has one. */
    static String time(Design design, Return ret, MusicalTime time) {
        double millis = 1000 * time.seconds(design.song().clock(), ret.timedAtBar());
        String plain = Wording.number(millis, 1) + " ms";
        return time instanceof MusicalTime.Note
                ? plain + " (" + time.label() + " at bar " + ret.timedAtBar() + ")"
                : plain;
    }

    /** What it does to the dry sound; empty where that is said by the song's own values. */
    public String whatItDoes() {
        return switch (ret.space()) {
            case Space.Reverb r -> "";
            case Space.Gated g -> "";
            case Space.Convolution c -> "";
            case Space.Echo e -> "";
            case Space.Copies d ->
                    d.centre()
                            ? "In mono the copies stay; their sum combs with the dry sound."
                            : "Only sides: in mono the copies vanish and the dry sound stays as it"
                                    + " is.";
            case SplitPair s ->
                    Wording.seconds(s.left().decaySeconds())
                            + " "
                            + s.left().kind().label()
                            + " on the left, "
                            + Wording.seconds(s.right().decaySeconds())
                            + " "
                            + s.right().kind().label()
                            + " on the right.";
            case Space.Parallel p ->
                    "No time of its own: it thickens under the dry sound, in step with it.";
        };
    }

    /** What tells most of it, in a few letters: its decay, its time or its wall. */
    public String size() {
        MusicalTime wall = ret.gate() == null ? null : ret.gate().length();
        return wall == null ? ownSize() : brief(wall);
    }

    /** The same of the space alone, also where a gate cuts it. */
    public String ownSize() {
        return switch (ret.space()) {
            case Space.Reverb h -> Wording.seconds(h.decaySeconds());
            case Space.Gated g -> brief(g.length());
            case Space.Convolution c -> "\u00d7" + Wording.number(c.midScale(), 2);
            case Space.Echo e -> sides(e);
            case Space.Copies d -> d.copies().size() + " copies";
            case SplitPair s ->
                    Wording.number(s.left().decaySeconds(), 1)
                            + " | "
                            + Wording.seconds(s.right().decaySeconds());
            case Space.Parallel p -> Wording.number(p.ratio(), 0) + ":1";
        };
    }

    private String brief(MusicalTime time) {
        return time.words(lasting(time));
    }

    /** Both times of an echo that has two, in milliseconds alone. */
    private String sides(Space.Echo e) {
        boolean two = e.kind() == EchoSettings.Kind.PAIR && !e.time().equals(e.rightTime());
        return two ? lasting(e.time()) + " | " + lasting(e.rightTime()) : brief(e.time());
    }

    private String lasting(MusicalTime time) {
        return Wording.time(time.seconds(design.song().clock(), ret.timedAtBar()));
    }
}
