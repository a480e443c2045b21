package orbispace.core.prove.stem;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.audio.Polarity;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Placement;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.material.Ambience;
import orbispace.core.material.GateKey;
import orbispace.core.material.Hits;
import orbispace.core.material.LineUp;
import orbispace.core.material.PrintedRoom;
import orbispace.core.material.Spectrum;
import orbispace.core.material.StemCheck;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Severity;
import org.junit.jupiter.api.Test;

class StemFindingsTest {
    private static final StemCheck CLEAN = new StemCheck(0, 0, 0, false);

    private final Design design =
            new Design(
                    Fields.song(120),
                    List.of(
                            Fields.source("voice", Role.LEAD),
                            Fields.source("drum", Role.HITS),
                            Fields.source("shaker", Role.HITS)),
                    List.of());

    private static StemFacts facts(
            StemCheck check, Optional<Ambience> room, Optional<GateKey> gate, double last) {
        return new StemFacts(
                check,
                new Spectrum(Collections.nCopies(Spectrum.BANDS, -30.0)),
                OptionalDouble.of(-20),
                -3,
                12,
                0.8,
                last,
                new PrintedRoom(room, true),
                Optional.empty(),
                Optional.empty(),
                gate.map(GateKey::events),
                gate);
    }

    private static StemFacts clean() {
        return facts(CLEAN, Optional.empty(), Optional.empty(), 60);
    }

    private static StemFindings.Stem stem(StemFacts facts) {
        return new StemFindings.Stem(facts, 60, 48000);
    }

    private List<Finding> judge(String id, StemFindings.Stem stem) {
        Map<String, StemFindings.Stem> all =
                new java.util.HashMap<>(
                        Map.of(
                                "voice", stem(clean()),
                                "drum", stem(clean()),
                                "shaker", stem(clean())));
        all.put(id, stem);
        return StemFindings.of(design, all, List.of());
    }

    private Finding only(List<Finding> findings, String rule) {
        assertThat(findings).hasSize(1);
        assertThat(findings.getFirst().rule()).isEqualTo(rule);
        return findings.getFirst();
    }

    private Source after(Finding finding, int remedy, String id) {
        return finding.remedies().get(remedy).edit().applyTo(design).findSource(id).orElseThrow();
    }

    @Test
    void cleanStemsRaiseNoFinding() {
        assertThat(judge("voice", stem(clean()))).isEmpty();
        assertThat(StemFindings.of(design, Map.of(), List.of())).isEmpty();
    }

    @Test
    void clippingOffsetAndSilenceAreTold() {
        StemCheck clipped = new StemCheck(12, 3.25, 0, false);
        Finding clip =
                only(
                        judge(
                                "voice",
                                stem(facts(clipped, Optional.empty(), Optional.empty(), 60))),
                        "clipped");
        assertThat(clip.severity()).isEqualTo(Severity.ACT);
        assertThat(clip.evidence()).contains("12", "3.25 s");
        assertThat(clip.seconds()).hasValue(3.25);
        StemCheck offset = new StemCheck(0, 0, 0.01, false);
        Finding dc =
                only(
                        judge("voice", stem(facts(offset, Optional.empty(), Optional.empty(), 60))),
                        "constant-offset");
        assertThat(after(dc, 0, "voice").placement()).isEqualTo(Placement.AS_IS.without(0.01));
        StemCheck silent = new StemCheck(0, 0, 0, true);
        Finding none =
                only(
                        judge("drum", stem(facts(silent, Optional.empty(), Optional.empty(), 0))),
                        "silent");
        assertThat(none.remedies().getFirst().edit().applyTo(design).findSource("drum")).isEmpty();
    }

    @Test
    void aPrintedRoomIsMarkedOnce() {
        Optional<Ambience> room = Optional.of(new Ambience(0.9, 14, 5));
        StemFindings.Stem wet = stem(facts(CLEAN, room, Optional.empty(), 60));
        Finding found = only(judge("voice", wet), "already-wet");
        assertThat(found.flag()).isEqualTo("wet, 0.9 s");
        assertThat(found.evidence()).doesNotContain("not sure");
        StemFacts few =
                facts(CLEAN, Optional.of(new Ambience(0.9, 14, 5, false)), Optional.empty(), 60);
        assertThat(only(judge("voice", stem(few)), "already-wet").evidence())
                .endsWith("Its length is not sure.");
        assertThat(severityOfDoubtful(4)).isEqualTo(Severity.WEIGH);
        assertThat(severityOfDoubtful(3)).as("may be how it is let go").isEqualTo(Severity.KNOW);
        assertThat(found.severity()).isEqualTo(Severity.WEIGH);
        assertThat(after(found, 0, "voice").wet()).isTrue();
        Design marked = found.remedies().getFirst().edit().applyTo(design);
        Finding known = StemFindings.of(marked, Map.of("voice", wet), List.of()).getFirst();
        assertThat(known.severity()).isEqualTo(Severity.KNOW);
    }

