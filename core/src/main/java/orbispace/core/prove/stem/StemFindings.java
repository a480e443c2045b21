package orbispace.core.prove.stem;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import orbispace.core.audio.Quantile;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.material.Ambience;
import orbispace.core.material.GateKey;
import orbispace.core.material.Hits;
import orbispace.core.material.PrintedEcho;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** The rules about the material of a song: one stem by itself, and against its neighbours. */
public final class StemFindings {
    static final String ECHO_WHY =
            "An echo of the new field may take over its time or keep clear of it; sent on, it would"
                    + " be heard twice.";

    private static final double LEAST_LENGTH_SECONDS = 1;
    private static final double TAIL_KEPT_SECONDS = 1;

    private static final int FEW_STOPS = 4;

    private final Design design;

    private StemFindings(Design design) {
        this.design = design;
    }

    /**
     * What is known of a stem.
     *
     * @param facts as it lies in the song
     * @param seconds its length
     * @param ownRateHz the rate of its file
     */
    public record Stem(StemFacts facts, double seconds, double ownRateHz) {}

    /**
     * Looks at all stems that were measured.
     *
     * @param design the song
     * @param stems by source id; sources that are missing are passed over
     * @param pairs those that share sound
     */
    public static List<Finding> of(
            Design design, Map<String, Stem> stems, List<SharedSound> pairs) {
        return of(design, stems, pairs, Optional.empty());
    }

    /**
     * The same where a kit was looked for.
     *
     * @param kit the kit among the sources; its stems are told as one
     */
    public static List<Finding> of(
            Design design,
            Map<String, Stem> stems,
            List<SharedSound> pairs,
            Optional<KitFound> kit) {
        Set<String> inKit = kit.map(KitFound::members).orElse(Set.of());
        StemFindings rules = new StemFindings(design);
        List<Finding> found = new ArrayList<>();
        double usual = Quantile.of(stems.values().stream().map(Stem::seconds).toList(), 0.5);
        for (Source source : design.sources()) {
            Stem stem = stems.get(source.id());
            if (stem == null) {
                continue;
            }
            if (stem.facts().check().silent()) {
                found.add(rules.silent(source));
                continue;
            }
            rules.clipped(source, stem).ifPresent(found::add);
            rules.offset(source, stem).ifPresent(found::add);
            rules.wet(source, stem).ifPresent(found::add);
            stem.facts().echo().map(e -> echo(source, e)).ifPresent(found::add);
            if (!inKit.contains(source.id())) {
                rules.bleed(source, stem).ifPresent(found::add);
            }
            rules.length(source, stem, usual).ifPresent(found::add);
            rules.rate(source, stem).ifPresent(found::add);
        }
        found.addAll(DriftFindings.of(design, stems, inKit));
        kit.flatMap(k -> KitFindings.of(design, k)).ifPresent(found::add);
        for (SharedSound pair : kit.map(k -> k.without(pairs)).orElse(pairs)) {
            PairFindings.of(design, pair).ifPresent(found::add);
        }
        return List.copyOf(found);
    }

    private Finding silent(Source source) {
        return new Finding(
                "silent",
                Severity.WEIGH,
                source.id(),
                "silent",
                "Nothing in it rises above \u221290 dBFS.",
                "A silent stem may be a wrong export; it costs room and sends nothing.",
                List.of(new Remedy("take out", SourcesEdit.without(design, source))));
    }

    private Optional<Finding> clipped(Source source, Stem stem) {
        int runs = stem.facts().check().clippedRuns();
        if (runs == 0) {
            return Optional.empty();
        }
        double at = stem.facts().check().firstClipSeconds();
        return Optional.of(
                new Finding(
                        "clipped",
                        Severity.ACT,
                        source.id(),
                        "clipped " + runs + (runs == 1 ? " time" : " times"),
                        Wording.text(
                                "%d %s cut flat, the first at %.2f s.",
                                runs, runs == 1 ? "peak is" : "peaks are", at),
                        "Cut peaks are bright bursts that every space repeats; ask for a new"
                                + " export with headroom.",
                        OptionalDouble.of(at),
                        List.of()));
    }

    private Optional<Finding> offset(Source source, Stem stem) {
        double mean = stem.facts().check().constantOffset();
        if (mean == 0) {
            return Optional.empty();
        }
        double all = source.placement().constantOffset() + mean;
        return Optional.of(
                new Finding(
                        "constant-offset",
                        Severity.WEIGH,
                        source.id(),
                        Wording.text("offset %.3f", mean),
                        Wording.text("Its samples lie %.4f off zero on the whole.", mean),
                        "An offset eats headroom, and clicks where a send or gate opens.",
                        List.of(
                                new Remedy(
                                        "take the offset away",
                                        SourcesEdit.of(
                                                design,
                                                source.withPlacement(
                                                        source.placement().without(all)),
                                                "offset")))));
    }

