package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** Four sections of four seconds: sung, blown, played by keys alone, and struck. */
class LeadFinderTest {
    private static final double RATE = 24000;

    private final Map<String, Audio> audio = new LinkedHashMap<>();

    /** Noise in a band that sounds within some stretches. */
    private Source source(String name, Role role, double level, double lowHz, Span... sounds) {
        float[] x = Signals.noise(level * level, lowHz, 3 * lowHz, 16, RATE, name.hashCode());
        for (int i = 0; i < x.length; i++) {
            boolean on = false;
            for (Span s : sounds) {
                on |= s.contains(i / RATE);
            }
            x[i] *= on ? 1 : 0;
        }
        String id = name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-');
        audio.put(id, Signals.mono(RATE, x));
        return new Source(id, name, id + ".wav", role, 0, 0);
    }

    private List<LeadFinder.Proposed> found(List<Source> sources, Map<String, Phrases> phrases) {
        List<Section> sections =
                List.of(
                        new Section("A", 1, 2, SectionKind.VERSE),
                        new Section("B", 3, 2, SectionKind.SOLO),
                        new Section("C", 5, 2, SectionKind.BRIDGE),
                        new Section("D", 7, 2, SectionKind.OUTRO));
        SongMaterial material = new SongMaterial(audio, RATE);
        CoverAnalysis analysis =
                new CoverAnalysis(
                        new Renderer(material, material.frames(), new StageCache(1L << 26)),
                        -20,
                        10);
        Song song = new Song("Tide", RATE, SongClock.constant(120, 4, 4), sections);
        return LeadFinder.find(analysis, new Design(song, sources, List.of()), phrases, Job.QUIET);
    }

    @Test
    void aVoiceGoesBeforeWindsAndWindsBeforeWhatIsLouder() {
        List<Source> sources =
                List.of(
                        source("Keys", Role.HARMONY_BED, 0.1, 300, new Span(0, 12)),
                        source("Lead vox", Role.LEAD, 0.05, 500, new Span(0, 3)),
                        source("Sax", Role.COLOUR, 0.05, 700, new Span(3, 8)),
                        source("Kick", Role.HITS, 0.2, 100, new Span(0, 16)),
                        source("Bass", Role.BASS, 0.2, 100, new Span(0, 16)));
        List<LeadFinder.Proposed> found = found(sources, Map.of());
        assertThat(found)
                .extracting(p -> p.lead().id())
                .as("the last section holds nothing that may lead")
                .containsExactly("lead-vox", "sax", "keys");
        assertThat(found).extracting(LeadFinder.Proposed::section).containsExactly(0, 1, 2);
        assertThat(found.getFirst().active()).isCloseTo(0.75, within(0.05));
        assertThat(found.getFirst().why())
                .startsWith("Lead vox sounds in 7")
                .contains("% of the loudness");
    }

    @Test
    void whatSoundsInLessThanAQuarterOfASectionDoesNotLeadIt() {
        List<Source> sources =
                List.of(
                        source("Keys", Role.HARMONY_BED, 0.1, 300, new Span(0, 16)),
                        source("Sax", Role.COLOUR, 0.1, 700, new Span(0, 0.8), new Span(4, 5.4)));
        assertThat(found(sources, Map.of()))
                .extracting(p -> p.lead().id())
                .containsExactly("keys", "sax", "keys", "keys");
    }

    @Test
    void phrasesTellHowMuchIsSungWhereTheyAreKnown() {
        List<Source> sources = List.of(source("Lead vox", Role.LEAD, 0.1, 500, new Span(0, 16)));
        Phrases sung = Phrases.at(List.of(new Span(1, 2), new Span(7, 9)));
        List<LeadFinder.Proposed> found = found(sources, Map.of("lead-vox", sung));
        assertThat(found).extracting(LeadFinder.Proposed::section).containsExactly(0, 1, 2);
        assertThat(found).extracting(LeadFinder.Proposed::active).containsExactly(0.25, 0.25, 0.25);
    }
}
