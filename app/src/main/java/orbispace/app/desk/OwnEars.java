package orbispace.app.desk;

import java.time.Clock;
import java.util.Optional;
import orbispace.app.session.OfSong;
import orbispace.core.design.Design;

/**
 * What an engineer learns of their own ears: lessons, beliefs on trial, and what is kept of both.
 */
public final class OwnEars implements OfSong {
    private final EarKeeping keeping;
    private final Lessons lessons;
    private final Beliefs beliefs;

    /**
     * The ears of who works on a song. One thing is heard blind at a time: what begins ends the
     * others.
     */
    OwnEars(OpenSong song, Proving proving, Clock clock) {
        keeping = new EarKeeping(song.editor(), song.jobs());
        lessons = new Lessons(song, keeping, clock);
        beliefs = new Beliefs(song, clock);
        lessons.state()
                .addListener((o, was, is) -> {
                    if (lessons.runs()) {
                        beliefs.end();
                        proving.endTrial();
                    }
                });
        beliefs.state()
                .addListener((o, was, is) -> {
                    if (beliefs.runs()) {
                        lessons.end();
                        proving.endTrial();
                    }
                });
        proving.trial()
                .addListener((o, was, is) -> {
                    if (is != null && !is.finished()) {
                        lessons.end();
                        beliefs.end();
                    }
                });
    }

    /** Who listens, and what their lessons found. */
    public EarKeeping keeping() {
        return keeping;
    }

    /** Lessons. */
    public Lessons lessons() {
        return lessons;
    }

    /** Beliefs on trial. */
    public Beliefs beliefs() {
        return beliefs;
    }

    /** What is heard of a lesson or a trial; empty if neither runs. */
    Optional<BlindSound> heard() {
        return lessons.heard().or(beliefs::heard);
    }

    @Override
    public void begin(Design given) {
        lessons.begin(given);
        beliefs.begin(given);
    }

    void changed() {
        lessons.changed();
        beliefs.changed();
    }
}
