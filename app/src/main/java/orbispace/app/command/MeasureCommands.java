package orbispace.app.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.core.audio.Audio;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.CoverMeter;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.hearing.Passages;
import orbispace.core.material.PhraseFinder;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayReport;
import orbispace.core.measure.DecayTime;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.time.Span;
import orbispace.files.FileProblem;
import orbispace.files.WavReader;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Measures of single files. */
final class MeasureCommands {
    private MeasureCommands() {}

    @Command(
            name = "measure",
            mixinStandardHelpOptions = true,
            description = "measures sound files")
    static final class Group implements Runnable {
        @Override
        public void run() {
            throw new WrongUsage("measure what: loudness, decay, cover or loudness-sones");
        }
    }

    static CommandLine all(Output output) {
        return new CommandLine(new Group())
                .addSubcommand(new LoudnessCommand(output))
                .addSubcommand(new DecayCommand(output))
                .addSubcommand(new CoverCommand(output))
                .addSubcommand(new SonesCommand(output));
    }

    /** A command that reads one sound file. */
    abstract static class OfFile implements Callable<Integer> {
        @Parameters(paramLabel = "FILE", description = "WAV file, mono or stereo")
        private @Nullable Path file;

        @Option(names = "--salvage", description = "take the usable part of a damaged file")
        private boolean salvage;

        final Output output;

        OfFile(Output output) {
            this.output = output;
        }

        Audio read() throws FileProblem {
            if (file == null) {
                throw new WrongUsage("name a file");
            }
            return MeasureCommands.read(file, salvage, output);
        }
    }

    private static Audio read(Path file, boolean salvage, Output output) throws FileProblem {
        WavReader.Result result = WavReader.read(file, salvage);
        if (result.usedPart() != null) {
            output.note(result.usedPart());
        }
        return result.audio();
    }

    @Command(
            name = "loudness",
            mixinStandardHelpOptions = true,
            description = "loudness and true peak (ITU-R BS.1770)")
    static final class LoudnessCommand extends OfFile {
        LoudnessCommand(Output output) {
            super(output);
        }

        @Override
        public Integer call() throws FileProblem {
            Loudness l = LoudnessMeter.measure(read());
            ObjectNode document = Output.object();
            Output.put(document, "integratedLufs", l.integratedLufs());
            Output.put(document, "momentaryMaxLufs", l.momentaryMaxLufs());
            Output.put(document, "shortTermMaxLufs", l.shortTermMaxLufs());
            Output.put(document, "loudnessRangeLu", l.rangeLu());
            Output.put(document, "truePeakDbtp", l.truePeakDbtp());
            Output.put(document, "samplePeakDbfs", l.samplePeakDbfs());
            output.print(
                    document,
                    () -> {
                        line("integrated", l.integratedLufs(), "LUFS");
                        line("momentary, most", l.momentaryMaxLufs(), "LUFS");
                        line("short-term, most", l.shortTermMaxLufs(), "LUFS");
                        line("range", l.rangeLu(), "LU");
                        line("true peak", l.truePeakDbtp(), "dBTP");
                        line("sample peak", l.samplePeakDbfs(), "dBFS");
                    });
            return 0;
        }

        private void line(String what, OptionalDouble value, String unit) {
            if (value.isPresent()) {
                output.line("%-17s %8.2f %s", what, value.getAsDouble(), unit);
            } else {
                output.line("%-17s undefined: too short or too quiet", what);
            }
        }
    }

    @Command(
            name = "decay",
            mixinStandardHelpOptions = true,
            description = "decay of an impulse response (ISO 3382-1)")
    static final class DecayCommand extends OfFile {
        DecayCommand(Output output) {
            super(output);
        }

        @Override
        public Integer call() throws FileProblem {
            DecayReport report = DecayMeter.measure(read());
            ObjectNode document = Output.object();
            Output.put(document, "predelayMillis", 1000 * report.predelaySeconds());
            document.set("broadband", band(report.broadband()));
            ArrayNode bands = document.putArray("bands");
            report.bands().forEach(b -> bands.add(band(b)));
            output.print(document, () -> lines(report));
            return 0;
        }

