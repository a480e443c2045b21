package orbispace.app.session;

import orbispace.core.design.Design;

/** A job or a pause that is not finished. */
final class Running {
    final String words;
    final boolean ofSong;
    final Design design;
    volatile boolean cancelled;
    double share;

    Running(String words, boolean ofSong, Design design) {
        this.words = words;
        this.ofSong = ofSong;
        this.design = design;
    }
}
