package orbispace.core.draft;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.intake.Backbeat;
import orbispace.core.material.GateKey;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.NoteValue;
import orbispace.core.words.Wording;

/**
 * The space of the backbeat: only its close microphones are sent, each behind a gate that its
 * drum's own strokes open, and the tail ends like a wall before the next stroke. The microphone
 * whose strokes lie farthest over its bleed opens the gates of all.
 *
 * @param sends by source
 * @param chain what they pass
 * @param why its numbers, in words
 */
public record DrumSpace(Map<String, Send> sends, Chain chain, String why) {
    /** Strokes that lie closer over their bleed cannot be parted from it. */
    private static final double LEAST_SEPARATION_DB = 6;

    private static final double SEND_DB = -6;

    /** Later than the attack of a stroke, so that the space does not raise its peak. */
    private static final double ATTACK_MILLIS = 20;

    /** The drum space of a song; empty if nothing strikes or nothing parts strokes from bleed. */
    public static Optional<DrumSpace> of(Design design, SongFacts facts, double hitSeconds) {
        Optional<Backbeat> backbeat = facts.backbeat();
        if (backbeat.isEmpty()) {
            return Optional.empty();
        }
        List<Source> close =
                backbeat.get().sources().stream()
                        .flatMap(id -> design.findSource(id).stream())
                        .filter(facts::takesSpace)
                        .toList();
        Optional<Source> opener =
                close.stream()
                        .filter(s -> separation(facts, s) >= LEAST_SEPARATION_DB)
                        .max(Comparator.comparingDouble(s -> separation(facts, s)));
        boolean clean = close.stream().noneMatch(s -> facts.gates().containsKey(s.id()));
        if (close.isEmpty() || (opener.isEmpty() && !clean)) {
            return Optional.empty();
        }
        return Optional.of(made(design, facts, backbeat.get(), close, opener, hitSeconds));
    }

    /** Why there is none although something strikes; empty if nothing does. */
    public static String whyNone(Design design, SongFacts facts) {
        return facts.backbeat()
                .map(b ->
                        Wording.format(
                                " No drum space: no level parts the strokes of %s from bleed by"
                                        + " %.0f dB.",
                                names(design, b.sources()), LEAST_SEPARATION_DB))
                .orElse("");
    }

    private static double separation(SongFacts facts, Source s) {
        GateKey key = facts.gates().get(s.id());
        return key == null ? 0 : key.separationDb();
    }

    private static DrumSpace made(
            Design design,
            SongFacts facts,
            Backbeat backbeat,
            List<Source> close,
            Optional<Source> opener,
            double hitSeconds) {
        String note = seconds(design, facts, "1/4") <= 1.05 * hitSeconds ? "1/4" : "1/8";
        MusicalTime length = new MusicalTime.Note(NoteValue.parse(note).orElseThrow(), 0);
        Chain chain =
                Chain.of(new Space.Reverb(ReverbKind.CHAMBER, 1.2, 0.8, 0.8, 1))
                        .withPredelay(new MusicalTime.Millis(ATTACK_MILLIS))
                        .withFilterIn(new Filter(new Filter.Corner(120, 2), null));
        Map<String, Send> sends = new TreeMap<>();
        String end =
                Wording.format(
                        "ends after %s = %.0f ms", note, 1000 * seconds(design, facts, note));
        String of = names(design, close.stream().map(Source::id).toList());
        String where =
                backbeat.onBeats()
                        ? Wording.format(
                                "%s: the backbeat, %d strokes on it", of, backbeat.strokes())
                        : of + ": nothing strikes on the backbeat, this strikes hardest";
        if (opener.isEmpty()) {
            close.forEach(s -> sends.put(s.id(), Send.of(SEND_DB)));
            return new DrumSpace(sends, chain, where + "; no bleed to gate away");
        }
        String id = opener.get().id();
        GateKey key = java.util.Objects.requireNonNull(facts.gates().get(id));
        for (Source s : close) {
            String by = s.id().equals(id) ? "" : id;
            sends.put(s.id(), Send.of(SEND_DB).withGate(Gate.of(key, by, 0.5, 50, 60, null)));
        }
        return new DrumSpace(
                sends,
                chain.withGate(Gate.of(key, id, 2, 50, 25, length)),
                Wording.format(
                        "%s; opens at \u2212%.1f dBFS in %s, between strokes and bleed that are"
                                + " %.1f dB apart; %s",
                        where, -key.thresholdDb(), opener.get().name(), key.separationDb(), end));
    }

    private static double seconds(Design design, SongFacts facts, String note) {
        return new MusicalTime.Note(NoteValue.parse(note).orElseThrow(), 0)
                .seconds(design.song().clock(), facts.bar());
    }

    private static String names(Design design, List<String> ids) {
        return String.join(
                ", ",
                ids.stream()
                        .flatMap(i -> design.findSource(i).stream())
                        .map(Source::name)
                        .toList());
    }
}
