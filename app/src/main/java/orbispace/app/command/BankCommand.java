package orbispace.app.command;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.BankSong;
import orbispace.app.song.CacheFolder;
import orbispace.core.bank.BankEntry;
import orbispace.core.bank.Relations;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.prove.court.Passed;
import orbispace.core.render.Job;
import orbispace.files.FileProblem;
import orbispace.files.project.BankFile;
import orbispace.files.project.ProjectFolder;
import orbispace.files.project.RelationsJson;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Returns and fields as relations: what banks hold, keeping into one, laying from one. */
@Command(
        name = "bank",
        mixinStandardHelpOptions = true,
        description = "keeps returns and fields as what they mean, and lays them on other songs")
final class BankCommand implements Runnable {
    /** The command with its parts. */
    static CommandLine all(Output output) {
        return new CommandLine(new BankCommand())
                .addSubcommand(new Listing(output))
                .addSubcommand(new Keep(output))
                .addSubcommand(new Lay(output));
    }

    @Override
    public void run() {
        throw new WrongUsage("say list, keep or lay");
    }

    private static BankSong song(Path project, Design design) throws FileProblem {
        ProjectFolder.Stems stems =
                ProjectFolder.readStems(ProjectArguments.folder(project), design, Job.QUIET);
        return new BankSong(design, stems, CacheFolder.facts(), Job.QUIET);
    }

    private static List<BankEntry> entries(@Nullable Path bank) throws FileProblem {
        return bank == null ? BankFile.startingPoints() : BankFile.read(bank);
    }

    private static void print(Output output, ObjectNode document, List<BankEntry> entries) {
        ArrayNode all = document.putArray("entries");
        for (BankEntry e : entries) {
            for (Relations r : e.returns()) {
                ObjectNode n =
                        all.addObject()
                                .put("name", e.name())
                                .put("return", r.name())
                                .put("purpose", r.purpose().label())
                                .put("kind", r.chain().space().kindLabel())
                                .put("from", e.from());
                RelationsJson.relations(n.putObject("relations"), r);
            }
        }
        output.print(document, () -> entries.forEach(e -> lines(output, e)));
    }

    private static void lines(Output output, BankEntry e) {
        output.line("%s, from %s", e.name(), e.from());
        for (Relations r : e.returns()) {
            output.line(
                    "  %-18s %-12s %-12s %s asked%s",
                    r.name(),
                    r.purpose().label(),
                    r.chain().space().kindLabel(),
                    r.asked().label(),
                    r.decay()
                            .map(d ->
                                    orbispace.core.words.Wording.format(
                                            ", %.1f dB down at the %s", d.db(), d.event().label()))
                            .orElse(""));
            r.usually()
                    .forEach((what, usually) ->
                            output.line("    %s: you usually %s", what, usually));
        }
    }

    /** What a bank holds. */
    @Command(
            name = "list",
            mixinStandardHelpOptions = true,
            description = "what a bank holds; without one, the starting points")
    static final class Listing implements Callable<Integer> {
        @Parameters(paramLabel = "BANK", arity = "0..1", description = "bank file")
        private @Nullable Path bank;

        private final Output output;

        Listing(Output output) {
            this.output = output;
        }

        @Override
        public Integer call() throws FileProblem {
            print(output, Output.object(), entries(bank));
            return 0;
        }
    }

    /** Keeps a return or a field. */
    @Command(
            name = "keep",
            mixinStandardHelpOptions = true,
            description = "keeps a project's field, or one return of it, as relations")
    static final class Keep implements Callable<Integer> {
        @Parameters(paramLabel = "PROJECT", description = "project file")
        private @Nullable Path project;

        @Option(names = "--return", paramLabel = "ID", description = "one return alone")
        private @Nullable String returnId;

        @Option(names = "--name", description = "what it is kept as; by default its own name")
        private @Nullable String name;

        @Option(
                names = {"--bank", "--out"},
                required = true,
                paramLabel = "FILE",
                description = "the bank, made if it is not there; an entry of the name is replaced")
        private @Nullable Path bank;

        private final Output output;

        Keep(Output output) {
            this.output = output;
        }

