package orbispace.app.listen;

import java.util.Map;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.render.HeardBand;
import orbispace.core.render.HeardThrough;
import orbispace.core.render.Listen;
import orbispace.core.render.ListeningSet;
import orbispace.core.render.LiveSettings;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** Listening: play, loop, solo, mono, and before or after at matched loudness. */
public final class Transport {
    /** How far everything else is turned down at first while a source is soloed. */
    public static final double USUAL_DIM_DB = -18;

    private final ObjectProperty<@Nullable Span> loop = new SimpleObjectProperty<>();
    private final BooleanProperty playing = new SimpleBooleanProperty(false);
    private final BooleanProperty looping = new SimpleBooleanProperty(false);
    private final ObjectProperty<@Nullable Boolean> blind = new SimpleObjectProperty<>();
    private final BooleanProperty hearingBefore = new SimpleBooleanProperty(false);
    private final BooleanProperty clicking = new SimpleBooleanProperty(false);
    private final BooleanProperty mono = new SimpleBooleanProperty(false);
    private final BooleanProperty wetOnly = new SimpleBooleanProperty(false);
    private final BooleanProperty returnAlone = new SimpleBooleanProperty(false);
    private final DoubleProperty dimDb = new SimpleDoubleProperty(USUAL_DIM_DB);
    private final DoubleProperty position = new SimpleDoubleProperty(0);
    private final StringProperty outputName = new SimpleStringProperty("");
    private final ObjectProperty<ListeningSet> set = new SimpleObjectProperty<>(ListeningSet.ALL);
    private final ObjectProperty<Listen.SoloWet> soloWet =
            new SimpleObjectProperty<>(Listen.SoloWet.OWN);
    private final ObjectProperty<OutputChoice> output =
            new SimpleObjectProperty<>(OutputChoice.USUAL);
    private final ObjectProperty<HeardThrough> through =
            new SimpleObjectProperty<>(HeardThrough.HEADPHONES);
    private final ObjectProperty<HeardBand> band = new SimpleObjectProperty<>(HeardBand.ALL);
    private final BooleanProperty dryAlone = new SimpleBooleanProperty(false);
    private @Nullable Player player;
    private @Nullable SongMaterial material;
    private boolean hears;
    private final BeatClick click = new BeatClick();

    /** Plays nothing yet. */
    public Transport() {
        through.addListener((o, was, is) -> hearThrough());
        band.addListener((o, was, is) -> hearThrough());
        output.addListener((o, was, is) -> {
            Player to = player;
            if (to != null) {
                to.playTo(is);
            }
        });
    }

    private void hearThrough() {
        Player to = player;
        if (to != null) {
            to.hearThrough(through.get(), band.get());
        }
    }

    /** Repeats a stretch of its own, such as a phrase, until the section or the loop is changed. */
    public void loopOver(Span stretch) {
        looping.set(true);
        setLoop(stretch);
    }

    /** Whether it plays. */
    public BooleanProperty playing() {
        return playing;
    }

    /** Whether the chosen section repeats. */
    public BooleanProperty looping() {
        return looping;
    }

    /** What a blind trial lets be heard, the field before or now; null while none runs. */
    public ObjectProperty<@Nullable Boolean> blind() {
        return blind;
    }

    /** Whether the field before is heard. */
    public BooleanProperty hearingBefore() {
        return hearingBefore;
    }

    /** Whether both sides are folded to one. */
    public BooleanProperty mono() {
        return mono;
    }

    /** Whether only the returns are heard, and no dry sound. */
    public BooleanProperty wetOnly() {
        return wetOnly;
    }

    /** Whether a soloed return is heard without the dry sources. */
    public BooleanProperty returnAlone() {
        return returnAlone;
    }

    /** How far the rest is turned down while something is soloed, dB. */
    public DoubleProperty dimDb() {
        return dimDb;
    }

    /** Whether a click is heard on every beat. */
    public BooleanProperty clicking() {
        return clicking;
    }

    /** Where the song is, in seconds. */
    public ReadOnlyDoubleProperty position() {
        return position;
    }

    /** Where the sound goes, in words; empty before a song is open. */
    public StringProperty outputName() {
        return outputName;
    }

