package orbispace.app.desk;

import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.measuring.Judged;
import orbispace.app.measuring.Survey;
import orbispace.app.session.Editor;
import orbispace.app.session.Stretch;
import orbispace.app.song.Material;
import orbispace.core.design.Source;
import orbispace.core.plan.Words;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** What is picked of a source to be thrown: a phrase, a word, a stroke. */
public final class Picking {
    private final Editor editor;
    private final Stretch stretch;
    private final Survey survey;
    private final Judged judging;
    private final ReadOnlyDoubleProperty position;
    private final ObjectProperty<@Nullable Span> picked = new SimpleObjectProperty<>();

    /** Picks words of a song. */
    public Picking(
            Editor editor,
            Stretch stretch,
            Survey survey,
            Judged judging,
            ReadOnlyDoubleProperty position) {
        this.editor = editor;
        this.stretch = stretch;
        this.survey = survey;
        this.judging = judging;
        this.position = position;
    }

    /** The stretch of the source that is picked, in seconds; null for none. */
    public ReadOnlyObjectProperty<@Nullable Span> picked() {
        return picked;
    }

    /** Picks a stretch, or nothing. */
    public void pick(@Nullable Span span) {
        picked.set(span);
    }

    /** The source whose words are picked: the one that is judged on Clear. */
    public Optional<Source> source() {
        return judging.source();
    }

    /** What can be picked of a source: phrases, strokes, or bars of what has neither. */
    public Words words(Source source) {
        Material m = survey.materials().get(source.id());
        if (m == null) {
            return Words.NONE;
        }
        return m.phrases()
                .filter(p -> Material.isSung(source))
                .map(p -> Words.of(p, m.silhouette()))
                .or(() -> m.hits().map(Words::of))
                .filter(w -> !w.phrases().isEmpty())
                .orElseGet(() -> Words.of(editor.now().song().clock(), stretch.songSeconds()));
    }

    /** What can be picked of the source. */
    public Words words() {
        return source().map(this::words).orElse(Words.NONE);
    }

    /** Picks the word at a moment, or the next one. */
    public void pickWord(double seconds) {
        words().wordAt(seconds).ifPresent(this::pick);
    }

    /** Picks the phrase at a moment, or the next one. */
    public void pickPhrase(double seconds) {
        words().phraseAt(seconds).ifPresent(this::pick);
    }

    private double here() {
        Span now = picked.get();
        return now == null ? position.get() : now.startSeconds();
    }

    /** Picks the phrase that the picked word is in, or the next at the playhead. */
    public void wholePhrase() {
        pickPhrase(here());
    }

    /** Picks the last word of what is picked. */
    public void lastWord() {
        Span now = picked.get();
        if (now == null) {
            pickWord(here());
            return;
        }
        words().words().stream().filter(now::overlaps).reduce((a, b) -> b).ifPresent(this::pick);
    }

    /** Picks the next or the one before. */
    public void step(int by) {
        Span now = picked.get();
        if (now == null) {
            pickPhrase(here());
        } else {
            pick(words().step(now, by));
        }
    }

    /** Picks a word more. */
    public void grow() {
        Span now = picked.get();
        if (now != null) {
            pick(words().grown(now));
        }
    }

    /** Picks a word fewer. */
    public void shrink() {
        Span now = picked.get();
        if (now != null) {
            pick(words().shrunk(now));
        }
    }
}
