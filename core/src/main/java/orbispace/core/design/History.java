package orbispace.core.design;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Immutable designs in order, each with the words of the step that made it, and a place among them.
 * Steps of one gesture become one.
 */
public final class History {
    private static final int MOST_STEPS = 500;

    private record Step(Design design, String label, @Nullable Object gesture) {}

    private final List<Step> steps = new ArrayList<>();
    private int at;

    /** A history that begins with a design. */
    public History(Design first) {
        steps.add(new Step(first, "open", null));
    }

    /** The design that stands now. */
    public Design current() {
        return steps.get(at).design();
    }

    /**
     * Adds a step and forgets what was undone.
     *
     * @param design what the step made
     * @param label its words
     * @param gesture steps in a row with the same gesture become one; null for a step of its own
     */
    public void push(Design design, String label, @Nullable Object gesture) {
        if (design.equals(current())) {
            return;
        }
        boolean sameGesture = gesture != null && at > 0 && gesture.equals(steps.get(at).gesture());
        steps.subList(sameGesture ? at : at + 1, steps.size()).clear();
        steps.add(new Step(design, label, gesture));
        if (steps.size() > MOST_STEPS) {
            steps.removeFirst();
        }
        at = steps.size() - 1;
    }

    /** What undo would take back; empty at the beginning. */
    public Optional<String> undoLabel() {
        return at == 0 ? Optional.empty() : Optional.of(steps.get(at).label());
    }

    /** What redo would bring back; empty at the end. */
    public Optional<String> redoLabel() {
        return at + 1 == steps.size() ? Optional.empty() : Optional.of(steps.get(at + 1).label());
    }

    /** Steps back, if there is anything to take back. */
    public void undo() {
        at = Math.max(0, at - 1);
    }

    /** Steps forward, if there is anything to bring back. */
    public void redo() {
        at = Math.min(steps.size() - 1, at + 1);
    }
}
