package orbispace.app.session;

import java.time.Clock;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.core.prove.Exposure;

/** Counts how long and, once a meter was read, how loud was listened. */
public final class Ears {
    private static final double COUNT_SECONDS = 5;
    private static final double QUIET_LUFS = -70;

    private final Measurements measured;
    private final Clock clock;
    private final ObjectProperty<Exposure> exposure = new SimpleObjectProperty<>(Exposure.NONE);
    private final BooleanProperty told = new SimpleBooleanProperty(true);
    private long counted = -1;
    private long stopped = -1;

    Ears(Transport transport, Measurements measured, Clock clock) {
        this.measured = measured;
        this.clock = clock;
        transport.playing().addListener((o, was, is) -> turned(is));
        transport.position().addListener((o, was, is) -> moved());
    }

    /** What was listened to since the program was started. */
    public ReadOnlyObjectProperty<Exposure> exposure() {
        return exposure;
    }

    /** Whether it is told; a setting of its own. */
    public BooleanProperty told() {
        return told;
    }

    /** Loudness of what is heard. */
    public double lufs() {
        MixMeasure mix = measured.mix().get();
        return mix == null ? QUIET_LUFS : mix.after().integratedLufs().orElse(QUIET_LUFS);
    }

    private void turned(boolean playing) {
        if (playing) {
            boolean rest =
                    stopped >= 0 && (clock.millis() - stopped) / 1000.0 >= Exposure.REST_SECONDS;
            if (rest) {
                exposure.set(exposure.get().rested());
            }
            counted = clock.millis();
        } else {
            count();
            counted = -1;
            stopped = clock.millis();
        }
    }

    private void moved() {
        if (counted >= 0 && (clock.millis() - counted) / 1000.0 >= COUNT_SECONDS) {
            count();
        }
    }

    private void count() {
        if (counted >= 0) {
            exposure.set(exposure.get().heard((clock.millis() - counted) / 1000.0, lufs()));
        }
        counted = clock.millis();
    }

    /**
     * A sound-level meter was read while the mix plays.
     *
     * @throws IllegalArgumentException if it reads what no meter would
     */
    public void read(double db) {
        exposure.set(exposure.get().calibrated(db, lufs()));
    }

    /** A rest was taken. */
    public void rested() {
        exposure.set(exposure.get().rested());
    }
}
