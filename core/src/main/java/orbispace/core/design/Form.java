package orbispace.core.design;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;

/**
 * Changes of a song's sections, tempo and metre. Every method answers with a new song and throws
 * {@link IllegalArgumentException} in words if the change makes none.
 */
public final class Form {
    private Form() {}

    /**
     * Moves the edge before a section to a bar; the section before it follows if it touched it.
     *
     * @param index of the section after the edge; the number of sections for the end of the last
     * @param bar the bar that the edge is to lie before
     */
    public static Song edge(Song song, int index, int bar) {
        List<Section> all = new ArrayList<>(song.sections());
        boolean touched =
                index > 0
                        && (index == all.size()
                                || all.get(index - 1).endBar() == all.get(index).firstBar());
        if (index < all.size()) {
            int least = index == 0 ? 1 : all.get(index - 1).firstBar() + (touched ? 1 : 0);
            int first = Math.clamp(bar, least, all.get(index).endBar() - 1);
            all.set(index, all.get(index).over(first, all.get(index).endBar()));
            bar = first;
        }
        if (touched || index == all.size()) {
            Section before = all.get(index - 1);
            int end = Math.max(before.firstBar() + 1, bar);
            all.set(index - 1, before.over(before.firstBar(), end));
        }
        return song.withSections(all);
    }

    /** Cuts a section in two before a bar. */
    public static Song split(Song song, int index, int bar) {
        Section s = song.sections().get(index);
        if (bar <= s.firstBar() || bar >= s.endBar()) {
            throw new IllegalArgumentException(
                    "section \""
                            + s.name()
                            + "\" cannot be split at bar "
                            + bar
                            + "; it has bars "
                            + s.firstBar()
                            + " to "
                            + (s.endBar() - 1));
        }
        List<Section> all = new ArrayList<>(song.sections());
        all.set(index, s.over(s.firstBar(), bar));
        Section second = s.over(bar, s.endBar());
        all.add(index + 1, named(second, fresh(song, s.name())));
        return song.withSections(all);
    }

    private static String fresh(Song song, String name) {
        String base = name.replaceFirst("\\s+[b-z]$", "");
        char letter = 'b';
        String made = base + " " + letter;
        while (taken(song, made) && letter < 'z') {
            letter++;
            made = base + " " + letter;
        }
        return made;
    }

    private static boolean taken(Song song, String name) {
        return song.sections().stream().anyMatch(s -> s.name().equals(name));
    }

    /** Makes one of a section and the next; it keeps the first one's name. */
    public static Song join(Song song, int index) {
        List<Section> all = new ArrayList<>(song.sections());
        if (index + 1 >= all.size()) {
            throw new IllegalArgumentException(
                    "section \"" + all.get(index).name() + "\" has none after it to join");
        }
        Section next = all.remove(index + 1);
        all.set(index, all.get(index).over(all.get(index).firstBar(), next.endBar()));
        return song.withSections(all);
    }

    /** Gives a section another name, and the kind that goes with it if it had the old name's. */
    public static Song rename(Song song, int index, String name) {
        String stripped = name.strip();
        if (stripped.isEmpty()) {
            throw new IllegalArgumentException("a section needs a name");
        }
        return replaced(song, index, named(song.sections().get(index), stripped));
    }

    private static Section named(Section s, String name) {
        SectionKind kind =
                s.kind() == SectionKind.guess(s.name()) ? SectionKind.guess(name) : s.kind();
        return s.named(name, kind);
    }

    /** The song with another source in front of a section; empty for whoever leads the song. */
    public static Song lead(Song song, int index, String sourceId) {
        List<Section> sections = new ArrayList<>(song.sections());
        sections.set(index, sections.get(index).ledBy(sourceId));
        return song.withSections(sections);
    }

    /** Makes a section of another kind. */
    public static Song kind(Song song, int index, SectionKind kind) {
        Section s = song.sections().get(index);
        return replaced(song, index, s.named(s.name(), kind));
    }

    /** Exchanges name and kind of a section with the next. */
    public static Song swapNames(Song song, int index) {
        if (index < 0 || index + 1 >= song.sections().size()) {
            throw new IllegalArgumentException("there is no section to exchange names with");
        }
        Section a = song.sections().get(index);
        Section b = song.sections().get(index + 1);
        Song half = replaced(song, index, a.named(b.name(), b.kind()));
        return replaced(half, index + 1, b.named(a.name(), a.kind()));
    }

    private static Song replaced(Song song, int index, Section section) {
        List<Section> all = new ArrayList<>(song.sections());
        all.set(index, section);
        return song.withSections(all);
    }

