package orbispace.app.listen;

import orbispace.core.render.ClickTrack;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.SongClock;
import org.jspecify.annotations.Nullable;

/** The click on a song's beats, made anew when its tempo or its length changes. */
final class BeatClick {
    private @Nullable ClickTrack click;
    private @Nullable SongClock clicked;
    private @Nullable SongMaterial over;

    /** The click of a tempo over a song's material. */
    ClickTrack of(SongClock clock, SongMaterial material) {
        ClickTrack known = click;
        if (known == null || !clock.equals(clicked) || !material.equals(over)) {
            double rate = material.sampleRateHz();
            known = ClickTrack.of(clock, material.frames() / rate, rate);
            click = known;
            clicked = clock;
            over = material;
        }
        return known;
    }
}