    private Optional<Finding> wet(Source source, Stem stem) {
        Optional<Ambience> room = stem.facts().ambience();
        if (room.isEmpty()) {
            return Optional.empty();
        }
        String evidence =
                Wording.text(
                                "After %d of its stops a straight decay of %.2f s remains, %.0f dB"
                                        + " under the sound.",
                                room.get().stops(), room.get().decaySeconds(), room.get().underDb())
                        + (room.get().sure() ? "" : " Its length is not sure.");
        String why = "A space is printed into it: sending it on puts that space into another.";
        Remedy mark =
                new Remedy(
                        source.wet() ? "call it dry" : "mark as wet",
                        SourcesEdit.of(design, source.withWet(!source.wet()), "wetness"));
        return Optional.of(
                new Finding(
                        "already-wet",
                        source.wet() || isDoubtful(room.get()) ? Severity.KNOW : Severity.WEIGH,
                        source.id(),
                        Wording.text("wet, %.1f s", room.get().decaySeconds()),
                        evidence,
                        why,
                        List.of(mark)));
    }

    private static Finding echo(Source source, PrintedEcho echo) {
        return new Finding(
                "printed-echo",
                Severity.KNOW,
                source.id(),
                Wording.text("%s of %.0f ms", echo.word(), 1000 * echo.seconds()),
                Wording.text(
                        "%s holds a %s of itself %.0f ms later, %.0f dB under it.",
                        source.name(), echo.word(), 1000 * echo.seconds(), echo.underDb()),
                ECHO_WHY,
                List.of());
    }

    /** Few stops, of which the length is not sure, may be how an instrument is let go. */
    private static boolean isDoubtful(Ambience room) {
        return !room.sure() && room.stops() < FEW_STOPS;
    }

    private Optional<Finding> bleed(Source source, Stem stem) {
        Optional<GateKey> gate = stem.facts().gate();
        if (source.role() != Role.HITS || gate.isEmpty()) {
            return Optional.empty();
        }
        GateKey key = gate.get();
        String filter =
                key.isPlain()
                        ? ""
                        : " once the key is filtered"
                                + (key.keyHighPassHz() > 0
                                        ? Wording.text(" from %.0f Hz", key.keyHighPassHz())
                                        : "")
                                + (key.keyLowPassHz() > 0
                                        ? Wording.text(" up to %.0f Hz", key.keyLowPassHz())
                                        : "");
        return Optional.of(
                new Finding(
                        "bleed",
                        Severity.KNOW,
                        source.id(),
                        Wording.text("bleed, %.0f dB", key.separationDb()),
                        Wording.text(
                                        "%d hits and %d events of bleed lie %.1f dB apart%s; a gate"
                                                + " at %.1f dB parts them.",
                                        key.events().hits().size(),
                                        key.events().bleed().size(),
                                        key.separationDb(),
                                        filter,
                                        key.thresholdDb())
                                + (key.events().sure() ? "" : Hits.NOT_SURE),
                        "Bleed in a send makes the space of one instrument speak for another.",
                        List.of()));
    }

    private Optional<Finding> length(Source source, Stem stem, double usual) {
        double more = stem.seconds() - usual;
        double last = stem.facts().lastSoundSeconds();
        if (more > LEAST_LENGTH_SECONDS && stem.seconds() - last > LEAST_LENGTH_SECONDS) {
            return Optional.of(silentEnd(source, more, last, usual));
        }
        return Math.abs(more) <= LEAST_LENGTH_SECONDS
                ? Optional.empty()
                : Optional.of(otherLength(source, more));
    }

    private Finding silentEnd(Source source, double more, double last, double usual) {
        double rate = design.song().sampleRateHz();
        int keep = (int) Math.ceil(Math.max(usual, last + TAIL_KEPT_SECONDS) * rate);
        int frames = Math.max(1, keep - source.placement().shiftFrames());
        return new Finding(
                "length",
                Severity.KNOW,
                source.id(),
                Wording.text("%.1f s longer", more),
                Wording.text("It is %.1f s longer than most, silent from %.1f s on.", more, last),
                "The song would end in silence, and prints with it.",
                List.of(
                        new Remedy(
                                Wording.text("trim to %.1f s", keep / rate),
                                SourcesEdit.of(
                                        design,
                                        source.withPlacement(source.placement().keeping(frames)),
                                        "length"))));
    }

    private static Finding otherLength(Source source, double more) {
        return new Finding(
                "length",
                Severity.KNOW,
                source.id(),
                Wording.text("%.1f s %s", Math.abs(more), more > 0 ? "longer" : "shorter"),
                Wording.text(
                        "It is %.1f s %s than most stems.",
                        Math.abs(more), more > 0 ? "longer" : "shorter"),
                "A stem that does not start with the song, or was cut, lies wrong" + " throughout.",
                List.of());
    }

    private Optional<Finding> rate(Source source, Stem stem) {
        double song = design.song().sampleRateHz();
        if (stem.ownRateHz() == song) {
            return Optional.empty();
        }
        return Optional.of(
                new Finding(
                        "rate",
                        Severity.KNOW,
                        source.id(),
                        Wording.text("%.1f kHz", stem.ownRateHz() / 1000),
                        Wording.text(
                                "Its file is at %.0f Hz, the song at %.0f Hz; it was converted.",
                                stem.ownRateHz(), song),
                        "Stems of one song usually share a rate; another may be a wrong export.",
                        List.of()));
    }
}
