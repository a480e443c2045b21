package orbispace.app.session;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** What who looks for a fault needs to know: versions and the end of the log; never any audio. */
public final class ErrorReport {
    private static final int MOST_LINES = 400;

    private ErrorReport() {}

    /**
     * Writes a report.
     *
     * @param log where the program keeps its log
     * @throws IOException if the report cannot be written
     */
    public static void write(Path to, String program, Path log) throws IOException {
        Files.writeString(to, text(program, log), StandardCharsets.UTF_8);
    }

    private static String text(String program, Path log) {
        Runtime r = Runtime.getRuntime();
        StringBuilder text = new StringBuilder();
        text.append(program).append('\n');
        for (String key : List.of("java.vm.name", "java.version", "javafx.version")) {
            text.append(key).append(' ').append(System.getProperty(key, "?")).append('\n');
        }
        text.append("system ")
                .append(System.getProperty("os.name"))
                .append(' ')
                .append(System.getProperty("os.version"))
                .append(' ')
                .append(System.getProperty("os.arch"))
                .append('\n')
                .append(r.availableProcessors())
                .append(" processors, memory ")
                .append((r.totalMemory() - r.freeMemory()) >> 20)
                .append(" of ")
                .append(r.maxMemory() >> 20)
                .append(" MB\n\nlog\n");
        lines(log).forEach(l -> text.append(l).append('\n'));
        return text.toString();
    }

    private static List<String> lines(Path log) {
        try {
            List<String> all = Files.readAllLines(log, StandardCharsets.UTF_8);
            return all.subList(Math.max(0, all.size() - MOST_LINES), all.size());
        } catch (IOException none) {
            return List.of("no log: " + none.getClass().getSimpleName());
        }
    }
}
