package orbispace.files.sound;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orbispace.core.audio.Audio;
import orbispace.core.render.Job;
import orbispace.core.signal.Resampler;
import orbispace.files.FileProblem;

/** Many sound files read at once and brought to one sample rate. */
public final class StemFiles {
    private static final int FOLDER_DEPTH = 4;
    private static final int MOST_FILES = 2000;
    private static final int MOST_THREADS = 4;
    private static final Pattern CONTROL = Pattern.compile("\\p{Cntrl}");

    private StemFiles() {}

    /**
     * A stem that was read.
     *
     * @param file where it lies
     * @param audio its sound at the song's rate
     * @param ownRateHz the rate it has in the file
     * @param timeReferenceFrames where the file says that it begins, in frames of its own rate
     * @param content tells the content apart from any other, in hexadecimal
     */
    public record Stem(
            Path file,
            Audio audio,
            double ownRateHz,
            OptionalLong timeReferenceFrames,
            String content) {}

    /**
     * What became of a list of files.
     *
     * @param stems those that could be read, in the order given
     * @param problems a line for each that could not, by file
     * @param sampleRateHz the rate that all stems have now
     */
    public record Result(List<Stem> stems, Map<Path, String> problems, double sampleRateHz) {
        /** Keeps its own lists. */
        public Result {
            stems = List.copyOf(stems);
            problems = Map.copyOf(problems);
        }

        /** The stem of a file, if it could be read. */
        public Optional<Stem> of(Path file) {
            return stems.stream().filter(s -> s.file().equals(file)).findFirst();
        }
    }

    private record Read(Path file, Optional<ReadSound> sound, String content, String problem) {}

    /**
     * The sound files among files and folders, folders searched through, in order of their names.
     * Files that are named are taken whatever their name.
     *
     * @throws FileProblem if a folder cannot be read or holds very many files
     */
    public static List<Path> gather(List<Path> filesAndFolders) throws FileProblem {
        List<Path> files = new ArrayList<>();
        for (Path path : filesAndFolders) {
            if (!Files.isDirectory(path)) {
                files.add(path);
                continue;
            }
            try (Stream<Path> inside = Files.walk(path, FOLDER_DEPTH)) {
                inside.filter(SoundReader::isSoundName)
                        .filter(Files::isRegularFile)
                        .sorted(Comparator.comparing(Path::toString))
                        .forEach(files::add);
            } catch (IOException | java.io.UncheckedIOException e) {
                throw new FileProblem(path + ": could not be searched; check its permissions", e);
            }
        }
        if (files.size() > MOST_FILES) {
            throw new FileProblem(
                    files.size() + " files are more than the " + MOST_FILES + " that are read");
        }
        return files.stream().distinct().toList();
    }

    /** Reads files and brings them to the rate that most of them have, the higher of equals. */
    public static Result read(List<Path> files, Job job) {
        List<Read> read = readAll(files, job);
        Map<Double, Long> rates =
                read.stream()
                        .flatMap(r -> r.sound().stream())
                        .collect(
                                Collectors.groupingBy(
                                        s -> s.audio().sampleRateHz(),
                                        TreeMap::new,
                                        Collectors.counting()));
        double rate =
                rates.entrySet().stream()
                        .max(
                                Map.Entry.<Double, Long>comparingByValue()
                                        .thenComparing(Map.Entry.comparingByKey()))
                        .map(Map.Entry::getKey)
                        .orElse(48000.0);
        return converted(read, rate, job);
    }

    /** Reads files and brings them to a rate. */
    public static Result read(List<Path> files, double sampleRateHz, Job job) {
        return converted(readAll(files, job), sampleRateHz, job);
    }

    private static List<Read> readAll(List<Path> files, Job job) {
        AtomicInteger done = new AtomicInteger();
        return inParallel(
                files.stream()
                        .map(file ->
                                (java.util.concurrent.Callable<Read>)
                                        () -> {
                                            job.check();
                                            Read one = readOne(file);
                                            job.report(
                                                    done.incrementAndGet() / (files.size() * 1.25));
                                            return one;
                                        })
                        .toList());
    }

    private static Read readOne(Path file) {
        try {
            if (CONTROL.matcher(file.toString()).find()) {
                throw new FileProblem(
                        file + ": has a line break or another control sign in its path; rename it");
            }
            ReadSound sound = SoundReader.inPlace(file);
            return new Read(file, Optional.of(sound), StemContent.of(file), "");
        } catch (IOException e) {
            return new Read(
                    file,
                    Optional.empty(),
                    "",
                    String.valueOf(FileProblem.reading(file, e).getMessage()));
        }
    }

    private static Result converted(List<Read> read, double rate, Job job) {
        List<Stem> stems =
                inParallel(
                        read.stream()
                                .filter(r -> r.sound().isPresent())
                                .map(r ->
                                        (java.util.concurrent.Callable<Stem>)
                                                () -> {
                                                    job.check();
                                                    return stem(r, r.sound().get(), rate);
                                                })
                                .toList());
        job.report(1);
        return new Result(
                stems,
                read.stream()
                        .filter(r -> r.sound().isEmpty())
                        .collect(Collectors.toMap(Read::file, Read::problem, (a, b) -> a)),
                rate);
    }

    private static Stem stem(Read read, ReadSound sound, double rate) {
        double own = sound.audio().sampleRateHz();
        return new Stem(
                read.file(),
                SoundShelf.lay(Resampler.convert(sound.audio(), rate)),
                own,
                sound.timeReferenceFrames(),
                read.content() + "@" + Math.round(rate));
    }

    private static <T> List<T> inParallel(List<java.util.concurrent.Callable<T>> tasks) {
        int threads = Math.clamp(Runtime.getRuntime().availableProcessors(), 1, MOST_THREADS);
        try (ExecutorService executor = Executors.newFixedThreadPool(threads)) {
            List<T> results = new ArrayList<>();
            List<Future<T>> futures = tasks.stream().map(executor::submit).toList();
            try {
                for (Future<T> future : futures) {
                    results.add(future.get());
                }
            } finally {
                futures.forEach(f -> f.cancel(true));
            }
            return results;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("interrupted");
        } catch (ExecutionException e) {
            switch (e.getCause()) {
                case RuntimeException cause -> throw cause;
                case Error cause -> throw cause;
                case null, default -> throw new IllegalStateException(e);
            }
        }
    }
}
