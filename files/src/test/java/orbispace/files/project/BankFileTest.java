package orbispace.files.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import orbispace.core.bank.BankEntry;
import orbispace.core.design.Purpose;
import orbispace.files.FileProblem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Banks on disk. */
class BankFileTest {
    @TempDir private Path folder;

    @Test
    void theStartingPointsServeEveryPurpose() {
        List<BankEntry> ours = BankFile.startingPoints();
        Set<Purpose> purposes =
                ours.stream()
                        .flatMap(e -> e.returns().stream())
                        .map(r -> r.purpose())
                        .collect(Collectors.toSet());
        assertThat(purposes).isEqualTo(EnumSet.allOf(Purpose.class));
        assertThat(ours).anyMatch(BankEntry::isField);
        assertThat(BankFile.find(ours, " fog BANK ")).isPresent();
        assertThat(BankFile.find(ours, "lighthouse")).isEmpty();
    }

    @Test
    void whatIsWrittenIsReadBackWhole() throws Exception {
        Path file = folder.resolve("deep/mine" + BankFile.SUFFIX);
        List<BankEntry> ours = BankFile.startingPoints();
        BankFile.write(file, ours);
        assertThat(BankFile.read(file)).isEqualTo(ours);
        assertThat(file.resolveSibling(file.getFileName() + ".part")).doesNotExist();
    }

    private String fault(String text) throws Exception {
        Path file = folder.resolve("bad" + BankFile.SUFFIX);
        Files.writeString(file, text);
        String[] message = new String[1];
        assertThatThrownBy(() -> BankFile.read(file))
                .isInstanceOf(FileProblem.class)
                .satisfies(e -> message[0] = String.valueOf(e.getMessage()));
        assertThat(message[0]).doesNotContain("\n").startsWith(file.toString());
        return message[0];
    }

    @Test
    void aFaultIsOneLineThatNamesTheEntry() throws Exception {
        assertThat(fault("{")).contains("is no JSON");
        assertThat(fault("{\"orbispaceBank\": 9}")).contains("no bank of a version up to 1");
        assertThat(fault("{\"orbispaceBank\": 1, \"entries\": [{\"name\": \"a\"}]}"))
                .contains("entries[0]: the list \"returns\" is missing");
        Path none = folder.resolve("none" + BankFile.SUFFIX);
        assertThatThrownBy(() -> BankFile.read(none)).isInstanceOf(FileProblem.class);
    }
}
