package orbispace.core;

import orbispace.core.audio.Audio;
import orbispace.core.audio.Samples;

/** Sound that counts how often it is read from where it lies. */
public final class Elsewhere implements Samples {
    private final Audio audio;
    public int readings;
    public long frames;

    public Elsewhere(Audio audio) {
        this.audio = audio;
    }

    /** The same sound, stored. */
    public static Audio stored(Audio audio) {
        return Audio.stored(audio.sampleRateHz(), new Elsewhere(audio));
    }

    @Override
    public int channels() {
        return audio.channelCount();
    }

    @Override
    public int frames() {
        return audio.frames();
    }

    @Override
    public void read(int from, int count, float[] left, float[] right, int at) {
        readings++;
        frames += count;
        System.arraycopy(audio.channel(0), from, left, at, count);
        if (channels() == 2) {
            System.arraycopy(audio.channel(1), from, right, at, count);
        }
    }
}
