package orbispace.app.view.control;

import javafx.scene.Node;

/** Brings a node up to date while it is in the window; what changes meanwhile is made up then. */
public final class WhenSeen {
    private final Node node;
    private final Runnable refresh;
    private boolean stale;

    /** A node and how it is brought up to date. */
    public WhenSeen(Node node, Runnable refresh) {
        this.node = node;
        this.refresh = refresh;
        node.sceneProperty()
                .addListener((o, was, is) -> {
                    if (is != null && stale) {
                        stale = false;
                        refresh.run();
                    }
                });
    }

    /** Something has changed. */
    public void run() {
        stale = node.getScene() == null;
        if (!stale) {
            refresh.run();
        }
    }
}
