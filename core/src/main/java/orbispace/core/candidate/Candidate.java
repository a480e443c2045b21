package orbispace.core.candidate;

import orbispace.core.design.Return;
import orbispace.core.words.Wording;

/**
 * What a return might be.
 *
 * @param name what it is called on the bench
 * @param ret the return as it would be, at the level at which it has its share
 * @param share of all loudness that it has in the stretch that is heard, 0 to 1
 * @param reached whether that is the share that all are to have
 */
public record Candidate(String name, Return ret, double share, boolean reached) {
    /** Something to try, at any level. */
    public record Tried(String name, Return ret) {}

    /** Its level and what that comes to, in words. */
    public String words() {
        return Wording.db(ret.levelDb())
                + Wording.format(
                        ", %.1f %% of all loudness%s",
                        100 * share, reached ? "" : ": no level makes it as loud as asked");
    }
}
