package orbispace.app.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.SongEdit;
import orbispace.files.midi.MidiTempo;

/** Taking tempo, metre and sections of a song from a MIDI file. */
public final class FormFromMidi {
    private static final String SUBJECT = "tempo and form";

    private FormFromMidi() {}

    /**
     * A form with the plans of another.
     *
     * @param edit the change
     * @param unplaced names of sections whose plan found no place
     */
    public record Taken(SongEdit edit, List<String> unplaced) {}

    /**
     * The change; the song keeps its sections if the file has none. What was planned for a section
     * goes to the one of its name, in order where several are called the same, or else to the one
     * that begins where it did.
     */
    public static Taken of(Design design, MidiTempo.Form form) {
        Song song =
                design.song()
                        .withClock(form.clock().startingAt(design.song().clock().originSeconds()));
        if (form.sections().isEmpty()) {
            return new Taken(new SongEdit(song, SUBJECT), List.of());
        }
        List<Section> left = new ArrayList<>(design.song().sections());
        List<Section> sections = new ArrayList<>(form.sections());
        sections.replaceAll(s -> planned(s, left, w -> w.name().equalsIgnoreCase(s.name())));
        sections.replaceAll(s -> planned(s, left, w -> w.firstBar() == s.firstBar()));
        return new Taken(
                new SongEdit(song.withSections(sections), SUBJECT),
                left.stream().filter(s -> !s.plan().isPlain()).map(Section::name).toList());
    }

    /** A section with the plan of the first that fits it, which then leaves the list. */
    private static Section planned(Section s, List<Section> left, Predicate<Section> fits) {
        Optional<Section> old =
                s.plan().isPlain() ? left.stream().filter(fits).findFirst() : Optional.empty();
        old.ifPresent(left::remove);
        return old.map(w -> s.withPlan(w.plan())).orElse(s);
    }
}
