package orbispace.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.core.time.Fit;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;
import orbispace.files.FileProblem;
import orbispace.files.midi.MidiTempo;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Note values at a tempo or at a bar of a song. */
@Command(
        name = "times",
        mixinStandardHelpOptions = true,
        description = "note values in ms, the nearest to a time, and the decay that clears")
final class TimesCommand implements Callable<Integer> {
    @Option(names = "--bpm", description = "quarters per minute")
    private @Nullable Double bpm;

    @Option(names = "--meter", description = "metre, such as 4/4 or 6/8", defaultValue = "4/4")
    private String meter = "4/4";

    @Option(names = "--midi", description = "Standard MIDI File with the tempo map")
    private @Nullable Path midi;

    @Option(names = "--bar", description = "bar of the MIDI file, from 1", defaultValue = "1")
    private int bar = 1;

    @Option(names = "--near", description = "find the note value nearest to this many ms")
    private @Nullable Double near;

    @Option(names = "--clear-by", description = "how many dB a tail must have fallen")
    private @Nullable Double clearBy;

    @Option(names = "--within", description = "time to the next event: a note value or ms")
    private @Nullable String within;

    @Option(names = "--predelay", description = "ms before the tail starts", defaultValue = "0")
    private double predelay;

    private final Output output;

    TimesCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        SongClock clock = clock();
        if (bar < 1 || bar > 100_000) {
            throw new WrongUsage("bar " + bar + " is outside 1 to 100000");
        }
        ObjectNode document = Output.object();
        List<SongClock.NoteLength> lengths = clock.lengths(bar);
        double here = clock.bpmOfBar(bar);
        document.put("bpm", here).put("bar", bar);
        ArrayNode values = document.putArray("noteValues");
        for (SongClock.NoteLength n : lengths) {
            values.addObject()
                    .put("name", n.value().label())
                    .put("quarters", n.quarters())
                    .put("nominalMillis", n.nominalMillis())
                    .put("actualMillis", n.actualMillis())
                    .put("hertz", n.hertz());
        }
        Optional<SongClock.Nearest> nearest =
                Optional.ofNullable(near).map(ms -> clock.nearest(ms, bar));
        nearest.ifPresent(n ->
                document.putObject("nearest")
                        .put("name", n.value().label())
                        .put("millis", n.millis())
                        .put("offsetMillis", n.offsetMillis())
                        .put("offsetPercent", n.offsetPercent()));
        Optional<Double> decay = decay(clock);
        decay.ifPresent(d -> document.put("decaySeconds", d));
        output.print(document, () -> lines(here, lengths, nearest, decay));
        return 0;
    }

    private void lines(
            double here,
            List<SongClock.NoteLength> lengths,
            Optional<SongClock.Nearest> nearest,
            Optional<Double> decay) {
        output.line("bar %d at %.3f bpm", bar, here);
        output.line("%-8s %12s %12s %10s", "note", "nominal ms", "actual ms", "Hz");
        for (SongClock.NoteLength n : lengths) {
            output.line(
                    "%-8s %12.3f %12.3f %10.4f",
                    n.value().label(), n.nominalMillis(), n.actualMillis(), n.hertz());
        }
        nearest.ifPresent(n ->
                output.line(
                        "nearest: %s = %.3f ms, off by %+.3f ms (%+.2f %%)",
                        n.value().label(), n.millis(), n.offsetMillis(), n.offsetPercent()));
        decay.ifPresent(d -> output.line("decay that clears: %.3f s", d));
    }

    private SongClock clock() throws FileProblem {
        if (midi != null) {
            if (bpm != null) {
                throw new WrongUsage("--bpm and --midi exclude each other");
            }
            return MidiTempo.read(midi).clock();
        }
        if (bpm == null) {
            throw new WrongUsage("give --bpm, or --midi with --bar");
        }
        if (!(bpm >= 5 && bpm <= 1000)) {
            throw new WrongUsage("--bpm " + bpm + " is outside 5 to 1000");
        }
        String[] parts = meter.split("/", -1);
        try {
            return SongClock.constant(
                    bpm, Integer.parseInt(parts[0].strip()), Integer.parseInt(parts[1].strip()));
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            throw new WrongUsage("--meter " + meter + " is no metre like 4/4 or 6/8");
        } catch (IllegalArgumentException e) {
            throw new WrongUsage("--meter " + meter + ": " + e.getMessage());
        }
    }

    private Optional<Double> decay(SongClock clock) {
        if (clearBy == null && within == null) {
            return Optional.empty();
        }
        if (clearBy == null || within == null) {
            throw new WrongUsage("--clear-by and --within belong together");
        }
        double seconds = withinSeconds(clock, within);
        return Optional.of(Fit.decayThatClears(seconds, predelay / 1000, clearBy));
    }

    private double withinSeconds(SongClock clock, String text) {
        Optional<NoteValue> note = NoteValue.parse(text);
        if (note.isPresent()) {
            return clock.length(note.get(), bar).nominalMillis() / 1000;
        }
        try {
            return Double.parseDouble(text.strip()) / 1000;
        } catch (NumberFormatException e) {
            throw new WrongUsage(
                    "--within " + text + " is no note value like 1/8. and no time in ms");
        }
    }
}
