package orbispace.core.render;

import java.util.List;

/**
 * What a stage does over the song: the same throughout, or something else from some frames on.
 *
 * @param steps in order; the first holds from the beginning
 */
public record Timeline(List<Step> steps) {
    /**
     * Settings from a frame on.
     *
     * @param frame of the song
     * @param settings of one kind of stage
     */
    public record Step(int frame, StageSettings settings) {}

    /** Keeps its own list. */
    public Timeline {
        steps = List.copyOf(steps);
        if (steps.isEmpty()) {
            throw new IllegalArgumentException("a timeline without a step");
        }
    }

    /** The same settings throughout. */
    public static Timeline of(StageSettings settings) {
        return new Timeline(List.of(new Step(0, settings)));
    }

    /** What holds at the beginning. */
    public StageSettings first() {
        return steps.getFirst().settings();
    }

    /** Whether nothing changes in the course of the song. */
    public boolean steady() {
        return steps.size() == 1;
    }

    /** True if the stage leaves every sound as it is, always. */
    public boolean passesAll() {
        return steps.stream().allMatch(s -> s.settings().passesAll());
    }

    /** How late the sound comes out, the same throughout. */
    public int latencyFrames() {
        return first().latencyFrames();
    }

    /** Index of the step that holds at a frame. */
    int indexAt(int frame) {
        int index = 0;
        while (index + 1 < steps.size() && steps.get(index + 1).frame() <= frame) {
            index++;
        }
        return index;
    }

    /** The first frame after this one at which something changes. */
    int nextChange(int frame) {
        int next = indexAt(frame) + 1;
        return next < steps.size() ? steps.get(next).frame() : Integer.MAX_VALUE;
    }
}
