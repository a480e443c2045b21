package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class RoomFinderTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 4;
    private static final Map<String, Audio> STEMS =
            Map.of(
                    "voice", noise(0.004, 300, 4000, 1),
                    "keys", noise(0.004, 2000, 9000, 2),
                    "bass", noise(0.004, 40, 110, 3));

    private static Audio noise(double power, double low, double high, int seed) {
        return Signals.mono(RATE, Signals.noise(power, low, high, SECONDS, RATE, seed));
    }

    private static List<RoomMove> moves(Source... sources) {
        Design design = new Design(Fields.song(120), List.of(sources), List.of());
        Map<String, Audio> laid = new java.util.TreeMap<>();
        for (Source s : sources) {
            laid.put(s.id(), s.laid(java.util.Objects.requireNonNull(STEMS.get(s.id()))));
        }
        Renderer renderer =
                new Renderer(
                        new SongMaterial(laid, RATE),
                        (int) (SECONDS * RATE),
                        new StageCache(1L << 28));
        Phrases all =
                Phrases.found(
                        List.of(new Span(0, SECONDS)),
                        List.of(),
                        new Phrases.Levels(-80, -50, -20));
        Question q = new Question(design, sources[0], "", all, new Span(0, SECONDS), false);
        return RoomFinder.find(new CoverAnalysis(renderer, -20, 10), q, Job.QUIET);
    }

    private static Source voice() {
        return Fields.source("voice", Role.LEAD);
    }

    private static Source keys() {
        return Fields.source("keys", Role.HARMONY_BED);
    }

    @Test
    void twoThatFightInOnePlaceAreParted() {
        List<RoomMove> moves = moves(voice(), keys());
        assertThat(moves).isNotEmpty();
        assertThat(moves).allMatch(m -> m.gain() > 0 && m.before().first() < 0.9);
        assertThat(moves)
                .anyMatch(m -> m.change().contains("right") || m.change().contains("left"));
        assertThat(moves).anyMatch(m -> m.change().contains("dB less"));
        assertThat(moves).isSortedAccordingTo((a, b) -> Double.compare(b.gain(), a.gain()));
    }

    @Test
    void movesAreOfTheirStepsAndSayWhoIsInTheWay() {
        List<RoomMove> moves = moves(voice(), keys().withPan(0.2));
        for (RoomMove m : moves) {
            assertThat(m.why())
                    .isEqualTo(
                            ("both sound in the same place, and beside keys only %.0f %% of voice"
                                            + " is heard")
                                    .formatted(100 * m.before().first()));
            Source keys = m.changed().get(1);
            if (m.change().startsWith("keys from")) {
                assertThat(keys.pan())
                        .isCloseTo(0.55, org.assertj.core.api.Assertions.within(1e-9));
                assertThat(m.change()).isEqualTo("keys from 20 % right to 55 % right. ");
            } else {
                assertThat(m.change()).contains("3 dB less around");
                assertThat(keys.dips()).hasSize(1);
                assertThat(keys.dips().getFirst().octaves()).isEqualTo(1);
            }
        }
        assertThat(moves.stream().map(RoomMove::change)).anyMatch(c -> c.startsWith("keys from"));
        List<RoomMove> dipped =
                moves(
                        voice(),
                        keys().withDips(
                                        java.util.Collections.nCopies(
                                                4, new Filter.Dip(100, 3, 1))));
        assertThat(dipped.stream().map(RoomMove::change)).noneMatch(c -> c.startsWith("keys 3 dB"));
    }

    @Test
    void whatAMovePromisesIsWhatItDoes() {
        for (RoomMove m : moves(voice(), keys())) {
            List<RoomMove> again = moves(m.changed().get(0), m.changed().get(1));
            if (!again.isEmpty()) {
                assertThat(again.getFirst().before().first())
                        .isCloseTo(m.after().first(), org.assertj.core.api.Assertions.within(0.01));
            }
        }
    }

    @Test
    void thoseThatDoNotFightAreLeftAlone() {
        assertThat(moves(voice(), Fields.source("bass", Role.BASS))).isEmpty();
        assertThat(moves(voice().withPan(-1), keys().withPan(1))).isEmpty();
        assertThat(moves(voice(), keys().withGain(-40))).isEmpty();
    }

    @Test
    void aMoveIsAnEditOfBothSourcesThatUndoCanTakeBack() {
        RoomMove move = moves(voice(), keys()).getFirst();
        Design design = new Design(Fields.song(120), List.of(voice(), keys()), List.of());
        Design moved = move.edit(design).applyTo(design);
        assertThat(moved.sources()).isEqualTo(move.changed()).isNotEqualTo(design.sources());
        assertThat(move.edit(design).subject()).startsWith("room between");
    }

    @Test
    void aDipOfASourceIsHeardAtItsPlaceAndNowhereElse() {
        Source dipped = voice().withDips(List.of(new Filter.Dip(1000, 3, 1)));
        for (double hz : new double[] {100, 1000, 10000}) {
            Audio tone = Signals.mono(RATE, Signals.sine(hz, 0.5, 1, RATE));
            double db = 10 * Math.log10(dipped.laid(tone).meanSquare() / tone.meanSquare());
            assertThat(db)
                    .isCloseTo(hz == 1000 ? -3 : 0, org.assertj.core.api.Assertions.within(0.05));
        }
        assertThat(voice().laid(Signals.mono(RATE, new float[8])).frames()).isEqualTo(8);
    }
}