    /**
     * Sets the tempo from a beat on, up to the next change. A glide that begins there still goes
     * where it went, and one that led there leads to the new tempo.
     */
    public static Song tempo(Song song, double beat, double bpm) {
        List<TempoMap.Change> all = song.clock().tempo().changes();
        List<TempoMap.Change> changes = new ArrayList<>();
        double end = bpm;
        for (int i = 0; i < all.size(); i++) {
            TempoMap.Change c = all.get(i);
            boolean glides = c.endBpm() != c.bpm();
            boolean leadsHere = i + 1 < all.size() && all.get(i + 1).beat() == beat;
            if (c.beat() == beat) {
                end = glides ? c.endBpm() : bpm;
            } else if (glides && leadsHere && c.endBpm() == all.get(i + 1).bpm()) {
                changes.add(new TempoMap.Change(c.beat(), c.bpm(), bpm));
            } else {
                changes.add(c);
            }
        }
        changes.add(new TempoMap.Change(beat, bpm, end));
        return tempi(song, heldBefore(song, changes, beat));
    }

    /**
     * Lets the tempo glide, linear in beats, from what it is at one beat to another tempo, which
     * then holds up to the next change.
     */
    public static Song glide(Song song, double fromBeat, double toBeat, double bpm) {
        if (!(toBeat > fromBeat)) {
            throw new IllegalArgumentException(
                    "a ritardando from beat " + fromBeat + " must end after it");
        }
        double start = song.clock().tempo().bpmAt(fromBeat);
        List<TempoMap.Change> changes = new ArrayList<>(song.clock().tempo().changes());
        changes.removeIf(c -> c.beat() >= fromBeat && c.beat() <= toBeat);
        changes.add(new TempoMap.Change(fromBeat, start, bpm));
        changes.add(TempoMap.Change.step(toBeat, bpm));
        return tempi(song, heldBefore(song, changes, fromBeat));
    }

    /** A glide that a new change cuts short reaches there what it had reached before. */
    private static List<TempoMap.Change> heldBefore(
            Song song, List<TempoMap.Change> changes, double beat) {
        List<TempoMap.Change> out = new ArrayList<>();
        TempoMap before = song.clock().tempo();
        for (TempoMap.Change c : changes) {
            double next =
                    before.changes().stream()
                            .mapToDouble(TempoMap.Change::beat)
                            .filter(b -> b > c.beat())
                            .min()
                            .orElse(Double.POSITIVE_INFINITY);
            boolean cut = c.beat() < beat && beat < next && c.endBpm() != c.bpm();
            out.add(cut ? new TempoMap.Change(c.beat(), c.bpm(), before.bpmAt(beat)) : c);
        }
        return out;
    }

    /** Takes the tempo change at a beat away; the first one stays. */
    public static Song withoutTempo(Song song, double beat) {
        List<TempoMap.Change> changes = new ArrayList<>(song.clock().tempo().changes());
        changes.removeIf(c -> c.beat() == beat && beat > 0);
        for (int i = 0; i < changes.size(); i++) {
            TempoMap.Change c = changes.get(i);
            boolean led = c.beat() < beat && c.endBpm() != c.bpm();
            boolean next = i + 1 == changes.size() || changes.get(i + 1).beat() > beat;
            if (led && next) {
                changes.set(i, TempoMap.Change.step(c.beat(), c.bpm()));
            }
        }
        return tempi(song, changes);
    }

    /** Every tempo of a song by a factor, such as 1.001 for a thousandth faster. */
    public static Song faster(Song song, double factor) {
        return tempi(
                song,
                song.clock().tempo().changes().stream()
                        .map(c ->
                                new TempoMap.Change(
                                        c.beat(), factor * c.bpm(), factor * c.endBpm()))
                        .toList());
    }

    private static Song tempi(Song song, List<TempoMap.Change> changes) {
        SongClock c = song.clock();
        return song.withClock(new SongClock(TempoMap.of(changes), c.metre(), c.originSeconds()));
    }

    /** Sets the metre from a bar on, up to the next change. */
    public static Song metre(Song song, int bar, int beatsPerBar, int beatUnit) {
        List<MetreMap.Change> changes = new ArrayList<>(song.clock().metre().changes());
        changes.removeIf(c -> c.bar() == bar);
        changes.add(new MetreMap.Change(bar, beatsPerBar, beatUnit));
        return metres(song, changes);
    }

    /** Takes the metre change at a bar away; the first one stays. */
    public static Song withoutMetre(Song song, int bar) {
        List<MetreMap.Change> changes = new ArrayList<>(song.clock().metre().changes());
        changes.removeIf(c -> c.bar() == bar && bar > 1);
        return metres(song, changes);
    }

    private static Song metres(Song song, List<MetreMap.Change> changes) {
        SongClock c = song.clock();
        return song.withClock(new SongClock(c.tempo(), MetreMap.of(changes), c.originSeconds()));
    }

    /** Lets bar 1 begin at a time from the start of the stems. */
    public static Song barOneAt(Song song, double seconds) {
        return song.withClock(song.clock().startingAt(seconds));
    }
}
