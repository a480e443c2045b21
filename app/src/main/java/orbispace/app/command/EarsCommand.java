package orbispace.app.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.OwnPlace;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.OwnBorders;
import orbispace.core.ears.TakenLesson;
import orbispace.core.hearing.Borders;
import orbispace.files.FileProblem;
import orbispace.files.project.EarsFile;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What lessons found of engineers' ears. */
@Command(
        name = "ears",
        mixinStandardHelpOptions = true,
        description = "shows and exports what lessons of the ear found")
final class EarsCommand implements Runnable {
    /** The command with its parts. */
    static CommandLine all(Output output) {
        return new CommandLine(new EarsCommand())
                .addSubcommand(new Show(output))
                .addSubcommand(new Export(output));
    }

    @Override
    public void run() {
        throw new WrongUsage("say show or export");
    }

    /** Which lessons. */
    static final class Wanted {
        @Parameters(
                paramLabel = "FILE",
                arity = "0..1",
                description = "file of lessons; without one, those taken on this machine")
        private @Nullable Path file;

        @Option(names = "--engineer", paramLabel = "NAME", description = "of one engineer alone")
        private @Nullable String engineer;

        @Option(
                names = "--place",
                paramLabel = "PLACE",
                description = "headphones or loudspeakers alone")
        private @Nullable String place;

        private List<TakenLesson> lessons() throws FileProblem {
            Path from = file == null ? OwnPlace.ears() : file;
            if (file == null && !Files.exists(from)) {
                return List.of();
            }
            if (place != null && !place.equals("headphones") && !place.equals("loudspeakers")) {
                throw new WrongUsage(
                        "--place " + place + " is not known: headphones or loudspeakers");
            }
            return EarsFile.read(from).stream()
                    .filter(l -> engineer == null || l.engineer().equalsIgnoreCase(engineer))
                    .filter(l -> place == null || l.place().label().equals(place))
                    .toList();
        }
    }

    /** Prints lessons. */
    @Command(
            name = "show",
            mixinStandardHelpOptions = true,
            description = "what was heard, lesson by lesson, in plain words")
    static final class Show implements Callable<Integer> {
        @Mixin private final Wanted wanted = new Wanted();

        private final Output output;

        Show(Output output) {
            this.output = output;
        }

        @Override
        public Integer call() throws FileProblem {
            List<TakenLesson> lessons = wanted.lessons();
            ObjectNode document = EarsFile.document(lessons);
            int i = 0;
            for (JsonNode n : document.path("lessons")) {
                ((ObjectNode) n).put("unit", lessons.get(i).kind().unit());
                ((ObjectNode) n).put("words", lessons.get(i).words());
                i++;
            }
            List<Borders> own = borders(lessons);
            ArrayNode all = document.putArray("borders");
            own.forEach(b ->
                    all.addObject()
                            .put("whose", b.whose())
                            .put("lessons", b.lessons())
                            .put("offsetDb", b.offsetDb())
                            .put("lowDb", b.lowDb())
                            .put("highDb", b.highDb()));
            output.print(document, () -> lines(lessons, own));
            return 0;
        }

        /** Of each engineer in each place, as far as enough is known. */
        private static List<Borders> borders(List<TakenLesson> lessons) {
            return lessons.stream()
                    .map(TakenLesson::engineer)
                    .distinct()
                    .flatMap(who ->
                            Arrays.stream(EarPlace.values())
                                    .map(at -> OwnBorders.of(lessons, who, at)))
                    .flatMap(Optional::stream)
                    .toList();
        }

        private void lines(List<TakenLesson> lessons, List<Borders> own) {
            if (lessons.isEmpty()) {
                output.line("no lesson was taken yet");
            }
            for (TakenLesson l : lessons) {
                output.line(
                        "%s  %s, %s  %s: %s",
                        l.day(), l.engineer(), l.place().label(), l.heard().song(), l.words());
            }
            own.forEach(b -> output.line("%s; %d lessons", b.words(), b.lessons()));
        }
    }

    /** Writes lessons to a table or an open file. */
    @Command(
            name = "export",
            mixinStandardHelpOptions = true,
            description = "writes lessons as a table (.csv) or as JSON (.json)")
    static final class Export implements Callable<Integer> {
        @Mixin private final Wanted wanted = new Wanted();

        @Option(
                names = "--out",
                required = true,
                paramLabel = "FILE",
                description = "ends in .csv or .json; must not be there yet")
        private @Nullable Path out;

        private final Output output;

        Export(Output output) {
            this.output = output;
        }

        @Override
        public Integer call() throws FileProblem {
            Path to = Objects.requireNonNull(out);
            String name = to.getFileName().toString();
            if (!name.endsWith(".csv") && !name.endsWith(".json")) {
                throw new WrongUsage("--out " + to + " ends neither in .csv nor in .json");
            }
            if (Files.exists(to)) {
                throw new FileProblem(to + ": is there already; choose another name");
            }
            List<TakenLesson> lessons = wanted.lessons();
            if (name.endsWith(".json")) {
                EarsFile.write(to, lessons);
            } else {
                table(to, lessons);
            }
            output.print(
                    Output.object().put("file", to.toString()).put("lessons", lessons.size()),
                    () -> output.line("%s: %d lessons", to, lessons.size()));
            return 0;
        }

        private static void table(Path to, List<TakenLesson> lessons) throws FileProblem {
            try {
                Files.writeString(to, EarsFile.table(lessons));
            } catch (IOException e) {
                throw FileProblem.writing(to, e);
            }
        }
    }
}