        private static ObjectNode band(BandDecay b) {
            ObjectNode node = Output.object();
            if (b.centreHz() > 0) {
                node.put("centreHz", Math.rint(b.centreHz()));
            }
            Output.put(node, "edtSeconds", seconds(b.early()));
            Output.put(node, "t20Seconds", seconds(b.t20()));
            Output.put(node, "t30Seconds", seconds(b.t30()));
            Output.put(node, "c50Db", b.clarity50Db());
            Output.put(node, "c80Db", b.clarity80Db());
            Output.put(node, "d50", b.definition50());
            Output.put(node, "centreTimeMillis", 1000 * b.centreSeconds());
            node.put("reliable", b.reliable());
            return node;
        }

        private static OptionalDouble seconds(DecayTime time) {
            return time instanceof DecayTime.Measured(double s)
                    ? OptionalDouble.of(s)
                    : OptionalDouble.empty();
        }

        private void lines(DecayReport report) {
            output.line("predelay %.3f ms", 1000 * report.predelaySeconds());
            output.line(
                    "%-10s %9s %9s %9s %8s %8s %6s",
                    "band", "EDT s", "T20 s", "T30 s", "C50 dB", "C80 dB", "D50");
            line(report.broadband());
            report.bands().forEach(this::line);
        }

        private void line(BandDecay b) {
            output.line(
                    "%-10s %9s %9s %9s %8.2f %8.2f %6.3f%s",
                    b.centreHz() > 0
                            ? String.format(java.util.Locale.ROOT, "%.0f Hz", b.centreHz())
                            : "broadband",
                    text(b.early()),
                    text(b.t20()),
                    text(b.t30()),
                    b.clarity50Db(),
                    b.clarity80Db(),
                    b.definition50(),
                    b.reliable() ? "" : "  unreliable");
        }

        private static String text(DecayTime time) {
            return switch (time) {
                case DecayTime.Measured(double s) ->
                        String.format(java.util.Locale.ROOT, "%.3f", s);
                case DecayTime.TooNoisy noisy -> "noisy";
                case DecayTime.TooShort tooShort -> "short";
            };
        }
    }

    @Command(
            name = "loudness-sones",
            mixinStandardHelpOptions = true,
            description = "loudness by the hearing model")
    static final class SonesCommand extends OfFile {
        @Option(
                names = "--mix-lufs",
                description = "loudness of the mix heard at 78 dB SPL",
                defaultValue = "-20")
        private double mixLufs = -20;

        SonesCommand(Output output) {
            super(output);
        }

        @Override
        public Integer call() throws FileProblem {
            Audio audio = read();
            Excitation e = new Ear(audio.sampleRateHz(), Ear.fullScaleDb(mixLufs)).hear(audio);
            // The first and last frames see the silence around the file.
            int drop = e.frames() > 20 ? 8 : 0;
            Excitation inner = e.slice(drop, e.frames() - drop);
            double[] specific = new double[HearingModel.BANDS];
            for (int f = 0; f < inner.frames(); f++) {
                for (int b = 0; b < specific.length; b++) {
                    specific[b] += HearingModel.loudness(b, inner.at(f, b)) / inner.frames();
                }
            }
            double sones = java.util.Arrays.stream(specific).sum();
            ObjectNode document = Output.object();
            document.put("sones", sones);
            ArrayNode bands = document.putArray("specificSones");
            for (double s : specific) {
                bands.add(s);
            }
            output.print(
                    document,
                    () -> {
                        output.line("%.3f sone", sones);
                        for (int b = 0; b < specific.length; b++) {
                            output.line("%8.0f Hz %8.4f", HearingModel.centreHz(b), specific[b]);
                        }
                    });
            return 0;
        }
    }

    @Command(
            name = "cover",
            mixinStandardHelpOptions = true,
            description = "what a wet sound does to a dry one")
    static final class CoverCommand implements Callable<Integer> {
        @Option(names = "--dry", required = true, description = "the source that must stay clear")
        private @Nullable Path dry;

        @Option(names = "--wet", required = true, description = "the return")
        private @Nullable Path wet;

        @Option(names = "--rest", description = "everything else that sounds")
        private @Nullable Path rest;

        @Option(
                names = "--mix-lufs",
                description = "loudness of the mix heard at 78 dB SPL",
                defaultValue = "-20")
        private double mixLufs = -20;

        @Option(
                names = "--room-db",
                description = "noise of the room per band in dB, or off",
                defaultValue = "10")
        private String roomDb = "10";

        @Option(
                names = "--phrases",
                split = ",",
                paramLabel = "START-END",
                description = "phrases in seconds")
        private @Nullable List<String> phrases;

