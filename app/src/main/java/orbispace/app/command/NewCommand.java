package orbispace.app.command;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.CacheFolder;
import orbispace.app.song.DraftSong;
import orbispace.app.song.NewSong;
import orbispace.app.song.Prints;
import orbispace.app.song.StemSurvey;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.intake.StemName;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.render.Job;
import orbispace.files.FileProblem;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFile;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Makes a project from material. */
@Command(
        name = "new",
        mixinStandardHelpOptions = true,
        description = "makes a project from stems, with a drafted field, and says what it found")
final class NewCommand implements Callable<Integer> {
    @Parameters(paramLabel = "DIR", description = "folder for the project; made if it is not there")
    private @Nullable Path folder;

    @Option(
            names = "--stems",
            required = true,
            arity = "1..*",
            paramLabel = "FILE",
            description = "sound files, or folders that hold some")
    private List<Path> stems = List.of();

    @Option(names = "--midi", paramLabel = "FILE", description = "tempo, metre and sections")
    private @Nullable Path midi;

    @Option(names = "--bpm", description = "quarters per minute, where there is no MIDI file")
    private @Nullable Double bpm;

    private final Output output;

    NewCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        if (midi != null && bpm != null) {
            throw new WrongUsage("--bpm and --midi exclude each other");
        }
        Double tempo = bpm;
        if (tempo != null && !(tempo >= 5 && tempo <= 1000)) {
            throw new WrongUsage("--bpm " + tempo + " is outside 5 to 1000");
        }
        Path home = java.util.Objects.requireNonNull(folder).toAbsolutePath().normalize();
        Path file = home.resolve(home.getFileName() + ProjectFile.SUFFIX);
        if (Files.exists(file)) {
            throw new FileProblem(file + ": is there already; choose another folder");
        }
        Set<Path> once = new HashSet<>();
        stems.stream()
                .filter(s -> !once.add(s.toAbsolutePath().normalize()))
                .forEach(s -> output.note(s + ": is named twice; it is taken once"));
        FactsCache facts = CacheFolder.facts();
        NewSong song = NewSong.from(material(tempo), facts, Job.QUIET);
        if (!song.problems().isEmpty()) {
            throw new FileProblem(song.problems().getFirst());
        }
        NewSong named = drafted(song.keptIn(home), facts);
        List<Finding> findings =
                new StemSurvey(facts).findings(named.design(), named.stems(), Job.QUIET);
        ProjectArguments.makeFolder(home);
        ProjectFile.of(named.design()).write(file, named.design());
        print(file, named, findings);
        return 0;
    }

    /** The song with the field that serves its material best. */
    private static NewSong drafted(NewSong song, FactsCache facts) {
        return DraftSong.of(song.design(), song.stems(), Optional.empty(), facts, Job.QUIET)
                .map(b -> song.with(b.passed().draft().laidOn(song.design())))
                .orElse(song);
    }

    private NewSong.Material material(@Nullable Double tempo) {
        NewSong.Material all = NewSong.Material.of(stems);
        if (midi != null) {
            return new NewSong.Material(all.files(), midi, OptionalDouble.empty());
        }
        return tempo == null
                ? all
                : new NewSong.Material(all.files(), null, OptionalDouble.of(tempo));
    }

    private void print(Path file, NewSong song, List<Finding> findings) {
        Design design = song.design();
        ObjectNode document = Output.object();
        document.put("project", file.toString());
        document.put("sampleRateHz", design.song().sampleRateHz());
        ArrayNode sources = document.putArray("sources");
        for (Source s : design.sources()) {
            StemName named = StemName.of(s.name());
            sources.addObject()
                    .put("id", s.id())
                    .put("name", s.name())
                    .put("role", s.role().label())
                    .put("kind", s.kind().label())
                    .put("side", named.side().map(StemName.Side::label).orElse(null))
                    .put("group", s.group().isEmpty() ? null : Prints.plainName(s.group()))
                    .put("ground", named.ground())
                    .put("file", s.file());
        }
        groups(document.putArray("groups"), design);
        ArrayNode kits = document.putArray("kits");
        if (!song.kit().isEmpty()) {
            ArrayNode members = kits.addObject().putArray("members");
            song.kit().stream().sorted().forEach(members::add);
        }
        ArrayNode found = document.putArray("findings");
        for (Finding f : findings) {
            found.addObject()
                    .put("rule", f.rule())
                    .put("severity", f.severity().label())
                    .put("subject", f.subject())
                    .put("evidence", f.evidence())
                    .put(
                            "remedy",
                            String.join("; ", f.remedies().stream().map(Remedy::label).toList()));
        }
        output.print(document, () -> lines(file, design, findings));
    }

    private static void groups(ArrayNode into, Design design) {
        Map<String, List<String>> groups = new LinkedHashMap<>();
        for (Source s : design.sources()) {
            if (!s.group().isEmpty()) {
                groups.computeIfAbsent(s.group(), g -> new ArrayList<>()).add(s.id());
            }
        }
        groups.forEach((name, members) -> {
            ObjectNode group = into.addObject().put("id", Prints.plainName(name)).put("name", name);
            members.forEach(group.putArray("members")::add);
        });
    }

    private void lines(Path file, Design design, List<Finding> findings) {
        output.line("%s", file);
        for (Source s : design.sources()) {
            output.line(
                    "  %-24s %-12s %-9s %-14s %s",
                    s.name(), s.role().label(), s.kind().label(), s.group(), s.file());
        }
        for (Finding f : findings) {
            String remedies = String.join("; ", f.remedies().stream().map(Remedy::label).toList());
            output.line(
                    "%s: %s: %s%s",
                    f.severity().label(),
                    f.subject(),
                    f.evidence(),
                    remedies.isEmpty() ? "" : " Remedy: " + remedies + ".");
        }
    }
}
