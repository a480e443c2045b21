package orbispace.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.render.ChainWorks;
import orbispace.core.render.Responses;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;

/**
 * Something about a throw that its engineer should know, told from the design alone.
 *
 * @param kind what it is
 * @param thrown the throw
 * @param evidence it in words with this song's values
 */
public record ThrowConflict(Kind kind, Throw thrown, String evidence) {
    private static final double TEMPO_PERCENT = 0.5;

    /** What can be wrong. */
    public enum Kind {
        /** Its source or its return is gone. */
        LOST("not heard"),
        /** It lies outside the song. */
        BEYOND("beyond the song"),
        /** Nothing is sung or played where it lies. */
        SILENT("nothing there"),
        /** Its return is muted where it, or what it makes, sounds. */
        MUTED("across a mute"),
        /** Its repeats reach into the next phrase. */
        RUNS_ON("runs into the next phrase"),
        /** Not one whole repeat has room before the next phrase. */
        NO_GAP("no gap"),
        /** Another throw of the same source sounds meanwhile. */
        TWO_AT_ONCE("two at once"),
        /** The tempo changes while it sounds. */
        TEMPO("across a tempo change");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        /** It in words. */
        public String label() {
            return label;
        }
    }

    /**
     * All conflicts of all throws, in order of the throws.
     *
     * @param words of each source by its id; a source without an entry is not judged
     * @param songEnd end of the song in seconds
     */
    public static List<ThrowConflict> of(
            Design design, Responses responses, Map<String, Words> words, double songEnd) {
        ChainWorks works = new ChainWorks(design, responses);
        List<Throw> lost = design.lostThrows();
        Map<String, ThrowCourse> courses = new LinkedHashMap<>();
        for (Throw t : design.thrown()) {
            if (!lost.contains(t)) {
                List<Span> phrases = words.getOrDefault(t.sourceId(), Words.NONE).phrases();
                courses.put(t.id(), ThrowCourse.of(design, works, t, phrases, songEnd));
            }
        }
        List<ThrowConflict> all = new ArrayList<>();
        for (Throw t : design.thrown()) {
            ThrowCourse course = courses.get(t.id());
            if (course == null) {
                all.add(new ThrowConflict(Kind.LOST, t, lost(design, t)));
            } else {
                new Judge(design, words, courses, songEnd, t, course, all).judge();
            }
        }
        return List.copyOf(all);
    }

    private static String lost(Design design, Throw t) {
        return design.findReturn(t.returnId()).isEmpty()
                ? "The return \""
                        + t.returnId()
                        + "\" is gone; send it to another, or take it away."
                : "The source \"" + t.sourceId() + "\" is gone.";
    }

    /** What is to be said of one throw. */
    private record Judge(
            Design design,
            Map<String, Words> words,
            Map<String, ThrowCourse> courses,
            double songEnd,
            Throw t,
            ThrowCourse course,
            List<ThrowConflict> all) {
        void judge() {
            Span word = course.word();
            if (word.startSeconds() < -1e-3 || word.endSeconds() > songEnd + 1e-3) {
                add(
                        Kind.BEYOND,
                        "It lies at " + span(word) + "; the song ends at " + s(songEnd) + ".");
            }
            Words of = words.get(t.sourceId());
            if (of != null && of.words().stream().noneMatch(word::overlaps)) {
                add(Kind.SILENT, "No word of " + source() + " lies at " + span(word) + ".");
            }
            muted();
            if (course.runningOn() > 0) {
                add(Kind.RUNS_ON, runsOn());
            }
            if (course.next().isPresent() && !course.hasRoom()) {
                add(
                        Kind.NO_GAP,
                        "The gap of "
                                + s(course.gap().seconds())
                                + " is shorter than one repeat of "
                                + s(course.spacingSeconds())
                                + ".");
            }
            twoAtOnce();
            tempo();
        }

        private void add(Kind kind, String evidence) {
            all.add(new ThrowConflict(kind, t, evidence));
        }

        private String source() {
            return design.findSource(t.sourceId()).map(Source::name).orElse(t.sourceId());
        }

        private String runsOn() {
            double over = course.endSeconds() - course.gap().endSeconds();
            if (course.spacingSeconds() <= 0) {
                return "Its tail reaches into the next phrase, by " + s(over) + ".";
            }
            int n = course.runningOn();
            return n
                    + " of "
                    + course.arrivals().size()
                    + (n == 1 ? " repeats reaches" : " repeats reach")
                    + " into the next phrase, by "
                    + s(over)
                    + ".";
        }

        private void muted() {
            Span sounds = new Span(course.word().startSeconds(), course.endSeconds());
            for (Section s : design.song().sections()) {
                if (s.plan().cell(t.returnId()).muted() && design.song().span(s).overlaps(sounds)) {
                    add(Kind.MUTED, t.returnId() + " is muted in " + s.name() + ".");
                    return;
                }
            }
        }

        private void twoAtOnce() {
            Span sounds = new Span(course.word().startSeconds(), course.endSeconds());
            for (Throw other : design.thrown()) {
                ThrowCourse its = courses.get(other.id());
                if (its != null
                        && meets(other)
                        && new Span(its.word().startSeconds(), its.endSeconds()).overlaps(sounds)) {
                    add(
                            Kind.TWO_AT_ONCE,
                            "The throw at "
                                    + s(its.word().startSeconds())
                                    + " to "
                                    + other.returnId()
                                    + " sounds meanwhile.");
                    return;
                }
            }
        }

        /**
         * One word thrown to two returns at once is meant; two words on top of each other are not.
         */
        private boolean meets(Throw other) {
            boolean sameWord = other.fromBeat() == t.fromBeat() && other.toBeat() == t.toBeat();
            boolean sameSource = other.sourceId().equals(t.sourceId());
            return !other.id().equals(t.id())
                    && (sameSource ? !sameWord : other.returnId().equals(t.returnId()));
        }

        private void tempo() {
            if (course.spacingSeconds() <= 0) {
                return;
            }
            var tempo = design.song().clock().tempo();
            double from = tempo.bpmAt(t.fromBeat());
            double to = tempo.bpmAt(design.song().clock().beatAt(course.endSeconds()));
            if (Math.abs(to - from) > TEMPO_PERCENT / 100 * from) {
                add(
                        Kind.TEMPO,
                        "The tempo goes from "
                                + number(from)
                                + " to "
                                + number(to)
                                + " bpm while it sounds; its repeats keep theirs.");
            }
        }

        private static String span(Span s) {
            return number(s.startSeconds()) + " to " + s(s.endSeconds());
        }

        private static String s(double seconds) {
            return number(seconds) + " s";
        }

        private static String number(double value) {
            return Wording.format("%.2f", value);
        }
    }
}
