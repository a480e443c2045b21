package orbispace.core.design;

import orbispace.core.audio.Audio;

/**
 * A dry stem.
 *
 * @param id short name that sends and keys refer to, letters, digits and hyphens
 * @param name what people call it
 * @param file its audio file, relative to the project, or absolute if chosen elsewhere
 * @param role what it is in the song
 * @param kind how it was taken
 * @param gainDb fader, -90 to 24
 * @param pan position from -1 (left) to 1 (right)
 * @param group name that it shares with other layers of one part; empty for none
 * @param wet whether it is known to carry a space of its own already
 * @param placement how it is laid into the song
 * @param tone what is done to it so that it leaves room for others
 */
public record Source(
        String id,
        String name,
        String file,
        Role role,
        StemKind kind,
        double gainDb,
        double pan,
        String group,
        boolean wet,
        Placement placement,
        Tone tone) {
    /** Checks the ranges. */
    public Source {
        Ranges.requireId("source", id);
        Ranges.require("gain", gainDb, -90, 24);
        Ranges.require("pan", pan, -1, 1);
    }

    /** A dry stem on its own, as it lies in its file. */
    public Source(String id, String name, String file, Role role, double gainDb, double pan) {
        this(
                id,
                name,
                file,
                role,
                StemKind.CLOSE,
                gainDb,
                pan,
                "",
                false,
                Placement.AS_IS,
                Tone.AS_IS);
    }

    /** The same under another name. */
    public Source withName(String other) {
        return new Source(id, other, file, role, kind, gainDb, pan, group, wet, placement, tone);
    }

    /** The same from another file. */
    public Source withFile(String other) {
        return new Source(id, name, other, role, kind, gainDb, pan, group, wet, placement, tone);
    }

    /** The same in another role. */
    public Source withRole(Role other) {
        return new Source(id, name, file, other, kind, gainDb, pan, group, wet, placement, tone);
    }

    /** The same, taken otherwise. */
    public Source withKind(StemKind other) {
        return new Source(id, name, file, role, other, gainDb, pan, group, wet, placement, tone);
    }

    /** The same at another level. */
    public Source withGain(double otherDb) {
        return new Source(id, name, file, role, kind, otherDb, pan, group, wet, placement, tone);
    }

    /** The same at another position. */
    public Source withPan(double other) {
        return new Source(id, name, file, role, kind, gainDb, other, group, wet, placement, tone);
    }

    /** The same in another group. */
    public Source withGroup(String other) {
        return new Source(id, name, file, role, kind, gainDb, pan, other, wet, placement, tone);
    }

    /** The same, known to be wet or dry. */
    public Source withWet(boolean other) {
        return new Source(id, name, file, role, kind, gainDb, pan, group, other, placement, tone);
    }

    /** The same, laid otherwise into the song. */
    public Source withPlacement(Placement other) {
        return new Source(id, name, file, role, kind, gainDb, pan, group, wet, other, tone);
    }

    /** The same in another tone. */
    public Source withTone(Tone other) {
        return new Source(id, name, file, role, kind, gainDb, pan, group, wet, placement, other);
    }

    /** Its stem as it is laid into the song, in its tone. */
    public Audio laid(Audio stem) {
        return tone.of(placement.of(stem));
    }
}
