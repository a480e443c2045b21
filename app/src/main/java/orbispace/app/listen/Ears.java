package orbispace.app.listen;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.MixMeasure;
import orbispace.core.prove.compare.Exposure;
import org.jspecify.annotations.Nullable;

/**
 * Counts how long and, once a meter was read, how loud was listened today, and what was judged with
 * tired ears.
 */
public final class Ears {
    private static final double COUNT_SECONDS = 5;
    private static final double QUIET_LUFS = -70;
    private static final String TODAY = "ears-today";
    private static final String TOLD = "ears-told";

    private final ReadOnlyObjectProperty<@Nullable MixMeasure> mix;
    private final Clock clock;
    private final ObjectProperty<Exposure> exposure = new SimpleObjectProperty<>(Exposure.NONE);
    private final BooleanProperty told = new SimpleBooleanProperty(true);
    private final ObservableList<String> late = FXCollections.observableArrayList();
    private final RecentProjects kept;
    private long counted = -1;
    private long stopped = -1;

    /**
     * What was listened to.
     *
     * @param mix the mix as it was measured last
     * @param kept where it is kept from day to day
     */
    public Ears(
            Transport transport,
            ReadOnlyObjectProperty<@Nullable MixMeasure> mix,
            RecentProjects kept,
            Clock clock) {
        this.mix = mix;
        this.clock = clock;
        this.kept = kept;
        told.set(!kept.recall(TOLD).equals("no"));
        told.addListener((o, was, is) -> kept.remember(TOLD, is ? "yes" : "no"));
        recall();
        transport.playing().addListener((o, was, is) -> turned(is));
        transport.position().addListener((o, was, is) -> moved());
    }

    /** What was listened to today, as far as it was with this program. */
    public ReadOnlyObjectProperty<Exposure> exposure() {
        return exposure;
    }

    /** Whether it is told; a setting of its own. */
    public BooleanProperty told() {
        return told;
    }

    /** What was judged although a rest was due, to be judged again rested. */
    public ObservableList<String> late() {
        return late;
    }

    /**
     * Something was judged by ear.
     *
     * @return a remark if that was late in a long session
     */
    public Optional<String> judged(String what) {
        if (!exposure.get().restDue()) {
            return Optional.empty();
        }
        late.remove(what);
        late.add(what);
        int minutes = (int) (exposure.get().sinceRestSeconds() / 60);
        return Optional.of("judged after " + minutes + " min without a rest");
    }

    /** It was judged again, or need not be. */
    public void judgedAgain() {
        late.clear();
    }

    /** Loudness of what is heard. */
    public double lufs() {
        MixMeasure known = mix.get();
        return known == null ? QUIET_LUFS : known.after().integratedLufs().orElse(QUIET_LUFS);
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
        remember();
    }

    private LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault());
    }

    private void remember() {
        Exposure e = exposure.get();
        kept.remember(
                TODAY,
                String.join(
                        " ",
                        today().toString(),
                        String.valueOf(clock.millis()),
                        String.valueOf(e.seconds()),
                        String.valueOf(e.sinceRestSeconds()),
                        String.valueOf(e.dose()),
                        e.offsetDb().isPresent()
                                ? String.valueOf(e.offsetDb().getAsDouble())
                                : ""));
    }

    /** Takes up what was counted today before the program was started anew. */
    private void recall() {
        String[] words = kept.recall(TODAY).split(" ", -1);
        if (words.length != 6 || !words[0].equals(today().toString())) {
            return;
        }
        try {
            double away = (clock.millis() - Long.parseLong(words[1])) / 1000.0;
            double sinceRest = away >= Exposure.REST_SECONDS ? 0 : Double.parseDouble(words[3]);
            OptionalDouble offset =
                    words[5].isEmpty()
                            ? OptionalDouble.empty()
                            : OptionalDouble.of(Double.parseDouble(words[5]));
            exposure.set(
                    new Exposure(
                            Double.parseDouble(words[2]),
                            sinceRest,
                            Double.parseDouble(words[4]),
                            offset));
        } catch (NumberFormatException e) {
            exposure.set(Exposure.NONE);
        }
    }

    /**
     * A sound-level meter was read while the mix plays.
     *
     * @throws IllegalArgumentException if it reads what no meter would
     */
    public void read(double db) {
        exposure.set(exposure.get().calibrated(db, lufs()));
        remember();
    }

    /** A rest was taken. */
    public void rested() {
        exposure.set(exposure.get().rested());
        remember();
    }
}
