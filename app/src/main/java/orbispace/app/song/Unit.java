package orbispace.app.song;

import java.nio.file.Path;
import orbispace.core.audio.Audio;
import orbispace.core.measure.Sweep;
import orbispace.core.measure.UnitMeter;
import orbispace.core.measure.UnitReport;
import orbispace.demo.SimulatedUnit;
import orbispace.files.FileProblem;
import orbispace.files.sound.SoundReader;

/** Something that a sound can be played through, near or far. */
@FunctionalInterface
public interface Unit {
    /** What comes back of a sound that is played through it. */
    Audio played(Audio sound) throws FileProblem;

    /** A unit elsewhere: what came back of it was recorded to a file. */
    static Unit recording(Path file) {
        return sound -> SoundReader.read(file);
    }

    /** A unit that is not there, for trying how one is measured. */
    static Unit simulated() {
        return SimulatedUnit::record;
    }

    /**
     * Measures it with a sweep that was written to a file.
     *
     * @throws FileProblem in one line, if the sweep is none or did not come back
     */
    default UnitReport measured(Path sweep) throws FileProblem {
        Audio sound = SoundReader.read(sweep);
        try {
            Sweep.of(sound);
        } catch (IllegalArgumentException e) {
            throw new FileProblem(sweep + ": is no sweep of ours: " + e.getMessage(), e);
        }
        try {
            return UnitMeter.measure(sound, played(sound));
        } catch (IllegalArgumentException e) {
            throw new FileProblem("the recording of " + sweep + ": " + e.getMessage(), e);
        }
    }
}
