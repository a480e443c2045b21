package orbispace.files.sheet;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Source;
import orbispace.core.design.SourceCell;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import orbispace.core.time.SongClock;
import orbispace.core.words.Wording;

/** What the plan does to a return, and what is thrown into it, in words. */
public final class PlanWording {
    private static final double ROUNDED = 0.005;

    private PlanWording() {}

    /** A line for each section in which a return differs. */
    static List<RecallSheet.Line> sections(Design design, Return r) {
        List<RecallSheet.Line> lines = new ArrayList<>();
        for (Section s : design.song().sections()) {
            List<String> words = new ArrayList<>();
            PlanCell cell = s.plan().cell(r.id());
            if (!cell.isPlain()) {
                words.add(cell(cell));
            }
            s.plan()
                    .sendsDb()
                    .getOrDefault(r.id(), java.util.Map.of())
                    .forEach((id, db) ->
                            words.add(
                                    "send of "
                                            + source(design, id)
                                            + " "
                                            + Wording.signed(db)
                                            + " dB"));
            if (!words.isEmpty()) {
                lines.add(new RecallSheet.Line("In " + s.name(), String.join("; ", words)));
            }
        }
        return lines;
    }

    /** A line for each throw into a return. */
    static List<RecallSheet.Line> throwLines(Design design, Return r) {
        return design.thrown().stream()
                .filter(t -> t.returnId().equals(r.id()))
                .map(t -> new RecallSheet.Line("Throw", thrown(design, t)))
                .toList();
    }

    /** A cell of the plan: everything in which it differs. */
    public static String cell(PlanCell c) {
        List<String> words = new ArrayList<>();
        if (c.muted()) {
            words.add("muted");
        } else if (c.levelDb() != 0) {
            words.add(Wording.signed(c.levelDb()) + " dB");
        }
        if (c.decayScale() != 1) {
            words.add("decay \u00d7 " + Wording.number(c.decayScale(), 2));
        }
        if (c.widthScale() != 1) {
            words.add("width \u00d7 " + Wording.number(c.widthScale(), 2));
        }
        switch (c.tempo()) {
            case AS_RETURN -> {}
            case FOLLOWS -> words.add("times at the tempo of the section");
            case STAYS -> words.add("times as they are");
        }
        if (c.rampBeats() > 0) {
            words.add("within " + Wording.number(c.rampBeats(), 2) + " quarter notes");
        }
        words.add("tail before it " + c.edge().label());
        return String.join(", ", words);
    }

    /** Where a source differs from section to section; empty for nowhere. */
    static String moves(Design design, String sourceId) {
        List<String> words = new ArrayList<>();
        for (Section s : design.song().sections()) {
            SourceCell cell = s.plan().source(sourceId);
            if (!cell.isPlain()) {
                words.add("in " + s.name() + " " + cell(cell));
            }
        }
        return String.join("; ", words);
    }

    private static String cell(SourceCell c) {
        List<String> words = new ArrayList<>();
        if (c.faderDb() != 0) {
            words.add(Wording.signed(c.faderDb()) + " dB");
        }
        if (c.panBy() != 0) {
            words.add(
                    Wording.percent(Math.abs(c.panBy()), 0)
                            + " further "
                            + (c.panBy() < 0 ? "left" : "right"));
        }
        if (c.widthScale() != 1) {
            words.add("width \u00d7 " + Wording.number(c.widthScale(), 2));
        }
        if (c.rampBeats() > 0) {
            words.add("within " + Wording.number(c.rampBeats(), 2) + " quarter notes");
        }
        return String.join(", ", words);
    }

    /** A throw: what, when, how loud. */
    public static String thrown(Design design, Throw t) {
        SongClock clock = design.song().clock();
        return source(design, t.sourceId())
                + ", "
                + place(clock, t.fromBeat())
                + " to "
                + place(clock, t.toBeat())
                + " ("
                + Wording.number(clock.secondsAt(t.fromBeat()), 3)
                + " to "
                + Wording.number(clock.secondsAt(t.toBeat()), 3)
                + " s), "
                + (t.ride().isEmpty()
                        ? "send at " + Wording.db(t.levelDb())
                        : "a ride of " + t.ride().size() + " points (" + ride(t) + ")")
                + ", opens in "
                + Wording.millis(t.fadeInMillis())
                + ", shuts in "
                + Wording.millis(t.fadeOutMillis())
                + (t.trail().isPlain() ? "" : "; " + trail(clock, t));
    }

    /** The points of a ride, in quarter notes from where the throw opens. */
    private static String ride(Throw t) {
        return t.ride().stream()
                .map(p ->
                        "after "
                                + Wording.number(p.beat() - t.fromBeat(), 2)
                                + " "
                                + Wording.db(p.levelDb()))
                .collect(java.util.stream.Collectors.joining(", "));
    }

    /** How a throw repeats where otherwise than its return. */
    private static String trail(SongClock clock, Throw t) {
        Trail trail = t.trail();
        List<String> words = new ArrayList<>();
        MusicalTime time = trail.time();
        if (time != null) {
            int bar = Math.max(1, clock.barAtSeconds(clock.secondsAt(t.fromBeat()) + 1e-6));
            double millis = 1000 * time.seconds(clock, bar);
            words.add(
                    "repeats every "
                            + time.label()
                            + (time instanceof MusicalTime.Note
                                    ? " (" + Wording.number(millis, 3) + " ms)"
                                    : ""));
        }
        Double feedback = trail.feedback();
        if (feedback != null) {
            words.add(
                    feedback == 0 ? "a single repeat" : "feedback " + Wording.number(feedback, 2));
        }
        if (trail.sides() != Trail.Sides.AS_RETURN) {
            words.add("sides " + trail.sides().label());
        }
        Filter filter = trail.filter();
        if (filter != null) {
            words.add("before its space " + ReturnWording.filter(filter));
        }
        Double feed = trail.feedDb();
        if (feed != null) {
            words.add("feeds the spaces of its source at its send " + Wording.signed(feed) + " dB");
        }
        Double until = trail.untilBeat();
        if (until != null) {
            words.add("shut at " + place(clock, until));
        }
        return String.join(", ", words);
    }

    /** Where a beat lies: its bar and the quarter note in it, from 1. */
    public static String place(SongClock clock, double beat) {
        int bar = clock.barAtSeconds(clock.secondsAt(beat + ROUNDED));
        double into = beat - clock.metre().beatOfBar(bar) + 1;
        return "bar " + bar + " quarter " + Wording.number(into, 2);
    }

    private static String source(Design design, String id) {
        return design.findSource(id).map(Source::name).orElse(id);
    }
}
