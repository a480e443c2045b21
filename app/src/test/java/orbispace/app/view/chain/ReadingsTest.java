package orbispace.app.view.chain;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.app.Knobs;
import orbispace.app.view.control.HomePath;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Knob;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;

class ReadingsTest {
    private static final MusicalTime EIGHTH =
            new MusicalTime.Note(NoteValue.parse("1/8").orElseThrow(), 0);

    private static Design design(Space space) {
        Song song = new Song("Ferry", 48000, SongClock.constant(120, 4, 4), List.of());
        Source voice = new Source("voice", "Voice", "voice.wav", Role.LEAD, 0, 0);
        Return a =
                Return.of(
                        "A",
                        "Sound lock",
                        Map.of("voice", -12.0),
                        Filter.OPEN,
                        EIGHTH,
                        space,
                        Filter.OPEN,
                        null,
                        -3,
                        1);
        return new Design(song, List.of(voice), List.of(a));
    }

    private static String read(Design design, String name) {
        return Knobs.reading(design, design.requireReturn("A"), name);
    }

    @Test
    void aHallReadsInItsUnits() {
        Design d = design(Space.hall(2.1, 1.1, 0.6));
        assertThat(read(d, "decay")).isEqualTo("2.10 s");
        assertThat(read(d, "lows")).isEqualTo("\u00d71.10");
        assertThat(read(d, "predelay")).isEqualTo("1/8 250 ms");
        assertThat(read(d, "return")).isEqualTo("\u22123.0 dB");
        assertThat(read(d, "feedback")).isEqualTo("nothing");
    }

    @Test
    void anEchoReadsTimeFeedbackAndSides() {
        Design d = design(Space.Echo.pingPong(new MusicalTime.Millis(333.4), 0.31, 120, 6000, 0.7));
        assertThat(read(d, "echo time")).isEqualTo("333.4 ms");
        assertThat(read(d, "feedback")).isEqualTo("31 %");
        assertThat(read(d, "sides")).isEqualTo("70 %");
        assertThat(read(d, "decay")).isEqualTo("nothing");
    }

    @Test
    void whatIsOffSaysSo() {
        Design d = design(Space.hall(1, 1, 1));
        assertThat(read(d, "high-pass")).isEqualTo("off");
        assertThat(read(d, "low-pass before")).isEqualTo("off");
        assertThat(read(d, "depth")).isEqualTo("off");
        assertThat(read(d, "hold")).isEqualTo("\u2013");
    }

    @Test
    void cornersReadInHertzAndKilohertz() {
        Filter f =
                Filter.OPEN
                        .withHighPass(new Filter.Corner(310, 2))
                        .withLowPass(new Filter.Corner(6500, 4));
        Design d = new ReturnEdit.FilterOut("A", f).applyTo(design(Space.hall(1, 1, 1)));
        assertThat(read(d, "high-pass")).isEqualTo("310 Hz");
        assertThat(read(d, "low-pass")).isEqualTo("6.5 kHz");
    }

    @Test
    void aDuckerReadsDepthHoldAndRelease() {
        Design d =
                new ReturnEdit.Ducking("A", new Duck("voice", 6, -40, 8, 6, 5, 100, 240))
                        .applyTo(design(Space.hall(1, 1, 1)));
        assertThat(read(d, "depth")).isEqualTo("6.0 dB");
        assertThat(read(d, "hold")).isEqualTo("100 ms");
        assertThat(read(d, "release")).isEqualTo("240 ms");
    }

    @Test
    void everyNumberThatIsReadCanBeTyped() {
        Design hall = design(Space.hall(1, 1, 1));
        Return a = hall.requireReturn("A");
        List<Knob> read = Knobs.all(a).stream().filter(k -> k.read(hall, a).isPresent()).toList();
        assertThat(read).hasSizeGreaterThan(15).allMatch(k -> !k.accepted().isBlank());
        assertThat(read.stream().map(Knob::title)).doesNotHaveDuplicates();
    }

    @Test
    void pathsInTheOwnFolderAreShort() {
        Path home = Path.of(System.getProperty("user.home"));
        assertThat(HomePath.shown(home.resolve("songs").resolve("ferry")))
                .isEqualTo("~/songs/ferry");
        assertThat(HomePath.parse("~/songs")).isEqualTo(Optional.of(home.resolve("songs")));
        assertThat(HomePath.parse(" /tmp/x ")).isEqualTo(Optional.of(Path.of("/tmp/x")));
        assertThat(HomePath.shown(Path.of("/elsewhere"))).isEqualTo("/elsewhere");
        assertThat(HomePath.parse("  ")).isEmpty();
        assertThat(HomePath.parse("a\0b")).isEmpty();
    }
}
