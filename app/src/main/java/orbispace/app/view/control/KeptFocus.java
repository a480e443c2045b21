package orbispace.app.view.control;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.TraversalDirection;

/** Keeps the focus where it was while the rows of a list are made anew. */
public final class KeptFocus {
    private KeptFocus() {}

    /**
     * Makes rows anew; if one of them had the focus, the nearest that is called the same has it
     * after, or else the one in its place.
     */
    public static void through(Parent list, Runnable remake) {
        Node owner = list.getScene() == null ? null : list.getScene().getFocusOwner();
        int at = focusable(list).indexOf(owner);
        if (owner == null || at < 0) {
            remake.run();
            return;
        }
        boolean reached = owner.isFocusVisible();
        String name = owner.getAccessibleText();
        remake.run();
        List<Node> now = focusable(list);
        if (now.isEmpty()) {
            return;
        }
        Node next =
                now.get(
                        IntStream.range(0, now.size())
                                .filter(i ->
                                        name != null
                                                && Objects.equals(
                                                        name, now.get(i).getAccessibleText()))
                                .boxed()
                                .min(Comparator.comparingInt(i -> Math.abs(i - at)))
                                .orElse(Math.min(at, now.size() - 1)));
        if (reached) {
            reach(next);
        } else {
            next.requestFocus();
        }
    }

    /** Gives a node the focus as the keyboard does: space presses it, whatever was clicked last. */
    public static void reach(Node node) {
        node.requestFocus();
        if (node.requestFocusTraversal(TraversalDirection.NEXT)) {
            node.getScene().getFocusOwner().requestFocusTraversal(TraversalDirection.PREVIOUS);
        }
        if (!node.isFocused()) {
            node.requestFocus();
        }
    }

    private static List<Node> focusable(Parent in) {
        List<Node> found = new ArrayList<>();
        for (Node n : in.getChildrenUnmodifiable()) {
            if (n.isFocusTraversable()) {
                found.add(n);
            } else if (n instanceof Parent p) {
                found.addAll(focusable(p));
            }
        }
        return found;
    }
}
