package orbispace.app.measuring;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import orbispace.app.listen.Transport;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.KeptProject;
import orbispace.app.session.OfSong;
import orbispace.app.session.Stretch;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Placement;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.prove.compare.FinishedTrack;
import orbispace.core.prove.compare.TrackDifference;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.signal.Resampler;
import orbispace.core.time.Span;
import orbispace.files.FileProblem;
import orbispace.files.sound.SoundReader;
import org.jspecify.annotations.Nullable;

/**
 * Holds the mix against finished tracks of the engineer's own: a stretch of one as long as the
 * chosen section, at one loudness, on the section's own time.
 */
public final class Referencing implements OfSong {
    private static final String JOB = "reference";
    private static final String ID = "reference";

    private final Editor editor;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Measurements measured;
    private final KeptProject kept;
    private final ObservableList<Path> files = FXCollections.observableArrayList();
    private final ObjectProperty<@Nullable Held> held = new SimpleObjectProperty<>();
    private final BooleanProperty hearing = new SimpleBooleanProperty(false);
    private List<Object> tried = List.of();

    /**
     * A mix held against a track.
     *
     * @param file the track
     * @param audio its sound at the song's rate
     * @param laid the same, laid so that its stretch comes where the span is
     * @param startSeconds where its stretch begins
     * @param span of the song that it is held against
     * @param design the field of the mix
     * @param mix what the mix is in the span
     * @param track what the track is in its stretch
     * @param difference of the two
     */
    public record Held(
            Path file,
            Audio audio,
            SongMaterial laid,
            double startSeconds,
            Span span,
            Design design,
            FinishedTrack mix,
            FinishedTrack track,
            TrackDifference difference) {
        /** What people call the track. */
        public String name() {
            return nameOf(file);
        }
    }

    /** Tracks of a song. */
    public Referencing(
            Editor editor, Stretch stretch, Jobs jobs, Measurements measured, KeptProject kept) {
        this.editor = editor;
        this.stretch = stretch;
        this.jobs = jobs;
        this.measured = measured;
        this.kept = kept;
    }

    /** What people call a track: its file without the ending. */
    public static String nameOf(Path file) {
        return String.valueOf(file.getFileName()).replaceFirst("\\.[^.]+$", "");
    }

    /** The tracks that can be chosen. */
    public ObservableList<Path> files() {
        return files;
    }

    /** What the mix is held against; null for nothing. */
    public ReadOnlyObjectProperty<@Nullable Held> held() {
        return held;
    }

    /** Whether the track is heard instead of the mix. */
    public BooleanProperty hearing() {
        return hearing;
    }

    /** Whether there is a track to be heard, and it is. */
    public boolean hears() {
        return hearing.get() && held.get() != null;
    }

    /** Lets the other of mix and track be heard, if there is a track. */
    public void flip() {
        hearing.set(held.get() != null && !hearing.get());
    }

    @Override
    public void begin(Design given) {
        jobs.cancel(JOB);
        tried = List.of();
        hearing.set(false);
        held.set(null);
        files.setAll(kept.references());
    }

    /** Takes a track, a new one or one of those there are, and holds the mix against it. */
    public void add(Path file) {
        hold(file, null, null, false);
    }

    /** Lets a track go. */
    public void forget(Path file) {
        files.remove(file);
        kept.keepReferences(files);
        Held now = held.get();
        if (now != null && now.file().equals(file)) {
            hearing.set(false);
            held.set(null);
        }
    }

    /** Begins the track's stretch elsewhere. */
    public void from(double seconds) {
        Held now = held.get();
        if (now == null) {
            return;
        }
        double most = Math.max(0, now.audio().seconds() - 1);
        if (!(seconds >= 0 && seconds <= most)) {
            editor.problem()
                    .set(
                            now.name()
                                    + " can be begun from 0 to "
                                    + orbispace.core.words.Wording.seconds(most));
            return;
        }
        hold(now.file(), now.audio(), seconds, false);
    }

    /** Measures again if the mix or the section is another than the one that was held. */
    public void update() {
        Held now = held.get();
        boolean old =
                now != null
                        && (!now.design().equals(editor.now())
                                || !now.span().equals(stretch.span()));
        List<Object> wanted = List.of(editor.now(), stretch.span());
        if (old && !jobs.awaits(JOB) && !wanted.equals(tried)) {
            tried = wanted;
            boolean same = now.span().equals(stretch.span());
            hold(now.file(), now.audio(), same ? now.startSeconds() : null, true);
        }
    }

    private void hold(Path file, @Nullable Audio known, @Nullable Double start, boolean quietly) {
        Optional<Renderer> renderer = measured.renderer();
        if (renderer.isEmpty()) {
            editor.problem().set("There is no mix to hold against it; open a song first.");
            return;
        }
        Span span = stretch.span();
        jobs.start(
                JOB,
                "Holding against " + nameOf(file),
                (job, design) -> measured(renderer.get(), design, span, file, known, start, job),
                (h, design) -> {
                    if (!quietly) {
                        editor.problem().set("");
                    }
                    if (!files.contains(file)) {
                        files.add(file);
                        kept.keepReferences(files);
                    }
                    held.set(h);
                });
    }

    private static Held measured(
            Renderer renderer,
            Design design,
            Span span,
            Path file,
            @Nullable Audio known,
            @Nullable Double start,
            Job job)
            throws FileProblem {
        double rate = design.song().sampleRateHz();
        Audio audio = known == null ? Resampler.convert(SoundReader.read(file), rate) : known;
        job.check();
        double length = span.endSeconds() - span.startSeconds();
        double from = start == null ? FinishedTrack.loudestStart(audio, length) : start;
        FinishedTrack track = FinishedTrack.of(cut(audio, from, from + length));
        if (track.loudness().integratedLufs().isEmpty()) {
            throw new FileProblem(file + ": is silent there; begin it elsewhere");
        }
        job.check();
        Audio mix = renderer.render(design, job).mix();
        FinishedTrack own = FinishedTrack.of(cut(mix, span.startSeconds(), span.endSeconds()));
        int shift = (int) Math.round((span.startSeconds() - from) * rate);
        Audio laid = new Placement(shift, false, 0, 0).of(audio);
        return new Held(
                file,
                audio,
                new SongMaterial(Map.of(ID, laid), rate),
                from,
                span,
                design,
                own,
                track,
                TrackDifference.of(own, track));
    }

    private static Audio cut(Audio audio, double from, double to) {
        double rate = audio.sampleRateHz();
        return audio.slice((int) Math.round(from * rate), (int) Math.round(to * rate));
    }

    /** By how much the mix is turned down while it is held against a track; 0 for none. */
    public double mixGainDb() {
        Held now = held.get();
        return now == null ? 0 : now.difference().mixGainDb();
    }

    /** Lets the track be heard where the section lies, turned down as the mix is. */
    public void hearOn(Transport transport, double matchDb) {
        Held now = held.get();
        if (now == null) {
            return;
        }
        Source source = new Source(ID, now.name(), now.file().toString(), Role.COLOUR, 0, 0);
        transport.hearTrack(
                new Design(now.design().unplanned().song(), List.of(source), List.of()),
                now.laid(),
                now.difference().trackGainDb() + matchDb);
    }
}
