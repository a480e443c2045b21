package orbispace.app.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ErrorReportTest {
    @TempDir Path folder;

    @Test
    void itHoldsVersionsAndTheEndOfTheLog() throws IOException {
        Path log = folder.resolve("orbispace.log");
        Files.write(log, Collections.nCopies(1000, "an older line"));
        Files.writeString(log, Files.readString(log) + "the last line\n");
        Path report = folder.resolve("report.txt");
        ErrorReport.write(report, "Orbispace 1", log);
        String text = Files.readString(report);
        assertThat(text)
                .startsWith("Orbispace 1\n")
                .contains("java.version " + System.getProperty("java.version"))
                .contains(System.getProperty("os.name"))
                .endsWith("the last line\n");
        assertThat(text.lines()).hasSizeLessThan(420);
        ErrorReport.write(report, "Orbispace 1", folder.resolve("none.log"));
        assertThat(Files.readString(report)).contains("no log");
        assertThatThrownBy(() -> ErrorReport.write(folder, "Orbispace 1", log))
                .isInstanceOf(IOException.class);
    }
}
