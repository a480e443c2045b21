package orbispace.core.design;

/**
 * A change of a song's time or form.
 *
 * @param song as it is after the change
 * @param subject what changes, in words
 */
public record SongEdit(Song song, String subject) implements Edit {
    @Override
    public Design applyTo(Design design) {
        return design.withSong(song);
    }
}
