package orbispace.core.design;

/**
 * A named span of bars.
 *
 * @param name what people call it
 * @param firstBar from 1
 * @param bars how many, at least 1
 * @param kind what it is in the form
 * @param plan how the field differs in it
 * @param lead id of the source that stands in front in it; empty if nobody said who
 */
public record Section(
        String name, int firstBar, int bars, SectionKind kind, SectionPlan plan, String lead) {
    /** The last bar that a song may have, which at 120 bpm comes after more than five hours. */
    public static final int MOST_BARS = 10_000;

    /** Longer than any song. */
    static final double FOREVER_SECONDS = 1e6;

    /** Checks the ranges. */
    public Section {
        Ranges.require("first bar", firstBar, 1, MOST_BARS);
        Ranges.require("bars", bars, 1, MOST_BARS);
    }

    /** A section of which nobody said who leads. */
    public Section(String name, int firstBar, int bars, SectionKind kind, SectionPlan plan) {
        this(name, firstBar, bars, kind, plan, "");
    }

    /** A section in which the field is as it is otherwise. */
    public Section(String name, int firstBar, int bars, SectionKind kind) {
        this(name, firstBar, bars, kind, SectionPlan.NONE);
    }

    /** A section whose kind is guessed from its name. */
    public Section(String name, int firstBar, int bars) {
        this(name, firstBar, bars, SectionKind.guess(name));
    }

    /** The same with another stretch of bars. */
    public Section over(int otherFirstBar, int otherEndBar) {
        return new Section(name, otherFirstBar, otherEndBar - otherFirstBar, kind, plan, lead);
    }

    /** The same under another name and of another kind. */
    public Section named(String other, SectionKind otherKind) {
        return new Section(other, firstBar, bars, otherKind, plan, lead);
    }

    /** The same with another plan. */
    public Section withPlan(SectionPlan other) {
        return new Section(name, firstBar, bars, kind, other, lead);
    }

    /** The same with another source in front; empty for whoever leads the song. */
    public Section ledBy(String other) {
        return new Section(name, firstBar, bars, kind, plan, other);
    }

    /** The first bar that is not in it. */
    public int endBar() {
        return firstBar + bars;
    }
}
