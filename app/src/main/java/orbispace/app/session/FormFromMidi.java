package orbispace.app.session;

import orbispace.core.design.Design;
import orbispace.core.design.Song;
import orbispace.core.design.SongEdit;
import orbispace.files.MidiTempo;

/** Tempo, metre and sections of a MIDI file taken into a song. */
final class FormFromMidi {
    private FormFromMidi() {}

    /** The change; the song keeps its sections if the file has none. */
    static SongEdit edit(Design design, MidiTempo.Form form) {
        Song song =
                design.song()
                        .withClock(form.clock().startingAt(design.song().clock().originSeconds()));
        return new SongEdit(
                form.sections().isEmpty() ? song : song.withSections(form.sections()),
                "tempo and form");
    }
}
