package orbispace.files.sheet;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.design.Tone;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import orbispace.core.words.Wording;
import orbispace.files.sheet.RecallSheet.Line;

/** A song's tempo and its sources in words, good enough to be typed in elsewhere. */
final class SongWording {
    private SongWording() {}

    /** Every change of tempo and metre, and where bar 1 is. */
    static List<Line> tempo(Design design) {
        SongClock clock = design.song().clock();
        List<Line> lines = new ArrayList<>();
        lines.add(new Line("bar 1 begins at", Wording.number(clock.secondsOfBar(1), 3) + " s"));
        for (MetreMap.Change c : clock.metre().changes()) {
            lines.add(new Line("bar " + c.bar(), "metre " + c.beatsPerBar() + "/" + c.beatUnit()));
        }
        List<TempoMap.Change> changes = clock.tempo().changes();
        for (int i = 0; i < changes.size(); i++) {
            TempoMap.Change c = changes.get(i);
            boolean ramp = c.bpm() != c.endBpm() && i + 1 < changes.size();
            lines.add(
                    new Line(
                            PlanWording.place(clock, c.beat()),
                            Wording.plain(c.bpm())
                                    + " bpm"
                                    + (ramp
                                            ? ", evenly to "
                                                    + Wording.plain(c.endBpm())
                                                    + " bpm at "
                                                    + PlanWording.place(
                                                            clock, changes.get(i + 1).beat())
                                            : "")));
        }
        return lines;
    }

    /** Every source: file, role, level and how it is laid into the song. */
    static List<Line> sources(Design design) {
        return design.sources().stream().map(s -> new Line(s.name(), source(design, s))).toList();
    }

    private static String source(Design design, Source s) {
        List<String> words = new ArrayList<>();
        words.add(s.file());
        words.add(s.role().label());
        if (!s.group().isEmpty()) {
            words.add("group " + s.group());
        }
        words.add(Wording.db(s.gainDb()));
        if (s.pan() != 0) {
            words.add(Wording.percent(Math.abs(s.pan()), 0) + (s.pan() < 0 ? " left" : " right"));
        }
        int shift = s.placement().shiftFrames();
        if (shift != 0) {
            words.add(Math.abs(shift) + " samples " + (shift < 0 ? "earlier" : "later"));
        }
        if (s.placement().inverted()) {
            words.add("inverted");
        }
        if (s.placement().constantOffset() != 0) {
            words.add("less a constant of " + Wording.number(s.placement().constantOffset(), 5));
        }
        if (s.placement().keepFrames() > 0) {
            words.add("its first " + s.placement().keepFrames() + " samples");
        }
        if (!s.tone().equals(Tone.AS_IS)) {
            words.add(tone(s.tone()));
        }
        if (s.wet()) {
            words.add("known to be wet");
        }
        String moves = PlanWording.moves(design, s.id());
        if (!moves.isEmpty()) {
            words.add(moves);
        }
        return String.join(", ", words);
    }

    static String tone(Tone tone) {
        List<String> words = new ArrayList<>();
        if (tone.width() != 1) {
            words.add("width " + Wording.percent(tone.width(), 0));
        }
        for (Tone.Bell b : tone.bells()) {
            words.add(
                    Wording.number(Math.abs(b.gainDb()), 1)
                            + (b.gainDb() < 0 ? " dB less at " : " dB more at ")
                            + Wording.hertz(b.hz())
                            + ", "
                            + Wording.number(b.octaves(), 1)
                            + " octaves wide");
        }
        return words.isEmpty() ? "as it is" : String.join(", ", words);
    }
}
