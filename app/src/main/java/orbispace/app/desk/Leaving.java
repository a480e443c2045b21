package orbispace.app.desk;

import orbispace.app.session.Bringing;
import orbispace.app.session.Editor;
import orbispace.app.session.KeptProject;
import orbispace.app.session.LogKeeping;
import orbispace.core.design.Design;
import org.jspecify.annotations.Nullable;

/** Leaving a song: its log is whole, and a state that nobody misses goes. */
final class Leaving {
    private final Editor editor;
    private final LogKeeping log;
    private final KeptProject kept;
    private final Bringing bringing;
    private @Nullable Design givenUp;

    Leaving(Editor editor, LogKeeping log, KeptProject kept, Bringing bringing) {
        this.editor = editor;
        this.log = log;
        this.kept = kept;
        this.bringing = bringing;
    }

    /** Nobody will miss the changes that were made so far; those that are made from now on, yes. */
    void giveUp() {
        givenUp = editor.now();
    }

    /** The open song is left. */
    void leave() {
        log.log();
        boolean missed = editor.dirty().get() && !editor.now().equals(givenUp);
        if (!missed && bringing.recovered().get() == null) {
            kept.dropState();
        }
        givenUp = null;
    }
}
