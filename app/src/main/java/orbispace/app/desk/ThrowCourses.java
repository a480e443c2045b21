package orbispace.app.desk;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.app.measuring.Survey;
import orbispace.app.session.Editor;
import orbispace.app.session.SongStems;
import orbispace.app.session.Stretch;
import orbispace.app.song.Material;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.ThrowCourse;
import orbispace.core.plan.ThrowIdea;
import orbispace.core.plan.Words;
import orbispace.core.render.Responses;
import orbispace.core.time.Span;

/** What follows each throw, what is wrong with it, and which words could be thrown. */
public final class ThrowCourses {
    private static final double SAME_SECONDS = 2e-3;

    private final Editor editor;
    private final Stretch stretch;
    private final Survey survey;
    private final SongStems stems;
    private final Picking picking;

    ThrowCourses(Editor editor, Stretch stretch, Survey survey, SongStems stems, Picking picking) {
        this.editor = editor;
        this.stretch = stretch;
        this.survey = survey;
        this.stems = stems;
        this.picking = picking;
    }

    /** What follows a throw; empty if its source or return is gone. */
    public Optional<ThrowCourse> of(Throw t) {
        return ThrowCourse.of(
                editor.now(), responses(), t, words(t).phrases(), stretch.songSeconds());
    }

    private Words words(Throw t) {
        return editor.now().findSource(t.sourceId()).map(picking::words).orElse(Words.NONE);
    }

    /** Everything that is to be said of the throws. */
    public List<ThrowConflict> conflicts() {
        Map<String, Words> words = new HashMap<>();
        for (Source s : editor.now().sources()) {
            if (survey.materials().containsKey(s.id())) {
                words.put(s.id(), picking.words(s));
            }
        }
        return ThrowConflict.of(editor.now(), responses(), words, stretch.songSeconds());
    }

    /** Words of the source that suggest themselves and are not thrown yet, the best first. */
    public List<ThrowIdea> ideas() {
        Optional<Source> source = picking.source();
        if (source.isEmpty() || survey.materials().get(source.get().id()) == null) {
            return List.of();
        }
        List<Source> others = new ArrayList<>(editor.now().sources());
        others.remove(source.get());
        return ThrowIdea.of(picking.words(), stretch.songSeconds(), gap -> power(others, gap))
                .stream()
                .filter(i -> at(i.word()).isEmpty())
                .toList();
    }

    private double power(List<Source> sources, Span span) {
        double sum = 0;
        for (Source s : sources) {
            Material m = survey.materials().get(s.id());
            if (m != null) {
                sum +=
                        m.silhouette().power(span.startSeconds(), span.endSeconds())
                                * Decibels.toPower(s.gainDb());
            }
        }
        return sum;
    }

    Responses responses() {
        return stems.material().responses();
    }

    Optional<Throw> at(Span span) {
        String id = picking.source().map(Source::id).orElse("");
        return editor.now().thrown().stream()
                .filter(t -> t.sourceId().equals(id) && same(span(t), span))
                .findFirst();
    }

    private static boolean same(Span a, Span b) {
        return Math.abs(a.startSeconds() - b.startSeconds()) < SAME_SECONDS
                && Math.abs(a.endSeconds() - b.endSeconds()) < SAME_SECONDS;
    }

    /** When a throw sounds, in seconds. */
    public Span span(Throw t) {
        return new Span(
                editor.now().song().clock().secondsAt(t.fromBeat()),
                editor.now().song().clock().secondsAt(t.toBeat()));
    }
}
