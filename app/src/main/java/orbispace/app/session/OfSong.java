package orbispace.app.session;

import orbispace.core.design.Design;

/** What begins anew with every song that is opened: nothing of the one before stays in it. */
public interface OfSong {
    /** Another song is open. */
    void begin(Design given);
}
