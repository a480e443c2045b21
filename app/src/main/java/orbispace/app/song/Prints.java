package orbispace.app.song;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.render.ChainWorks;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Rendering;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import orbispace.files.sound.SoundShelf;
import orbispace.files.sound.WavWriter;

/**
 * Prints returns and the mix to files, aligned to the sources, with the tails that outlast them,
 * until they are 100 dB down and fade to exact zero.
 */
public final class Prints {
    /** Longer than the longest tail of a reverb; only an echo that hardly falls rings on. */
    private static final double LONGEST_TAIL_SECONDS = 70;

    private static final double FADE_SECONDS = 0.05;

    private Prints() {}

    /**
     * What to print.
     *
     * @param folder where to
     * @param depth how samples are written
     * @param returnId only this return, or all and the mix
     * @param span only this stretch, or the whole song with its tail
     * @param bySection whether each section is printed as well, into folders of their own
     */
    public record Order(
            Path folder,
            WavWriter.Depth depth,
            Optional<String> returnId,
            Optional<Span> span,
            boolean bySection) {
        private Order cut(Path to, Span part) {
            return new Order(to, depth, returnId, Optional.of(part), false);
        }
    }

    /**
     * What was printed.
     *
     * @param files the files in order
     * @param seconds time taken to render, without writing
     * @param timesRealtime length of the sound over that time
     * @param clipped peaks in dBFS of the files that are cut off at full scale, by file
     */
    public record Result(
            List<Path> files, double seconds, double timesRealtime, Map<Path, Double> clipped) {
        /** Keeps its own collections. */
        public Result {
            files = List.copyOf(files);
            clipped = Collections.unmodifiableMap(new LinkedHashMap<>(clipped));
        }

        /** What is to be said of files that are cut off, and the way on; empty for nothing. */
        public String warning() {
            return Prints.warning(clipped);
        }
    }

    /** What is to be said of files that are cut off at full scale; empty for none. */
    static String warning(Map<Path, Double> clipped) {
        if (clipped.isEmpty()) {
            return "";
        }
        Map.Entry<Path, Double> first = clipped.entrySet().iterator().next();
        return first.getKey().getFileName()
                + " peaks at "
                + Wording.signed(first.getValue())
                + " dBFS"
                + (clipped.size() == 1 ? "" : ", and " + (clipped.size() - 1) + " more go over")
                + ": cut off at full scale; print 32-bit floats, which keep it, or lower the level";
    }

    /**
     * Renders and writes.
     *
     * @throws FileProblem in one line, if a file cannot be written
     */
    public static Result print(Design design, SongMaterial material, Order order, Job job)
            throws FileProblem {
        makeFolder(order.folder());
        double rate = material.sampleRateHz();
        double tail =
                design.returns().stream()
                        .mapToDouble(r ->
                                new ChainWorks(design, material.responses()).of(r).ringSeconds())
                        .max()
                        .orElse(0);
        int frames = material.frames() + (int) (Math.min(LONGEST_TAIL_SECONDS, tail) * rate);
        Renderer renderer =
                new Renderer(
                        material, frames, StageCache.beside(material.bytes(), SoundShelf::lay));
        long started = System.nanoTime();
        List<Print> prints = new ArrayList<>();
        if (order.returnId().isPresent()) {
            Return one = design.requireReturn(order.returnId().get());
            prints.add(Print.of(one, renderer.wet(design, one, job)));
        } else {
            Rendering rendering = renderer.render(design, job);
            rendering.wets().forEach((id, a) -> prints.add(Print.of(design.requireReturn(id), a)));
            prints.add(new Print("mix.wav", "mix", rendering.mix()));
        }
        double seconds = (System.nanoTime() - started) / 1e9;
        Map<Path, Double> peaks = write(prints, orders(design, order), material.frames(), job);
        Map<Path, Double> clipped = new LinkedHashMap<>(peaks);
        clipped.values().removeIf(peak -> peak <= 1 || order.depth() == WavWriter.Depth.FLOAT_32);
        clipped.replaceAll((file, peak) -> Decibels.ofAmplitude(peak));
        return new Result(List.copyOf(peaks.keySet()), seconds, frames / rate / seconds, clipped);
    }

    /** A sound to be written. */
    private record Print(String file, String what, Audio audio) {
        static Print of(Return r, Audio audio) {
            return new Print(fileName(r), "return " + r.id() + ", " + r.name(), audio);
        }
    }

    /** An order, and one for each section if these are wanted as well. */
    private static List<Order> orders(Design design, Order order) throws FileProblem {
        List<Order> orders = new ArrayList<>(List.of(order));
        if (order.bySection()) {
            int number = 0;
            for (Section s : design.song().sections()) {
                number++;
                String name = Wording.format("%02d-%s", number, plainName(s.name()));
                Path folder = order.folder().resolve("sections").resolve(name);
                makeFolder(folder);
                orders.add(order.cut(folder, design.song().span(s)));
            }
        }
        return orders;
    }

    /** The same with its end faded to zero, as far as that lies behind the stems. */
    private static Audio ended(Audio audio, int stemFrames) {
        int most = (int) Math.round(FADE_SECONDS * audio.sampleRateHz());
        int fade = Math.clamp(audio.frames() - (long) stemFrames, 0, most);
        float[][] out = new float[audio.channelCount()][];
        for (int c = 0; c < out.length; c++) {
            out[c] = audio.channel(c).clone();
            for (int i = 1; i <= fade; i++) {
                out[c][out[c].length - i] *= (i - 1f) / fade;
            }
        }
        return Audio.of(audio.sampleRateHz(), out);
    }

    /** Writes one sound after the other; peaks by file, in the order of the orders. */
    private static Map<Path, Double> write(
            List<Print> prints, List<Order> orders, int stemFrames, Job job) throws FileProblem {
        Map<Path, Double> peaks = new LinkedHashMap<>();
        for (Order order : orders) {
            prints.forEach(p -> peaks.put(order.folder().resolve(p.file()), 0.0));
        }
        for (Print print : prints) {
            Audio sound = ended(print.audio(), stemFrames);
            for (Order order : orders) {
                job.check();
                Path file = order.folder().resolve(print.file());
                peaks.put(file, write(file, sound, order, print.what()));
            }
        }
        return peaks;
    }

    /** Writes a part of a sound; answers with its peak. */
    private static double write(Path file, Audio audio, Order order, String what)
            throws FileProblem {
        double rate = audio.sampleRateHz();
        Audio part =
                order.span()
                        .map(s ->
                                audio.slice(
                                        (int) Math.round(s.startSeconds() * rate),
                                        (int) Math.round(s.endSeconds() * rate)))
                        .orElse(audio);
        long at = order.span().map(s -> Math.round(s.startSeconds() * rate)).orElse(0L);
        WavWriter.print(file, part, order.depth(), what, at);
        return part.peak();
    }

    /** Name of a return's print, such as {@code B-long-pier.wav}. */
    public static String fileName(Return r) {
        String name = plainName(r.name());
        return name.isEmpty() ? r.id() + ".wav" : r.id() + "-" + name + ".wav";
    }

    /** Letters, digits and hyphens of a name. */
    public static String plainName(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    }

    public static void makeFolder(Path folder) throws FileProblem {
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new FileProblem(folder + ": cannot be made a folder; choose another place", e);
        }
    }
}
