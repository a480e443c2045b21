package orbispace.core.design;

/**
 * Sources that are mixed, judged, keyed and thrown as one. What a group says is a part of what its
 * sources have: their faders and pans are those that are heard, the group's are what of them is its
 * own and moves them together.
 *
 * @param name by which its sources name it
 * @param within name of the group that holds it; empty for none
 * @param faderDb -90 to 24
 * @param lean how far its sources lean to one side: -0.95 to 0.95 of the way that each has to go
 */
public record Group(String name, String within, double faderDb, double lean) {
    /** The farthest that a group leans; at the very side its sources could not come back. */
    public static final double MOST_LEAN = 0.95;

    /** Checks the ranges. */
    public Group {
        if (name.isBlank()) {
            throw new IllegalArgumentException("a group has no name");
        }
        if (name.equals(within)) {
            throw new IllegalArgumentException("group \"" + name + "\" would hold itself");
        }
        Ranges.require("fader of group " + name, faderDb, -90, 24);
        Ranges.require("lean of group " + name, lean, -MOST_LEAN, MOST_LEAN);
    }

    /** A group that has nothing of its own. */
    public static Group plain(String name) {
        return new Group(name, "", 0, 0);
    }

    /** Whether it says no more than that its sources belong together. */
    public boolean isPlain() {
        return within.isEmpty() && faderDb == 0 && lean == 0;
    }

    /** Where a source at a pan stands once the group leans. */
    public double leaning(double pan) {
        return lean >= 0 ? pan + lean * (1 - pan) : pan - lean * (-1 - pan);
    }

    /** Where a source that stands at a pan would stand if the group did not lean. */
    public double upright(double pan) {
        double own = lean >= 0 ? (pan - lean) / (1 - lean) : (pan - lean) / (1 + lean);
        return Math.clamp(own, -1, 1);
    }

    /** The same with another name. */
    public Group called(String other) {
        return new Group(other, within, faderDb, lean);
    }

    /** The same in another group, or in none. */
    public Group in(String other) {
        return new Group(name, other, faderDb, lean);
    }

    /** The same with another fader. */
    public Group withFader(double other) {
        return new Group(name, within, other, lean);
    }

    /** The same leaning otherwise. */
    public Group withLean(double other) {
        return new Group(name, within, faderDb, other);
    }
}
