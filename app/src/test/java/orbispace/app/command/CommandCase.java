package orbispace.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Runs commands as a shell would, and keeps what they print. */
abstract class CommandCase {
    @TempDir Path folder;

    record Outcome(int status, String out, String err) {
        JsonNode json() {
            return JsonMapper.shared().readTree(out);
        }
    }

    /** Remembers what it was asked to open. */
    static final class FakeWindows implements Windows {
        final List<String> opened = new ArrayList<>();
        final boolean display;

        FakeWindows(boolean display) {
            this.display = display;
        }

        @Override
        public void open(Optional<Path> project) {
            opened.add("project " + project.map(Path::toString).orElse("none"));
        }

        @Override
        public void openDemo() {
            opened.add("demo");
        }

        @Override
        public boolean hasDisplay() {
            return display;
        }

        @Override
        public void tour(Path to) {
            opened.add("tour " + to);
        }
    }

    static Outcome run(Windows windows, String... arguments) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream err = new ByteArrayOutputStream();
        int status =
                OrbispaceCommand.run(
                        arguments,
                        new PrintStream(out, true, StandardCharsets.UTF_8),
                        new PrintStream(err, true, StandardCharsets.UTF_8),
                        windows);
        return new Outcome(
                status, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
    }

    static Outcome run(String... arguments) {
        return run(new FakeWindows(false), arguments);
    }

    static void assertOneLine(Outcome o, int status, String... words) {
        assertThat(o.status()).isEqualTo(status);
        assertThat(o.out()).isEmpty();
        assertThat(o.err().strip().lines()).hasSize(1);
        assertThat(o.err()).contains(words).doesNotContain("Exception", "\tat ");
    }
}
