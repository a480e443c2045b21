package orbispace.core.prove.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import orbispace.core.design.Fields;
import org.junit.jupiter.api.Test;

class LogbookTest {
    private static final Instant NOON = Instant.parse("2026-03-01T12:00:00Z");

    private static Snapshot snapshot(String name) {
        return new Snapshot(name, "", NOON, Fields.two(), LogMeasures.NONE);
    }

    @Test
    void theNewestFiveThousandEntriesAreKept() {
        List<LogEntry> many =
                IntStream.range(0, 5001).mapToObj(i -> LogEntry.note(NOON, "note " + i)).toList();
        assertThat(new Logbook(List.of(), many.subList(0, 5000)).entries()).hasSize(5000);
        Logbook full = new Logbook(List.of(), many);
        assertThat(full.entries()).hasSize(5000);
        assertThat(full.entries().getFirst().what()).isEqualTo("note 1");
        Logbook more = full.with(LogEntry.note(NOON, "last"));
        assertThat(more.entries()).hasSize(5000);
        assertThat(more.search("").getFirst().what()).isEqualTo("last");
    }

    @Test
    void namesAreSingleWhateverTheirCase() {
        Logbook one = Logbook.EMPTY.with(snapshot(" Quay "));
        assertThat(one.find("quay ")).isPresent();
        assertThatThrownBy(() -> one.with(snapshot("QUAY"))).hasMessageContaining("already");
        Logbook two = one.with(snapshot("Pier"));
        Snapshot pier = two.find("pier").orElseThrow();
        assertThatThrownBy(() -> two.replacing(pier, snapshot("quay")))
                .hasMessageContaining("same name");
        assertThat(two.replacing(pier, snapshot("Mole")).find("mole")).isPresent();
        assertThat(two.without("QUAY").snapshots())
                .extracting(Snapshot::name)
                .containsExactly("Pier");
        assertThat(snapshot("n".repeat(80)).name()).hasSize(80);
        assertThatThrownBy(() -> snapshot("n".repeat(81))).hasMessageContaining("1 to 80");
        assertThatThrownBy(() -> snapshot(" ")).hasMessageContaining("1 to 80");
    }

    @Test
    void entriesAreFoundByAnyOfTheirWords() {
        LogEntry entry =
                new LogEntry(
                        NOON,
                        "decay of A",
                        "1.2 s",
                        "0.9 s",
                        "the gap",
                        LogMeasures.NONE,
                        LogMeasures.NONE);
        for (String word : List.of("DECAY", "1.2", "0.9 S", "gap ", "")) {
            assertThat(Logbook.EMPTY.with(entry).search(word)).as(word).hasSize(1);
        }
        assertThat(Logbook.EMPTY.with(entry).search("predelay")).isEmpty();
        LogEntry twice = entry.because("drier").because("for the bridge");
        assertThat(twice.why()).isEqualTo("the gap; drier; for the bridge");
        assertThat(LogEntry.note(NOON, "x").because("so").why()).isEqualTo("so");
        Logbook reasoned = Logbook.EMPTY.with(entry).replacing(entry, twice);
        assertThat(reasoned.entries()).containsExactly(twice);
        assertThat(LogEntry.note(NOON, LogEntry.ACCEPTED + "hidden A").accepted())
                .contains("hidden A");
        assertThat(entry.accepted()).isEmpty();
    }

    @Test
    void whatCannotBeMeasuredIsRefused() {
        OptionalDouble none = OptionalDouble.empty();
        LogMeasures most =
                new LogMeasures(
                        OptionalDouble.of(-400), OptionalDouble.of(400), OptionalDouble.of(1));
        assertThat(most.presenceKept()).hasValue(1);
        assertThat(new LogMeasures(none, none, OptionalDouble.of(0)).presenceKept()).hasValue(0);
        assertThatThrownBy(() -> new LogMeasures(OptionalDouble.of(-400.5), none, none))
                .hasMessageContaining("loudness");
        assertThatThrownBy(() -> new LogMeasures(none, OptionalDouble.of(400.5), none))
                .hasMessageContaining("true peak");
        assertThatThrownBy(() -> new LogMeasures(none, none, OptionalDouble.of(1.01)))
                .hasMessageContaining("presence");
        assertThatThrownBy(() -> new LogMeasures(none, none, OptionalDouble.of(-0.01)))
                .hasMessageContaining("presence");
    }
}