        @Override
        public Integer call() throws FileProblem {
            Design design = ProjectArguments.design(project);
            Path file = Objects.requireNonNull(project);
            Path to = Objects.requireNonNull(bank);
            if (!to.getFileName().toString().endsWith(BankFile.SUFFIX)) {
                throw new WrongUsage("--bank " + to + " does not end in " + BankFile.SUFFIX);
            }
            Optional<Return> one =
                    returnId == null
                            ? Optional.empty()
                            : Optional.of(ProjectArguments.ret(file, design, returnId));
            if (design.returns().isEmpty()) {
                throw new FileProblem(file + ": has no return to keep");
            }
            String as = name != null ? name : one.map(Return::name).orElse(design.song().title());
            List<BankEntry> there = Files.exists(to) ? BankFile.read(to) : List.of();
            BankEntry entry = song(file, design).kept(as, one);
            BankFile.write(to, BankSong.with(there, entry));
            print(output, Output.object().put("bank", to.toString()), List.of(entry));
            return 0;
        }
    }

    /** Lays an entry, or what is learnt from finished projects, on a song. */
    @Command(
            name = "lay",
            mixinStandardHelpOptions = true,
            description = "lays an entry of a bank, another project's field, or your manner")
    static final class Lay implements Callable<Integer> {
        @Parameters(paramLabel = "PROJECT", description = "the song that it is laid on")
        private @Nullable Path project;

        @Option(names = "--bank", paramLabel = "FILE", description = "by default our own")
        private @Nullable Path bank;

        @Option(names = "--entry", paramLabel = "NAME", description = "which entry")
        private @Nullable String entry;

        @Option(names = "--from", paramLabel = "PROJECT", description = "another project's field")
        private @Nullable Path from;

        @Option(
                names = "--manner",
                arity = "1..*",
                paramLabel = "PROJECT",
                description = "finished projects, from which is learnt what you usually do")
        private List<Path> manner = List.of();

        @Option(
                names = "--out",
                required = true,
                paramLabel = "FILE",
                description = "writes the song with it as a project of this name")
        private @Nullable Path out;

        @Option(names = "--overwrite", description = "let --out replace a project that is there")
        private boolean overwrite;

        private final Output output;

        Lay(Output output) {
            this.output = output;
        }

        @Override
        public Integer call() throws FileProblem {
            int ways =
                    (entry == null ? 0 : 1) + (from == null ? 0 : 1) + (manner.isEmpty() ? 0 : 1);
            if (ways != 1) {
                throw new WrongUsage("say one of --entry, --from and --manner");
            }
            Design design = ProjectArguments.design(project);
            Path file = Objects.requireNonNull(project);
            Path to = Objects.requireNonNull(out);
            ProjectArguments.checkTarget("--out", file, to, overwrite);
            BankEntry chosen = chosen();
            Passed laid = song(file, design).laid(chosen);
            if (laid.verdicts().isEmpty()) {
                throw new FileProblem(file + ": nothing of " + chosen.name() + " fits this song");
            }
            ProjectArguments.write(file, to, laid.draft().laidOn(design));
            ObjectNode document = Output.object();
            Fields.write(document, laid);
            document.put("project", to.toString());
            ArrayNode entries = document.putArray("entries");
            for (Relations r : chosen.returns()) {
                ObjectNode n =
                        entries.addObject()
                                .put("name", r.name())
                                .put("purpose", r.purpose().label());
                RelationsJson.relations(n.putObject("relations"), r);
            }
            output.print(document, () -> Fields.lines(output, laid));
            return 0;
        }

        private BankEntry chosen() throws FileProblem {
            if (from != null) {
                return BankSong.field(from, CacheFolder.facts(), Job.QUIET);
            }
            if (!manner.isEmpty()) {
                return BankSong.manner(manner, CacheFolder.facts(), Job.QUIET);
            }
            List<BankEntry> all = entries(bank);
            String name = Objects.requireNonNull(entry);
            return BankFile.find(all, name)
                    .orElseThrow(() ->
                            new FileProblem(
                                    (bank == null ? "the starting points" : bank.toString())
                                            + ": no entry is called \""
                                            + name
                                            + "\"; there are "
                                            + all.stream()
                                                    .map(BankEntry::name)
                                                    .collect(Collectors.joining(", "))));
        }
    }
}