    private Severity severityOfDoubtful(int stops) {
        Optional<Ambience> room = Optional.of(new Ambience(0.9, 14, stops, false));
        StemFindings.Stem stem = stem(facts(CLEAN, room, Optional.empty(), 60));
        return only(judge("voice", stem), "already-wet").severity();
    }

    @Test
    void aStemThatWasPrintedAsAnEchoOfAnotherIsToldAndNotMoved() {
        Design printed =
                design.withSources(
                        design.sources().stream()
                                .map(s -> s.id().equals("shaker") ? s.withKind(StemKind.EFFECT) : s)
                                .toList());
        LineUp later = new LineUp(14_400, Polarity.SAME, 0.9, 0.95);
        Finding found =
                only(
                        StemFindings.of(
                                printed,
                                Map.of(),
                                List.of(new SharedSound("voice", "shaker", later))),
                        "printed-echo");
        assertThat(found.subject()).isEqualTo("shaker");
        assertThat(found.severity()).isEqualTo(Severity.KNOW);
        assertThat(found.evidence()).contains("300.00 ms later");
        assertThat(found.remedies()).isEmpty();
    }

    /** Eight bars at 120 bpm in two sections of four, the second so much later. */
    private Optional<Severity> driftOf(double lateMillis) {
        Design two =
                design.withSong(
                        design.song()
                                .withSections(
                                        List.of(
                                                new Section("One", 1, 4),
                                                new Section("Two", 5, 4))));
        List<Hits.Hit> hits = new java.util.ArrayList<>();
        for (int beat = 0; beat < 32; beat++) {
            double late = beat < 16 ? 0 : lateMillis / 1000;
            hits.add(new Hits.Hit(beat * 0.5 + late, -10, -20));
        }
        GateKey key = new GateKey(-20, 2, 0, 0, 8, new Hits(hits, List.of()));
        StemFindings.Stem stem = stem(facts(CLEAN, Optional.empty(), Optional.of(key), 60));
        return StemFindings.of(two, Map.of("drum", stem), List.of()).stream()
                .filter(f -> f.rule().equals("drift"))
                .map(Finding::severity)
                .findFirst();
    }

    @Test
    void aSectionThatDriftsIsToldFromTenMillisecondsAndWeighedFromTwenty() {
        assertThat(driftOf(9)).isEmpty();
        assertThat(driftOf(12)).hasValue(Severity.KNOW);
        assertThat(driftOf(-12)).hasValue(Severity.KNOW);
        assertThat(driftOf(22)).hasValue(Severity.WEIGH);
    }

    @Test
    void bleedNamesTheGateAndItsKey() {
        Hits events =
                new Hits(List.of(new Hits.Hit(1, -6, -20)), List.of(new Hits.Hit(1.5, -14, -30)));
        GateKey key = new GateKey(-10, 2.5, 0, 315, 8, events);
        StemFacts bled = facts(CLEAN, Optional.empty(), Optional.of(key), 60);
        Finding found = only(judge("drum", stem(bled)), "bleed");
        assertThat(found.evidence()).contains("1 hits", "8.0 dB", "up to 315 Hz", "\u221210.0 dB");
        assertThat(found.evidence()).doesNotContain("not sure");
        assertThat(judge("voice", stem(bled))).as("a voice is no drum").isEmpty();
        Hits near = new Hits(events.hits(), events.bleed(), false);
        GateKey doubted = new GateKey(-10, 2.5, 0, 315, 8, near);
        StemFacts doubtful = facts(CLEAN, Optional.empty(), Optional.of(doubted), 60);
        assertThat(only(judge("drum", stem(doubtful)), "bleed").evidence()).endsWith("not sure.");
    }

