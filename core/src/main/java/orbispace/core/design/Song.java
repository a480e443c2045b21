package orbispace.core.design;

import java.util.List;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;

/**
 * What everything refers to.
 *
 * @param title what people call it
 * @param sampleRateHz the rate of all its audio
 * @param clock tempo and metre
 * @param sections in order, not overlapping
 */
public record Song(String title, double sampleRateHz, SongClock clock, List<Section> sections) {
    /** Checks rate and order. */
    public Song {
        Ranges.require("sample rate", sampleRateHz, 8000, 192000);
        sections = List.copyOf(sections);
        for (int i = 1; i < sections.size(); i++) {
            if (sections.get(i).firstBar() < sections.get(i - 1).endBar()) {
                throw new IllegalArgumentException(
                        "section \""
                                + sections.get(i).name()
                                + "\" starts before the one before it ends");
            }
        }
    }

    /** The same under another title. */
    public Song withTitle(String other) {
        return new Song(other, sampleRateHz, clock, sections);
    }

    /** The same at another time. */
    public Song withClock(SongClock other) {
        return new Song(title, sampleRateHz, other, sections);
    }

    /** The same in another form. */
    public Song withSections(List<Section> other) {
        return new Song(title, sampleRateHz, clock, other);
    }

    /** The time that a section takes. */
    public Span span(Section section) {
        return new Span(
                clock.secondsOfBar(section.firstBar()), clock.secondsOfBar(section.endBar()));
    }
}
