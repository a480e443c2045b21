package orbispace.app.view.control;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.Parent;

/** Keeps the focus where it was while the rows of a list are made anew. */
public final class KeptFocus {
    private KeptFocus() {}

    /** Makes rows anew; if one of them had the focus, the one in its place has it after. */
    public static void through(Parent list, Runnable remake) {
        Node owner = list.getScene() == null ? null : list.getScene().getFocusOwner();
        int at = focusable(list).indexOf(owner);
        remake.run();
        if (at >= 0) {
            List<Node> now = focusable(list);
            if (!now.isEmpty()) {
                now.get(Math.min(at, now.size() - 1)).requestFocus();
            }
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