    /** Who is soloed and muted. */
    public ObjectProperty<ListeningSet> set() {
        return set;
    }

    /** What is heard of the returns while a source is soloed. */
    public ObjectProperty<Listen.SoloWet> soloWet() {
        return soloWet;
    }

    /** What sound goes to. */
    public ObjectProperty<OutputChoice> output() {
        return output;
    }

    /** Where it is heard. */
    public ObjectProperty<HeardThrough> through() {
        return through;
    }

    /** The part of the spectrum that is heard. */
    public ObjectProperty<HeardBand> band() {
        return band;
    }

    /** Whether all returns are out. */
    public BooleanProperty dryAlone() {
        return dryAlone;
    }

    /** Opens an output for a song's material. */
    public void begin(SongMaterial given) {
        close();
        material = given;
        hears = false;
        playing.set(false);
        player = new Player(given.sampleRateHz(), output.get());
        hearThrough();
        outputName.set(player.outputName());
        position.set(0);
        set.set(ListeningSet.ALL);
        dryAlone.set(false);
    }

    /** Goes on with other material of the same rate, from the same place. */
    public void renew(SongMaterial given) {
        material = given;
    }

    /** Makes a design heard within a block, gliding. */
    public void hear(Design design, double outputGainDb) {
        hear(design, Map.of(), outputGainDb);
    }

    /**
     * Makes a design heard within a block, gliding.
     *
     * @param parts factors on sources and what they send, by id; missing ones are 1
     */
    public void hear(Design design, Map<String, Double> parts, double outputGainDb) {
        Player to = player;
        SongMaterial from = material;
        if (to == null || from == null) {
            return;
        }
        LiveSettings.Hearing hearing =
                new Listen(set.get(), wetOnly.get(), returnAlone.get(), soloWet.get(), dimDb.get())
                        .hearing(
                                design,
                                parts,
                                mono.get(),
                                Decibels.toAmplitude(outputGainDb),
                                clicking.get() ? click.of(design.song().clock(), from) : null);
        play(to, before -> LiveSettings.of(design, from, hearing, before));
    }

    /** Makes a finished track heard instead of the song, on the song's own time. */
    public void hearTrack(Design around, SongMaterial track, double outputGainDb) {
        Player to = player;
        if (to == null) {
            return;
        }
        LiveSettings.Hearing plain =
                new LiveSettings.Hearing(
                        Map.of(), Map.of(), mono.get(), Decibels.toAmplitude(outputGainDb), null);
        play(to, before -> LiveSettings.of(around, track, plain));
    }

    private void play(Player to, Player.Tuning tuning) {
        to.tune(tuning, material == null ? 0 : material.frames());
        hears = true;
    }

    /** Starts or stops. */
    public void togglePlaying() {
        Player to = player;
        if (to != null && hears) {
            playing.set(!playing.get());
            to.setPlaying(playing.get());
        }
    }

    /** Goes to a time. */
    public void seek(double seconds) {
        Player to = player;
        if (to != null) {
            to.seek(Math.max(0, seconds));
            position.set(Math.max(0, seconds));
        }
    }

    /** Takes back every solo and mute. */
    public void hearAll() {
        set.set(ListeningSet.ALL);
        wetOnly.set(false);
        dryAlone.set(false);
    }

    /** The stretch that is repeated; null for none. */
    public ReadOnlyObjectProperty<@Nullable Span> loop() {
        return loop;
    }

    public void setLoop(@Nullable Span span) {
        loop.set(span);
        Player to = player;
        if (to != null) {
            to.setLoop(span);
        }
    }

    /** Takes over where the player is; call once per picture on the interface thread. */
    public void refresh() {
        Player from = player;
        if (from != null) {
            position.set(from.positionSeconds());
            int late = from.lateBlocks();
            outputName.set(
                    late == 0 ? from.outputName() : from.outputName() + ", " + late + " late");
            if (playing.get() && !from.playing()) {
                playing.set(false);
            }
        }
    }

    /** Stops and lets the sound card go. */
    public void close() {
        Player old = player;
        if (old != null) {
            old.close();
        }
        player = null;
    }
}
