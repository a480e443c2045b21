package orbispace.core.prove.rule;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import orbispace.core.clear.ReturnCost;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.material.Ambience;
import orbispace.core.material.GateKey;
import orbispace.core.material.Phrases;
import orbispace.core.material.PrintedRoom;
import orbispace.core.material.Spectrum;
import orbispace.core.material.StemCheck;
import orbispace.core.material.StemFacts;
import orbispace.core.measure.StereoReport;
import orbispace.core.measure.Widening;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.prove.Finding;
import orbispace.core.prove.stem.SharedSound;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;

/**
 * A song of three sections with a voice, a drum and a pad, and what is said to be measured of it.
 */
abstract class RuleCase {
    /** Phrases of two seconds with gaps of 1.2 s. */
    static final Phrases PHRASES =
            Phrases.found(
                    List.of(new Span(0, 2), new Span(3.2, 5.2), new Span(6.4, 8.4)),
                    List.of(),
                    new Phrases.Levels(-80, -50, -20));

    final Map<String, StemFacts> stems = new TreeMap<>();
    final Map<String, ReturnFacts> returns = new TreeMap<>();
    final List<SharedSound> pairs = new ArrayList<>();
    List<ThrowConflict> conflicts = List.of();

    static StemFacts stem(
            Optional<Ambience> ambience, Optional<Phrases> phrases, Optional<GateKey> gate) {
        return new StemFacts(
                new StemCheck(0, -1, 0, false),
                new Spectrum(List.of()),
                OptionalDouble.of(-20),
                -6,
                12,
                0.8,
                9,
                new PrintedRoom(ambience, true),
                Optional.empty(),
                phrases,
                gate.map(GateKey::events),
                gate);
    }

    static ReturnFacts facts(
            double lows, double lu, OptionalDouble monoLoss, double share, Float... envelope) {
        return new ReturnFacts(
                new ReturnCost("x", List.of(lows, 0.1, 0.2, 0.6, 0.1 - lows), lu, lu / 2),
                new StereoReport(OptionalDouble.of(0), monoLoss, List.of()),
                List.of(envelope),
                OptionalDouble.of(share),
                Widening.NONE,
                OptionalDouble.of(-4.5),
                0,
                Optional.empty(),
                Map.of());
    }

    /** A return about which there is nothing to say. */
    static ReturnFacts good() {
        return facts(0.005, 0.4, OptionalDouble.of(3), 0.015, 1f, 0.2f, 0.8f, 0.1f);
    }

    static Design design(Return... all) {
        SectionPlan moves = SectionPlan.NONE.withCell("Z", PlanCell.PLAIN.withLevel(-3));
        List<Section> sections =
                List.of(
                        new Section("Verse", 1, 2).withPlan(moves),
                        new Section("Chorus", 3, 2),
                        new Section("End", 5, 2));
        List<Return> returns = new ArrayList<>(List.of(all));
        returns.add(Fields.hall("Z", 0.5, Map.of()));
        return new Design(
                new Song("Rules", 48000, SongClock.constant(120, 4, 4), sections),
                List.of(
                        Fields.source("voice", Role.LEAD),
                        Fields.source("drum", Role.HITS),
                        Fields.source("pad", Role.HARMONY_BED)),
                returns);
    }

    List<String> rules(Design design) {
        return findings(design).stream().map(Finding::rule).toList();
    }

    List<Finding> findings(Design design) {
        return FieldFindings.of(new FieldFacts(design, stems, returns, pairs, conflicts));
    }

    /** The finding is gone once its first remedy is pressed; what was measured is as before. */
    void assertFirstRemedyClears(Design design, String rule) {
        Finding found =
                findings(design).stream()
                        .filter(f -> f.rule().equals(rule))
                        .findFirst()
                        .orElseThrow();
        Design mended = found.remedies().getFirst().edit().applyTo(design);
        assertThat(rules(mended)).doesNotContain(rule);
    }

    static Return voiceHall(double decay) {
        return Fields.hall("A", decay, Map.of("voice", -8.0));
    }

    void voiceSings() {
        stems.put("voice", stem(Optional.empty(), Optional.of(PHRASES), Optional.empty()));
    }
}
