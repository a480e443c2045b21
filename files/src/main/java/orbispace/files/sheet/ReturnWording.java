package orbispace.files.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.Group;
import orbispace.core.design.Groups;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.WetBus;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DuckBand;
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
            lines.add(new Line("Drive before", drive(drive)));
        }
        lines.add(new Line("Predelay", time(ret.predelay())));
        lines.addAll(new SpaceWording(design, ret).lines());
        if (ret.timing().followsSections()) {
            lines.add(new Line("Note values", "taken anew at the tempo of each section"));
        }
        if (drive != null && drive.afterSpace()) {
            lines.add(new Line("Drive after", drive(drive)));
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
        Purpose purpose = Purposes.of(design, ret);
        passed(lines, "With all of " + purpose.label(), design.wet().of(Optional.of(purpose)));
        passed(lines, "With all wet", design.wet().all());
        return lines;
    }

    /** What it passes with others, behind what it feeds; its print holds it. */
    private static void passed(List<Line> lines, String who, WetBus bus) {
        if (!bus.isPlain()) {
            lines.add(
                    new Line(
                            who,
                            Wording.db(bus.trimDb())
                                    + ", filter "
                                    + filter(bus.filter())
                                    + ", width "
                                    + Wording.percent(bus.width(), 0)
                                    + "; in its print"));
        }
    }

    /** What is sent, in words. */
    public static String sends(Design design, Return r) {
        List<Source> sent =
                design.sources().stream().filter(s -> r.sends().containsKey(s.id())).toList();
        Groups groups = Groups.of(design);
        Set<String> alike =
                groups.all().stream()
                        .map(Group::name)
                        .filter(g -> isAlike(groups.members(g), r))
                        .collect(Collectors.toSet());
        String words =
                groups.rows(sent, alike).stream()
                        .map(row -> {
                            Source first = row.sources().getFirst();
                            double db = r.sendDb(first.id()).orElse(0);
                            return row.name() + " " + Wording.db(db) + tap(r, first);
                        })
                        .collect(Collectors.joining(", "));
        return words.isEmpty() ? "none" : words;
    }

    /** Whether several sources are sent alike, as far as they are sent. */
    private static boolean isAlike(List<Source> members, Return r) {
        return members.size() > 1
                && members.stream()
                                .map(s -> r.sends().get(s.id()))
                                .filter(Objects::nonNull)
                                .distinct()
                                .count()
                        == 1;
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
        f.bands().forEach(b -> parts.add(band(b)));
        return parts.isEmpty() ? "none" : String.join("; ", parts);
    }

    /** A band in words. */
    static String band(Filter.Band b) {
        boolean bell = b.kind() == Filter.Kind.BELL;
        return (bell ? b.gainDb() < 0 ? "dip" : "lift" : b.kind().label())
                + " of "
                + Wording.number(bell ? Math.abs(b.gainDb()) : b.gainDb(), 1)
                + " dB at "
                + Wording.hertz(b.hz())
                + (bell ? ", " + Wording.number(b.octaves(), 1) + " octaves wide" : "");
    }

    private static String corner(Filter.Corner c) {
        return Wording.hertz(c.hz()) + ", " + c.slopeDb() + " dB/oct";
    }

    private String time(MusicalTime time) {
        return SpaceWording.time(design, ret, time);
    }

    private static String width(Width w) {
        String lows = w.monoBelowHz() == 0 ? "" : ", mono below " + Wording.hertz(w.monoBelowHz());
        return Wording.percent(w.factor(), 0) + lows + pan(w.pan());
    }

    private static String pan(double pan) {
        return pan == 0
                ? ""
                : ", " + Wording.percent(Math.abs(pan), 0) + (pan < 0 ? " left" : " right");
    }

    private static String drive(Drive d) {
        return Wording.db(d.driveDb()) + ", " + d.curve().label() + " curve";
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