    @Test
    void lengthAndRateAreComparedWithTheRest() {
        Finding tail = only(judge("shaker", new StemFindings.Stem(clean(), 70, 48000)), "length");
        assertThat(tail.evidence()).contains("10.0 s longer", "silent from 60.0 s");
        assertThat(after(tail, 0, "shaker").placement().keepFrames()).isEqualTo(61 * 48000);
        StemFacts shortOne = facts(CLEAN, Optional.empty(), Optional.empty(), 50);
        Finding cut = only(judge("shaker", new StemFindings.Stem(shortOne, 50, 48000)), "length");
        assertThat(cut.evidence()).contains("10.0 s shorter");
        assertThat(cut.remedies()).isEmpty();
        Finding rate = only(judge("voice", new StemFindings.Stem(clean(), 60, 44100)), "rate");
        assertThat(rate.evidence()).contains("44100 Hz", "48000 Hz");
    }

    private Finding pair(String first, String second, LineUp lineUp) {
        return only(
                StemFindings.of(design, Map.of(), List.of(new SharedSound(first, second, lineUp))),
                "unaligned");
    }

    @Test
    void ofTwoCopiesTheLaterIsMovedEarlier() {
        Finding found = pair("voice", "shaker", new LineUp(1234, Polarity.SAME, 0.9, 0.95));
        assertThat(found.subject()).isEqualTo("shaker");
        assertThat(found.flag()).isEqualTo("1234 late");
        assertThat(after(found, 0, "shaker").placement().shiftFrames()).isEqualTo(-1234);
        Design grouped = found.remedies().getLast().edit().applyTo(design);
        assertThat(grouped.layersOf(grouped.findSource("voice").orElseThrow())).hasSize(2);
        Finding other = pair("voice", "shaker", new LineUp(-50, Polarity.INVERTED, 0.9, 0.95));
        assertThat(other.subject()).isEqualTo("voice");
        assertThat(after(other, 0, "voice").placement())
                .isEqualTo(Placement.AS_IS.shifted(-50).turned());
    }

    @Test
    void whatIsNotSureIsToBeWeighedAndWhatIsTooFarIsNoBleed() {
        Finding sure = pair("drum", "shaker", new LineUp(154, Polarity.SAME, 0.9, 0.01));
        assertThat(sure.severity()).isEqualTo(Severity.ACT);
        Finding unsure = pair("drum", "shaker", new LineUp(154, Polarity.NOT_SURE, 0.6, 0.01));
        assertThat(unsure.severity()).isEqualTo(Severity.WEIGH);
        assertThat(unsure.evidence()).contains("not sure");
        LineUp far = new LineUp(4801, Polarity.SAME, 0.6, 0.01);
        assertThat(
                        StemFindings.of(
                                design, Map.of(), List.of(new SharedSound("drum", "shaker", far))))
                .isEmpty();
        LineUp near = new LineUp(4800, Polarity.SAME, 0.6, 0.01);
        assertThat(pair("drum", "shaker", near).flag()).isEqualTo("4800 early");
    }

    @Test
    void whatBleedsIsMovedTowardsItsBleed() {
        Finding found = pair("drum", "shaker", new LineUp(-154, Polarity.INVERTED, 0.9, 0.01));
        assertThat(found.subject()).isEqualTo("shaker");
        assertThat(found.flag()).isEqualTo("154 early, inverted");
        assertThat(found.evidence()).contains("154 samples (3.21 ms) later", "upside down");
        assertThat(found.remedies()).hasSize(3);
        assertThat(after(found, 0, "shaker").placement())
                .isEqualTo(Placement.AS_IS.shifted(154).turned());
        assertThat(after(found, 1, "shaker").placement().inverted()).isFalse();
    }

    @Test
    void stemsThatAgreeNeedNothingOnceTheyAreGrouped() {
        LineUp same = new LineUp(0, Polarity.SAME, 0.95, 0.9);
        Finding found = pair("drum", "shaker", same);
        assertThat(found.severity()).isEqualTo(Severity.KNOW);
        Design grouped = found.remedies().getFirst().edit().applyTo(design);
        assertThat(
                        StemFindings.of(
                                grouped,
                                Map.of(),
                                List.of(new SharedSound("drum", "shaker", same))))
                .isEmpty();
        assertThat(
                        StemFindings.of(
                                design, Map.of(), List.of(new SharedSound("drum", "gone", same))))
                .isEmpty();
    }
}
