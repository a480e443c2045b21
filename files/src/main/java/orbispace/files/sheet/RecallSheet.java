package orbispace.files.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayReport;
import orbispace.core.measure.DecayTime;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;
import orbispace.core.words.Wording;

/**
 * Everything needed to build the field again on other equipment, as words and numbers: the same
 * sheet on screen, on paper and in a table.
 *
 * @param title the song
 * @param summary metre, tempo and length
 * @param tempo every change of tempo and metre
 * @param noteNames heads of the note value columns
 * @param sections note values in ms per section
 * @param sources the stems and how they are laid
 * @param returns the spaces
 * @param findings what was found and accepted, with why
 * @param pictured whether the field and the plan are drawn
 * @param design what it was made of, for pictures
 */
public record RecallSheet(
        String title,
        String summary,
        List<Line> tempo,
        List<String> noteNames,
        List<SectionRow> sections,
        List<Line> sources,
        List<ReturnCard> returns,
        List<Line> findings,
        boolean pictured,
        Design design) {

    private static final List<String> NOTES = List.of("1/16", "1/8", "1/4", "1/4.", "1/2", "1 bar");

    /** Keeps its own lists. */
    public RecallSheet {
        tempo = List.copyOf(tempo);
        sources = List.copyOf(sources);
        findings = List.copyOf(findings);
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
            String id, String name, String kind, List<Line> lines, List<Band> measured) {
        /** Keeps its own lists. */
        public ReturnCard {
            lines = List.copyOf(lines);
            measured = List.copyOf(measured);
        }

        private boolean says() {
            return !lines.isEmpty() || !measured.isEmpty();
        }
    }

    /**
     * A measured band.
     *
     * @param centreHz centre of the octave
     * @param seconds T30, or 0 where it could not be measured
     * @param sure whether it falls straight and is more than chance
     */
    public record Band(double centreHz, double seconds, boolean sure) {
        /** Its time as written elsewhere, with what is to be said of it. */
        String words(String time) {
            String told = sure ? time : time + " (not sure)";
            return seconds == 0 ? "not measured" : told;
        }
    }

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
                design.song().title(),
                summary(design, lengthSeconds),
                SongWording.tempo(design),
                NOTES,
                rows,
                SongWording.sources(design),
                cards,
                List.of(),
                true,
                design);
    }

    /** The same with findings that were accepted: what was found, and why it may stay. */
    public RecallSheet withFindings(List<Line> accepted) {
        return new RecallSheet(
                title, summary, tempo, noteNames, sections, sources, returns, accepted, pictured,
                design);
    }

    /** Only what is asked for; title and summary always stay. */
    public RecallSheet only(Set<SheetPart> parts) {
        boolean timed = parts.contains(SheetPart.TEMPO);
        boolean told = parts.contains(SheetPart.RETURNS);
        return new RecallSheet(
                title,
                summary,
                timed ? tempo : List.of(),
                noteNames,
                timed ? sections : List.of(),
                parts.contains(SheetPart.SOURCES) ? sources : List.of(),
                returns.stream().map(c -> only(c, parts)).filter(c -> told || c.says()).toList(),
                parts.contains(SheetPart.FINDINGS) ? findings : List.of(),
                pictured && parts.contains(SheetPart.PICTURES),
                design);
    }

    private ReturnCard only(ReturnCard card, Set<SheetPart> parts) {
        List<Line> lines = new ArrayList<>();
        design.findReturn(card.id())
                .ifPresent(r -> {
                    if (parts.contains(SheetPart.RETURNS)) {
                        lines.addAll(new ReturnWording(design, r).lines());
                    }
                    if (parts.contains(SheetPart.PLAN)) {
                        lines.addAll(PlanWording.sections(design, r));
                    }
                    if (parts.contains(SheetPart.THROWS)) {
                        lines.addAll(PlanWording.throwLines(design, r));
                    }
                });
        return new ReturnCard(
                card.id(),
                card.name(),
                card.kind(),
                lines,
                parts.contains(SheetPart.MEASURED) ? card.measured() : List.of());
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
        List<Band> bands =
                decay == null || !r.space().traits().nature().isPlace()
                        ? List.of()
                        : decay.bands().stream().map(RecallSheet::band).toList();
        return new ReturnCard(r.id(), r.name(), r.space().kindLabel(), lines(design, r), bands);
    }

    private static List<Line> lines(Design design, Return r) {
        List<Line> lines = new ArrayList<>(new ReturnWording(design, r).lines());
        lines.addAll(PlanWording.sections(design, r));
        lines.addAll(PlanWording.throwLines(design, r));
        return lines;
    }

    private static Band band(BandDecay b) {
        return new Band(
                b.nominalHz(), b.t30().fitted().orElse(0), b.t30() instanceof DecayTime.Measured);
    }
}
