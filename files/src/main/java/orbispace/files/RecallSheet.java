package orbispace.files;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayReport;
import orbispace.core.measure.DecayTime;
import orbispace.core.time.Fit;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;

/**
 * Everything needed to build the field again on other equipment, as words and numbers: the same
 * sheet on screen, on paper and in a table.
 *
 * @param title the song
 * @param summary metre, tempo and length
 * @param noteNames heads of the note value columns
 * @param sections note values in ms per section
 * @param returns the spaces
 */
public record RecallSheet(
        String title,
        String summary,
        List<String> noteNames,
        List<SectionRow> sections,
        List<ReturnCard> returns) {

    private static final List<String> NOTES = List.of("1/16", "1/8", "1/4", "1/4.", "1/2", "1 bar");

    /** Keeps its own lists. */
    public RecallSheet {
        noteNames = List.copyOf(noteNames);
        sections = List.copyOf(sections);
        returns = List.copyOf(returns);
    }

    /**
     * A section and its note values.
     *
     * @param name of the section
     * @param bars first and last bar
     * @param bpm tempo at its first bar
     * @param millis lengths in ms, as the heads are
     */
    public record SectionRow(String name, String bars, double bpm, List<Double> millis) {}

    /**
     * A labelled line.
     *
     * @param label what it is
     * @param value number and unit
     */
    public record Line(String label, String value) {}

    /**
     * A return.
     *
     * @param id its letter
     * @param name what people call it
     * @param kind of space
     * @param lines settings in the order of the chain
     * @param measured decay per octave
     */
    public record ReturnCard(
            String id, String name, String kind, List<Line> lines, List<Band> measured) {}

    /**
     * A measured band.
     *
     * @param centreHz centre of the octave
     * @param seconds T30, or 0 where it could not be measured
     */
    public record Band(double centreHz, double seconds) {}

    /**
     * Writes the sheet of a design.
     *
     * @param design the field
     * @param lengthSeconds length of the song
     * @param decays the measured response of each return by its letter, as far as measured
     */
    public static RecallSheet of(
            Design design, double lengthSeconds, Map<String, DecayReport> decays) {
        SongClock clock = design.song().clock();
        List<NoteValue> notes = NOTES.stream().map(n -> NoteValue.parse(n).orElseThrow()).toList();
        List<SectionRow> rows = new ArrayList<>();
        for (Section s : design.song().sections()) {
            rows.add(
                    new SectionRow(
                            s.name(),
                            s.firstBar() + "\u2013" + (s.endBar() - 1),
                            clock.bpmOfBar(s.firstBar()),
                            notes.stream()
                                    .map(n -> clock.length(n, s.firstBar()).nominalMillis())
                                    .toList()));
        }
        List<ReturnCard> cards = new ArrayList<>();
        for (Return r : design.returns()) {
            cards.add(card(design, r, decays.get(r.id())));
        }
        return new RecallSheet(
                design.song().title(), summary(design, lengthSeconds), NOTES, rows, cards);
    }

    private static String summary(Design design, double lengthSeconds) {
        SongClock clock = design.song().clock();
        var metre = clock.metre().at(1);
        var tempi = clock.tempo().changes();
        double low = tempi.stream().mapToDouble(c -> Math.min(c.bpm(), c.endBpm())).min().orElse(0);
        double high =
                tempi.stream().mapToDouble(c -> Math.max(c.bpm(), c.endBpm())).max().orElse(0);
        String tempo =
                low == high
                        ? Wording.number(low, 0)
                        : Wording.number(low, 0) + " to " + Wording.number(high, 0);
        long whole = Math.round(lengthSeconds);
        return metre.beatsPerBar()
                + "/"
                + metre.beatUnit()
                + ", "
                + tempo
                + " bpm, "
                + whole / 60
                + " min "
                + whole % 60
                + " s, "
                + Wording.number(design.song().sampleRateHz() / 1000, 1)
                + " kHz";
    }

    private static ReturnCard card(
            Design design, Return r, @org.jspecify.annotations.Nullable DecayReport decay) {
        List<Line> lines = new ArrayList<>();
        lines.add(new Line("Sends", sends(design, r)));
        lines.add(new Line("Filter before", filter(r.filterIn())));
        lines.add(new Line("Predelay", time(design, r, r.predelay())));
        lines.addAll(space(design, r));
        lines.add(new Line("Filter after", filter(r.filterOut())));
        lines.add(new Line("Duck", duck(design, r.duck())));
        lines.add(new Line("Return", Wording.db(r.levelDb()) + ", fully wet"));
        List<Band> bands =
                decay == null || r.space() instanceof Space.PingPong
                        ? List.of()
                        : decay.bands().stream().map(RecallSheet::band).toList();
        return new ReturnCard(r.id(), r.name(), r.space().kind(), lines, bands);
    }

    private static Band band(BandDecay b) {
        return new Band(b.centreHz(), b.t30() instanceof DecayTime.Measured(double s) ? s : 0);
    }

    /** What is sent, in words. */
    public static String sends(Design design, Return r) {
        if (r.sends().isEmpty()) {
            return "none";
        }
        return design.sources().stream()
                .filter(s -> r.sends().containsKey(s.id()))
                .map(s ->
                        s.name()
                                + " "
                                + Wording.db(
                                        java.util.Objects.requireNonNull(r.sends().get(s.id()))))
                .collect(Collectors.joining(", "));
    }

    /** A filter in words. */
    public static String filter(Filter f) {
        List<String> parts = new ArrayList<>();
        if (f.highPass() != null) {
            parts.add(
                    "high-pass "
                            + Wording.hertz(f.highPass().hz())
                            + ", "
                            + f.highPass().slopeDb()
                            + " dB/oct");
        }
        if (f.lowPass() != null) {
            parts.add(
                    "low-pass "
                            + Wording.hertz(f.lowPass().hz())
                            + ", "
                            + f.lowPass().slopeDb()
                            + " dB/oct");
        }
        return parts.isEmpty() ? "none" : String.join("; ", parts);
    }

    private static String time(Design design, Return r, MusicalTime time) {
        double millis = 1000 * time.seconds(design.song().clock(), r.timedAtBar());
        return time instanceof MusicalTime.Note
                ? Wording.number(millis, 1)
                        + " ms ("
                        + time.label()
                        + " at bar "
                        + r.timedAtBar()
                        + ")"
                : Wording.number(millis, 1) + " ms";
    }

    private static List<Line> space(Design design, Return r) {
        return switch (r.space()) {
            case Space.Hall h ->
                    List.of(
                            new Line(
                                    "Hall",
                                    "decay "
                                            + Wording.seconds(h.decaySeconds())
                                            + ", lows \u00d7"
                                            + Wording.number(h.lowRatio(), 2)
                                            + ", highs \u00d7"
                                            + Wording.number(h.highRatio(), 2)));
            case Space.PingPong p ->
                    List.of(
                            new Line("Echo time", time(design, r, p.time())),
                            new Line("By section", bySection(design, r, p)),
                            new Line(
                                    "Feedback",
                                    Wording.percent(p.feedback(), 0)
                                            + ", "
                                            + Fit.arrivalsAbove(p.feedback(), 30)
                                            + " arrivals to \u221230 dB; loop "
                                            + Wording.hertz(p.loopHighPassHz())
                                            + " to "
                                            + Wording.hertz(p.loopLowPassHz())),
                            new Line(
                                    "Sides", Wording.percent(p.width(), 0) + " apart, left first"));
        };
    }

    /** How far one fixed echo time is off its note in each section. */
    private static String bySection(Design design, Return r, Space.PingPong p) {
        if (!(p.time() instanceof MusicalTime.Note note)) {
            return "off the grid";
        }
        SongClock clock = design.song().clock();
        double set = p.time().seconds(clock, r.timedAtBar()) * 1000;
        List<String> parts = new ArrayList<>();
        for (Section s : design.song().sections()) {
            double there = note.seconds(clock, s.firstBar()) * 1000;
            parts.add(
                    s.name()
                            + " "
                            + Wording.number(there, 0)
                            + " ms"
                            + (Math.abs(set - there) < 0.5
                                    ? ""
                                    : " (off by " + Wording.number(set - there, 0) + ")"));
        }
        return String.join(", ", parts);
    }

    private static String duck(Design design, @org.jspecify.annotations.Nullable Duck d) {
        if (d == null) {
            return "none";
        }
        String key = design.findSource(d.keySource()).map(Source::name).orElse(d.keySource());
        return Wording.db(d.rangeDb())
                + " at most, keyed by "
                + key
                + " over "
                + Wording.db(d.thresholdDb())
                + "FS, ratio "
                + Wording.number(d.ratio(), 0)
                + ":1, attack "
                + Wording.millis(d.attackMillis())
                + ", hold "
                + Wording.millis(d.holdMillis())
                + ", release "
                + Wording.millis(d.releaseMillis());
    }
}
