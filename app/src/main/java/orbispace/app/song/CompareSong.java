package orbispace.app.song;

import java.nio.file.Path;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.prove.compare.MatchedPair;
import orbispace.core.prove.compare.Settlement;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Rendering;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import orbispace.files.FileProblem;
import orbispace.files.project.ProjectFolder;
import orbispace.files.sound.SoundShelf;

/** Two designs of a song rendered, made equally loud and subtracted. */
public final class CompareSong {
    private CompareSong() {}

    /**
     * What came out.
     *
     * @param pair how they were matched
     * @param residual what is left when the matched mixes are subtracted
     */
    public record Compared(MatchedPair pair, Settlement residual) {}

    /**
     * Compares two designs.
     *
     * @param folder in which the stems of both lie
     * @param section the stretch that is compared; empty for all
     */
    public static Compared of(Path folder, Design a, Design b, Optional<Span> section, Job job)
            throws FileProblem {
        Rendering first = rendered(folder, a, job);
        Rendering second = rendered(folder, b, job);
        Audio mixA = cut(first.mix(), section);
        Audio mixB = cut(second.mix(), section);
        MatchedPair pair = MatchedPair.of(mixA, mixB);
        Audio wet = times(cut(first.wet(), section), pair.gainADb());
        return new Compared(
                pair, Settlement.of(times(mixA, pair.gainADb()), times(mixB, pair.gainBDb()), wet));
    }

    private static Rendering rendered(Path folder, Design design, Job job) throws FileProblem {
        SongMaterial material = ProjectFolder.readAll(folder, design);
        return new Renderer(
                        material,
                        material.frames(),
                        StageCache.beside(material.bytes(), SoundShelf::lay))
                .render(design, job);
    }

    private static Audio cut(Audio audio, Optional<Span> section) {
        if (section.isEmpty()) {
            return audio;
        }
        double rate = audio.sampleRateHz();
        int from = Math.clamp((long) (section.get().startSeconds() * rate), 0, audio.frames());
        int to = Math.clamp((long) (section.get().endSeconds() * rate), from, audio.frames());
        return audio.slice(from, to);
    }

    private static Audio times(Audio audio, double db) {
        return audio.scaled(Decibels.toAmplitude(db));
    }
}
