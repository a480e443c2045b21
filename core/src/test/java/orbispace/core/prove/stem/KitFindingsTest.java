package orbispace.core.prove.stem;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Polarity;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Role;
import orbispace.core.material.Ambience;
import orbispace.core.material.Hits;
import orbispace.core.material.LineUp;
import orbispace.core.material.kit.Kit;
import orbispace.core.material.kit.KitStem;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Severity;
import org.junit.jupiter.api.Test;

class KitFindingsTest {
    private static final Kit.Line IN_LINE = new Kit.Line(0, true, false, 0);
    private static final List<String> IDS = List.of("snare", "tom", "over");

    private Design design =
            new Design(
                    Fields.song(120),
                    List.of(
                            Fields.source("snare", Role.HITS),
                            Fields.source("tom", Role.HITS),
                            Fields.source("over", Role.HITS),
                            Fields.source("voice", Role.LEAD)),
                    List.of());

    /** The tom hears the snare so loud that their sum ripples by so much. */
    private static KitFound kit(double rippleDb, Kit.Line tom) {
        double ratio = Decibels.toAmplitude(rippleDb);
        double db = Decibels.ofAmplitude((ratio - 1) / (ratio + 1));
        KitStem stem =
                new KitStem(
                        List.of(new KitStem.Stroke(1, -6, false), new KitStem.Stroke(2, -20, true)),
                        List.of(),
                        new Hits(List.of(new Hits.Hit(1, -6, -12)), List.of()),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.of(new Ambience(0.7, 3, 24)));
        List<Kit.Line> lines = List.of(IN_LINE, tom, new Kit.Line(140, false, false, 0));
        return new KitFound(
                IDS,
                new Kit(
                        Collections.nCopies(3, stem),
                        List.of(0, 1, 2),
                        lines,
                        List.of(new Kit.Heard(1, 0, db)),
                        OptionalDouble.of(0.5)));
    }

    private Finding judge(KitFound kit) {
        List<SharedSound> pairs =
                List.of(
                        new SharedSound("snare", "tom", new LineUp(37, Polarity.SAME, 0.9, 0.02)),
                        new SharedSound("snare", "over", new LineUp(140, Polarity.SAME, 0.9, 0.3)));
        List<Finding> found = StemFindings.of(design, Map.of(), pairs, Optional.of(kit));
        assertThat(found).as("one for the kit, none for its pairs").hasSize(1);
        return found.getFirst();
    }

    @Test
    void aLateStemMattersAsMuchAsItsSumRipples() {
        Kit.Line late = new Kit.Line(37, true, false, 37);
        assertThat(judge(kit(0.5, late)).severity()).isEqualTo(Severity.KNOW);
        assertThat(judge(kit(2, late)).severity()).isEqualTo(Severity.WEIGH);
        assertThat(judge(kit(5, late)).severity()).isEqualTo(Severity.ACT);
        assertThat(judge(kit(5, late)).evidence())
                .contains("3 stems", "6 own strokes", "3 of them ghosts", "tom +37 samples");
    }

    @Test
    void aStemThatIsUpsideDownMattersAsMuchAsItTakesFromLowNotes() {
        Kit.Line turned = new Kit.Line(0, true, true, 0);
        // A ripple of 4 dB is bleed at 0.226: in phase against the rest 2.2 dB are lost.
        assertThat(judge(kit(0.5, turned)).severity()).isEqualTo(Severity.KNOW);
        assertThat(judge(kit(4, turned)).severity()).isEqualTo(Severity.WEIGH);
        assertThat(judge(kit(7, turned)).severity()).isEqualTo(Severity.ACT);
        assertThat(judge(kit(4, turned)).brings().orElseThrow().words())
                .isEqualTo("2.2 dB more of low notes");
    }

    @Test
    void bleedMattersAsLoudAsItIsInTheMix() {
        Kit.Line late = new Kit.Line(37, true, false, 37);
        assertThat(judge(kit(5, late)).severity()).isEqualTo(Severity.ACT);
        design =
                design.withSources(
                        design.sources().stream()
                                .map(s -> s.id().equals("tom") ? s.withGain(-24) : s)
                                .toList());
        assertThat(judge(kit(5, late)).severity()).isEqualTo(Severity.KNOW);
    }

    @Test
    void whatNoDistanceExplainsIsShiftedAndNoMore() {
        Finding found = judge(kit(5, new Kit.Line(12, true, false, 0)));
        assertThat(found.remedies()).isEmpty();
        assertThat(found.severity()).isEqualTo(Severity.KNOW);
        assertThat(found.evidence()).contains("left alone: tom +12 samples (+0.25 ms); over");
    }

    @Test
    void oneRemedyLinesUpTheKitAndLeavesNaturalDistancesAlone() {
        Finding found = judge(kit(5, new Kit.Line(37, true, true, 37)));
        Design mended = found.remedies().getFirst().edit().applyTo(design);
        assertThat(mended.findSource("tom").orElseThrow().placement().shiftFrames()).isEqualTo(-37);
        assertThat(mended.findSource("tom").orElseThrow().placement().inverted()).isTrue();
        assertThat(mended.findSource("over")).isEqualTo(design.findSource("over"));
    }

    @Test
    void aKitInLineIsOnlySaid() {
        Finding found = judge(kit(0, IN_LINE));
        assertThat(found.severity()).isEqualTo(Severity.KNOW);
        assertThat(found.remedies()).isEmpty();
        assertThat(found.evidence()).contains("one each 0.500 s", "lie in line");
    }

    @Test
    void pairsWithWhatIsNotOfTheKitAreKept() {
        SharedSound other = new SharedSound("voice", "tom", new LineUp(5, Polarity.SAME, 0.9, 0.5));
        assertThat(kit(0, IN_LINE).without(List.of(other))).containsExactly(other);
    }
}
