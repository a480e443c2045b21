package orbispace.app.listen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/**
 * Whatever is done while a field plays, nothing clicks, nothing is too loud, and two decays after
 * the last change what is heard is what is printed.
 *
 * <p>The property {@code orbispace.sequences} sets how many; 500 take some minutes.
 */
class ListeningSequencesTest {
    @Test
    void whateverIsDoneNothingClicksAndWhatIsHeardIsWhatIsPrinted() {
        int count = Integer.getInteger("orbispace.sequences", 16);
        int first = Integer.getInteger("orbispace.sequences.first", 0);
        Map<Integer, List<String>> wrong = new TreeMap<>();
        IntStream.range(first, first + count)
                .parallel()
                .forEach(seed -> {
                    List<String> found = ListeningSequence.wrong(seed);
                    if (!found.isEmpty()) {
                        synchronized (wrong) {
                            wrong.put(seed, found);
                        }
                    }
                });
        assertThat(wrong).isEmpty();
    }
}