        @Option(names = "--salvage", description = "take the usable part of a damaged file")
        private boolean salvage;

        private final Output output;

        CoverCommand(Output output) {
            this.output = output;
        }

        @Override
        public Integer call() throws FileProblem {
            Audio d = read(java.util.Objects.requireNonNull(dry), salvage, output);
            Audio w = fitted(d, java.util.Objects.requireNonNull(wet));
            Ear ear = new Ear(d.sampleRateHz(), Ear.fullScaleDb(mixLufs));
            Excitation dryE = ear.hear(d);
            Excitation restE =
                    rest == null
                            ? Excitation.none(dryE.frames(), dryE.framesPerSecond())
                            : ear.hear(fitted(d, rest));
            Cover c = new CoverMeter(dryE, ear.hear(w), restE, room(), passages(d, dryE)).cover();
            ObjectNode document = Output.object();
            Output.put(document, "presenceKept", c.presenceKept());
            Output.put(document, "worstPhrase", c.worstPhrase());
            document.put("wetShare", c.wetShare());
            document.put("wetShareInPhrases", c.wetShareInPhrases());
            document.put("wetShareInGaps", c.wetShareInGaps());
            document.put("state", c.state().name().toLowerCase(java.util.Locale.ROOT));
            Output.put(document, "bloomDb", c.bloomDb());
            document.put("clashArea", c.clashArea());
            output.print(document, () -> lines(c));
            return 0;
        }

        private void lines(Cover c) {
            output.line("presence kept  %s", percent(c.presenceKept()));
            output.line("worst phrase   %s", percent(c.worstPhrase()));
            output.line(
                    "wet share      %.2f %% (%s)",
                    100 * c.wetShare(), c.state().name().toLowerCase(java.util.Locale.ROOT));
            output.line("in phrases     %.2f %%", 100 * c.wetShareInPhrases());
            output.line("in gaps        %.2f %%", 100 * c.wetShareInGaps());
            output.line(
                    "bloom          %s",
                    c.bloomDb().isPresent()
                            ? String.format(
                                    java.util.Locale.ROOT, "%.1f dB", c.bloomDb().getAsDouble())
                            : "none");
            output.line("clash area     %.1f %%", 100 * c.clashArea());
        }

        private static String percent(OptionalDouble share) {
            return share.isPresent()
                    ? String.format(java.util.Locale.ROOT, "%.1f %%", 100 * share.getAsDouble())
                    : "undefined: the dry is silent";
        }

        /** A second file at the dry's rate, cut or filled with silence to its length. */
        private Audio fitted(Audio d, Path file) throws FileProblem {
            Audio a = read(file, salvage, output);
            if (a.sampleRateHz() != d.sampleRateHz()) {
                throw new FileProblem(
                        file
                                + ": is at "
                                + (int) a.sampleRateHz()
                                + " Hz, the dry at "
                                + (int) d.sampleRateHz()
                                + "; export both at one rate");
            }
            float[][] out = new float[a.channelCount()][d.frames()];
            for (int c = 0; c < out.length; c++) {
                System.arraycopy(a.channel(c), 0, out[c], 0, Math.min(d.frames(), a.frames()));
            }
            return Audio.of(a.sampleRateHz(), out);
        }

        private double room() {
            if (roomDb.equalsIgnoreCase("off")) {
                return 0;
            }
            try {
                return Math.pow(10, Double.parseDouble(roomDb) / 10);
            } catch (NumberFormatException e) {
                throw new WrongUsage("--room-db " + roomDb + " is neither a level in dB nor off");
            }
        }

        private Passages passages(Audio d, Excitation e) {
            List<Span> spans = phrases == null ? PhraseFinder.find(d).spans() : given(phrases);
            return spans.isEmpty()
                    ? Passages.ofLoudness(e)
                    : Passages.ofPhrases(spans, e.frames(), e.framesPerSecond());
        }

        private static List<Span> given(List<String> written) {
            List<Span> spans = new ArrayList<>();
            for (String text : written) {
                String[] parts = text.strip().split("-", -1);
                try {
                    spans.add(new Span(Double.parseDouble(parts[0]), Double.parseDouble(parts[1])));
                } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
                    throw new WrongUsage("--phrases " + text + " is not START-END in seconds");
                }
            }
            spans.sort(java.util.Comparator.comparingDouble(Span::startSeconds));
            return spans;
        }
    }
}
