package orbispace.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.DuckRule;
import orbispace.core.clear.Question;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.design.ThrowsEdit;
import orbispace.core.design.Trail;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Responses;
import orbispace.core.time.Span;

/** Measures how throws stand with the phrases after them, and what would help, by rendering it. */
public final class ThrowRemedies {
    private static final double SOFTER_DB = 3;
    private static final double DUCK_DB = 6;
    private static final double FASTER = 0.5;
    private static final double MOST_RUN_UP_SECONDS = 4;
    private static final double LEAST_SPAN_SECONDS = 0.5;
    private static final double GAINED = 0.005;

    private ThrowRemedies() {}

    /** What is asked about: a throw in a field. */
    private record Case(
            Design design, Responses responses, Throw thrown, Phrases phrases, double songEnd) {
        Optional<ThrowCourse> course(Design other) {
            return other.thrown().stream()
                    .filter(t -> t.id().equals(thrown.id()))
                    .findFirst()
                    .flatMap(t -> ThrowCourse.of(other, responses, t, phrases.spans(), songEnd));
        }
    }

    /** A change not measured yet. */
    private record Try(String words, Edit edit) {}

    /**
     * Measures a throw and what would help.
     *
     * @param analysis of the whole song
     * @param phrases of its source, in seconds of the song
     * @param songEnd end of the song in seconds
     * @return empty if its source or return is gone
     */
    public static Optional<ThrowStanding> measure(
            CoverAnalysis analysis,
            Responses responses,
            Design design,
            Throw thrown,
            Phrases phrases,
            double songEnd,
            Job job) {
        Case asked = new Case(design, responses, thrown, phrases, songEnd);
        return asked.course(design).map(course -> standing(analysis, asked, course, job));
    }

    private static ThrowStanding standing(
            CoverAnalysis analysis, Case asked, ThrowCourse course, Job job) {
        if (course.next().isEmpty() || course.runningOn() == 0) {
            return new ThrowStanding(
                    course, OptionalDouble.empty(), OptionalDouble.empty(), List.of());
        }
        Span phrase = course.next().get();
        double to = Math.max(phrase.startSeconds() + LEAST_SPAN_SECONDS, course.endSeconds());
        Span span = new Span(phrase.startSeconds(), Math.min(phrase.endSeconds(), to));
        CoverAnalysis near =
                analysis.window(
                        new Span(course.word().startSeconds(), span.endSeconds()),
                        MOST_RUN_UP_SECONDS);
        Design without =
                ThrowsEdit.without(asked.design(), asked.thrown().id()).applyTo(asked.design());
        OptionalDouble kept = kept(near, asked.design(), asked, span, job);
        List<ThrowRemedy> remedies = new ArrayList<>();
        for (Try change : tries(asked, course)) {
            job.check();
            Design changed = change.edit().applyTo(asked.design());
            double after = kept(near, changed, asked, span, job).orElse(1);
            int left = asked.course(changed).map(c -> c.arrivals().size()).orElse(0);
            if (after > kept.orElse(1) + GAINED) {
                remedies.add(new ThrowRemedy(change.words(), change.edit(), after, left));
            }
        }
        remedies.sort(Comparator.comparingDouble(ThrowRemedy::kept).reversed());
        return new ThrowStanding(course, kept, kept(near, without, asked, span, job), remedies);
    }

    private static OptionalDouble kept(
            CoverAnalysis near, Design design, Case asked, Span span, Job job) {
        Source source =
                design.findSource(asked.thrown().sourceId())
                        .orElseThrow(IllegalStateException::new);
        Return r = design.requireReturn(asked.thrown().returnId());
        return near.pair(design, source, r, List.of(span), span, job).cover().presenceKept();
    }

    private static List<Try> tries(Case asked, ThrowCourse course) {
        Throw t = asked.thrown();
        Trail trail = t.trail();
        Design design = asked.design();
        List<Try> tries = new ArrayList<>();
        if (course.spacingSeconds() > 0 && course.feedback() > 0) {
            double fitting = course.fittingFeedback();
            if (fitting > 0 && fitting < course.feedback()) {
                tries.add(
                        trail(
                                "Fit the repeats to the gap",
                                design,
                                t,
                                trail.withFeedback(fitting)));
            }
            tries.add(
                    trail(
                            "Let each repeat fall 6 dB more",
                            design,
                            t,
                            trail.withFeedback(FASTER * course.feedback())));
            tries.add(trail("A single repeat", design, t, trail.withFeedback(0.0)));
        }
        double shut = design.song().clock().beatAt(course.gap().endSeconds());
        tries.add(trail("Shut it when the phrase begins", design, t, trail.until(shut)));
        if (t.levelDb() - SOFTER_DB >= -90 && t.ride().isEmpty()) {
            tries.add(
                    new Try(
                            "Throw it 3 dB softer",
                            ThrowsEdit.changing(design, t.withLevel(t.levelDb() - SOFTER_DB))));
        }
        duck(asked, course).ifPresent(tries::add);
        return tries;
    }

    private static Try trail(String words, Design design, Throw t, Trail trail) {
        return new Try(words, ThrowsEdit.changing(design, t.withTrail(trail)));
    }

    /** A ducker for the whole return, if it has none. */
    private static Optional<Try> duck(Case asked, ThrowCourse course) {
        Return r = asked.design().requireReturn(asked.thrown().returnId());
        if (r.duck() != null) {
            return Optional.empty();
        }
        return asked.design()
                .findSource(asked.thrown().sourceId())
                .map(source -> {
                    Question q =
                            new Question(
                                    asked.design(),
                                    source,
                                    r.id(),
                                    asked.phrases(),
                                    course.gap(),
                                    false);
                    return new Try(
                            "Duck all of " + r.id() + " by 6 dB under " + source.name(),
                            new ReturnEdit.Ducking(r.id(), DuckRule.draft(q, DUCK_DB)));
                });
    }
}
